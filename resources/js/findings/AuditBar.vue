<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { client, detailOf, take, type AuditRun } from '@/api'
import { age, plural, useNow } from '@/shared'
import { auditQuery, FINDINGS_KEY, progressQuery } from './findingQueries'

/** The audit of every customer: when it last was, how far it is, stopped and gone on with. */
const queryClient = useQueryClient()
const { data: run } = useQuery(auditQuery)
const { data: progress } = useQuery(progressQuery)
const isOpen = ref(false)
const now = useNow()
const fault = ref('')
const busy = ref(false)

/** Findings of thousands of customers are not fetched again for each of them. */
const PAUSE = 5_000

const troubled = computed(() => run.value?.done.filter((each) => each.trouble !== null) ?? [])
let fetched = 0
watch(progress, (is, was) => {
  if (was === undefined || (is?.id === was?.id && is?.done === was?.done && is?.state === was?.state)) return
  const isOver = is?.state !== 'running'
  if (!isOver && performance.now() - fetched < PAUSE) return
  fetched = performance.now()
  void queryClient.invalidateQueries({ queryKey: FINDINGS_KEY })
  if (isOver || isOpen.value) void queryClient.invalidateQueries({ queryKey: auditQuery.queryKey, exact: true })
})

function opened(event: Event): void {
  isOpen.value = (event.target as HTMLDetailsElement).open
  if (isOpen.value) void queryClient.invalidateQueries({ queryKey: auditQuery.queryKey, exact: true })
}

async function change(call: () => Promise<{ run: AuditRun | null }>): Promise<void> {
  if (busy.value) return
  busy.value = true
  fault.value = ''
  try {
    queryClient.setQueryData(auditQuery.queryKey, (await call()).run)
    await queryClient.invalidateQueries({ queryKey: progressQuery.queryKey })
  } catch (error) {
    fault.value = detailOf(error)
  }
  busy.value = false
}

const begin = (): Promise<void> => change(async () => take(client.POST('/audits')))
const stop = (audit: string): Promise<void> =>
  change(async () => take(client.POST('/audits/{audit}/stop', { params: { path: { audit } } })))
const resume = (audit: string): Promise<void> =>
  change(async () => take(client.POST('/audits/{audit}/resume', { params: { path: { audit } } })))
</script>

<template>
  <section class="audit" aria-label="Audit of every customer">
    <template v-if="run === undefined || progress === undefined" />
    <template v-else-if="progress?.state === 'running'">
      <el-progress
        :percentage="(100 * progress.done) / Math.max(1, progress.total)"
        :show-text="false"
        aria-label="Customers audited"
      />
      <span role="status">{{ progress.done }} of {{ plural(progress.total, 'customer') }} audited</span>
      <button type="button" class="quiet-button" :disabled="busy" @click="stop(progress.id)">
        Stop after this one
      </button>
    </template>
    <template v-else>
      <span class="soft" role="status">
        <template v-if="run === null || progress === null">Never audited as a whole.</template>
        <template v-else-if="run.state === 'stopped'"
          >Stopped at {{ progress.done }} of {{ plural(progress.total, 'customer') }}.</template
        >
        <template v-else
          >{{ run.reason === 'nightly' ? 'Audited by night' : 'Audited' }} {{ age(run.begunAt, now) }},
          {{ plural(run.done.length, 'customer') }}.</template
        >
      </span>
      <button
        v-if="run?.state === 'stopped'"
        type="button"
        class="quiet-button"
        :disabled="busy"
        @click="resume(run.id)"
      >
        Go on with the rest
      </button>
      <button type="button" class="quiet-button" :disabled="busy" @click="begin">Audit every customer now</button>
    </template>
    <details v-if="run !== null && run !== undefined && (progress?.done ?? 0) > 0" class="by-customer" @toggle="opened">
      <summary>
        by customer<template v-if="troubled.length > 0"
          >, <span class="fault">{{ plural(troubled.length, 'switch reading') }} failed</span></template
        >
      </summary>
      <ol>
        <li v-for="each in run.done" :key="each.customer">
          <router-link :to="{ name: 'desk', params: { customer: each.customer } }">{{ each.name }}</router-link>
          {{ ' ' }}
          <span class="soft">{{ plural(each.findings, 'finding') }}</span><span
            v-if="each.trouble !== null"
            class="fault small"
          >
            {{ each.trouble }}</span
          >
        </li>
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

.el-progress {
  width: 160px;
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
