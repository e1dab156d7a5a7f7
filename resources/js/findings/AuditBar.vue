<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { client, detailOf, take, type AuditRun } from '@/api'
import { age, plural, useNow } from '@/shared'
import { auditQuery, findingsQuery } from './findingQueries'

/** The audit of every customer: when it last was, how far it is, stopped and gone on with. */
const queryClient = useQueryClient()
const { data: run } = useQuery(auditQuery)
const now = useNow()
const fault = ref('')
const busy = ref(false)

const total = computed(() => (run.value?.done.length ?? 0) + (run.value?.waiting.length ?? 0))
const troubled = computed(() => run.value?.done.filter((each) => each.trouble !== null) ?? [])
watch(() => run.value?.done.length, (done, before) => {
  if (before !== undefined && done !== before) void queryClient.invalidateQueries({ queryKey: findingsQuery.queryKey })
})

async function change(call: () => Promise<{ run: AuditRun | null }>): Promise<void> {
  if (busy.value) return
  busy.value = true
  fault.value = ''
  try {
    queryClient.setQueryData(auditQuery.queryKey, (await call()).run)
  } catch (error) {
    fault.value = detailOf(error)
  }
  busy.value = false
}

const begin = (): Promise<void> => change(async () => take(client.POST('/audits')))
const stop = (audit: string): Promise<void> => change(async () => take(client.POST('/audits/{audit}/stop', { params: { path: { audit } } })))
const resume = (audit: string): Promise<void> => change(async () => take(client.POST('/audits/{audit}/resume', { params: { path: { audit } } })))
</script>

<template>
  <section class="audit" aria-label="Audit of every customer">
    <template v-if="run === undefined" />
    <template v-else-if="run?.state === 'running'">
      <progress :value="run.done.length" :max="Math.max(1, total)" aria-label="Customers audited" />
      <span role="status">{{ run.done.length }} of {{ plural(total, 'customer') }} audited<template v-if="run.waiting[0] !== undefined">; next: {{ run.waiting[0].name }}</template></span>
      <button type="button" class="quiet-button" :disabled="busy" @click="stop(run.id)">Stop after this one</button>
    </template>
    <template v-else>
      <span class="soft" role="status">
        <template v-if="run === null">Never audited as a whole.</template>
        <template v-else-if="run.state === 'stopped'">Stopped at {{ run.done.length }} of {{ plural(total, 'customer') }}.</template>
        <template v-else>{{ run.reason === 'nightly' ? 'Audited by night' : 'Audited' }} {{ age(run.begunAt, now) }}, {{ plural(run.done.length, 'customer') }}.</template>
      </span>
      <button v-if="run?.state === 'stopped'" type="button" class="quiet-button" :disabled="busy" @click="resume(run.id)">Go on with the rest</button>
      <button type="button" class="quiet-button" :disabled="busy" @click="begin">Audit every customer now</button>
    </template>
    <details v-if="run !== null && run !== undefined && run.done.length > 0" class="by-customer">
      <summary>by customer<template v-if="troubled.length > 0">, <span class="fault">{{ plural(troubled.length, 'switch reading') }} failed</span></template></summary>
      <ol>
        <li v-for="each in run.done" :key="each.customer"><router-link :to="{ name: 'desk', params: { customer: each.customer } }">{{ each.name }}</router-link> <span class="soft">{{ plural(each.findings, 'finding') }}</span><span v-if="each.trouble !== null" class="fault small"> {{ each.trouble }}</span></li>
        <li v-for="each in run.waiting" :key="each.customer" class="soft">{{ each.name }}: waiting</li>
      </ol>
    </details>
    <span v-if="fault !== ''" class="fault" role="alert">{{ fault }}</span>
  </section>
</template>

<style scoped>
.audit {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  min-height: 45px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule-soft);
}

progress {
  width: 160px;
  height: 6px;
  accent-color: var(--teal);
}

.by-customer summary {
  color: var(--teal);
  cursor: pointer;
}

.by-customer[open] {
  flex-basis: 100%;
}

ol {
  max-height: 190px;
  margin: 6px 0 0;
  padding: 0;
  overflow-y: auto;
  columns: 3 260px;
  list-style: none;
}

li {
  break-inside: avoid;
}
</style>
