<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Finding } from '@/api'
import { inManner, SeverityBars, WaiveSheet } from '@/shared'
import { withNames } from './calls'
import ChangeLine from './ChangeLine.vue'
import { chapterOfFinding } from './chapters'
import { useCallLine, useDesk, useDraft, useMargin } from './desk'

/** One finding: what is wrong, the call that shows it, and its fix as a button that shows the change set first. */
const props = defineProps<{ finding: Finding; isHere?: boolean }>()

const { customer, names, busy, notice, zone } = useDesk()
const { edit } = useDraft()
const { waiveFinding } = useMargin()
const { sentence, asked } = useCallLine()
const router = useRouter()
const isOpen = ref(false)
const shows = ref(false)
const isWaiving = ref(false)
/** Drift is waived field by field, where book and live stand side by side. */
const mayBeWaived = computed(
  () => !props.finding.rule.startsWith('drift.') || props.finding.rule === 'drift.signed-differs',
)

function go(): void {
  const target = props.finding.objects[0] ?? ''
  void router.push({
    name: 'desk',
    params: { customer, chapter: chapterOfFinding(props.finding.rule, target) },
    query: { at: target },
  })
}

function call(): void {
  sentence.value = props.finding.call ?? ''
  asked.value++
}

async function fix(): Promise<void> {
  const changes = props.finding.fix?.changes ?? []
  shows.value = false
  await edit(
    changes.map((change) => ({ op: change.op, object: change.object, path: change.path ?? '', value: change.after })),
  )
  if (notice.value?.isFault !== true)
    notice.value = { text: `${props.finding.fix?.label ?? 'Mended'}: pending, to be looked over and entered.` }
}
</script>

<template>
  <section class="note" :class="{ here: isHere }" data-testid="finding" :data-rule="finding.rule">
    <h3>
      <SeverityBars class="bars" :severity="finding.severity" /><button type="button" class="title" @click="go">
        {{ inManner(finding.title) }}
      </button>
    </h3>
    <p class="soft">{{ withNames(finding.detail, names) }}</p>
    <p class="act">
      <button
        v-if="finding.fix !== null"
        type="button"
        class="quiet-button"
        :aria-expanded="shows"
        :disabled="busy"
        @click="shows = !shows"
      >
        {{ finding.fix.label }}
      </button>
      <button v-if="finding.call !== null" type="button" class="text-button" @click="call">call it</button>
      <button type="button" class="text-button" :aria-expanded="isOpen" @click="isOpen = !isOpen">why</button>
      <button v-if="mayBeWaived" type="button" class="text-button" @click="isWaiving = true">waive</button>
    </p>
    <div v-if="shows && finding.fix !== null" class="fix">
      <ul class="changes">
        <li v-for="change in finding.fix.changes" :key="`${change.object} ${change.path ?? ''}`">
          <ChangeLine :change :names />
        </li>
      </ul>
      <p class="act">
        <button type="button" class="quiet-button" data-testid="fix" @click="fix">Put it in the draft</button
        ><button type="button" class="text-button" @click="shows = false">not now</button>
      </p>
    </div>
    <div v-if="isOpen" class="soft small why">
      <p>{{ finding.why }}</p>
      <p>{{ finding.remedy }}</p>
      <p>
        {{ finding.name }}: rule <span class="mono">{{ finding.rule }}</span>; {{ finding.source }}.
      </p>
    </div>
    <WaiveSheet
      v-model="isWaiving"
      title="Waive a finding"
      :about="`${finding.title}. It is not counted any more; if it changes, it stands again.`"
      example="agreed with the owner on the telephone"
      :busy
      :zone
      :accept="(reason, until) => waiveFinding(finding.fingerprint, reason, until)"
    />
  </section>
</template>

<style scoped>
.note {
  display: grid;
  gap: 3px;
  padding: 10px 0 10px 22px;
  border-bottom: 1px solid var(--rule);
}

.note.here {
  margin-left: -16px;
  padding-left: 38px;
  background: linear-gradient(90deg, var(--ink-soft) 0 12px, transparent 12px) 0 19px / 100% 1px no-repeat;
}

.note h3 {
  position: relative;
}

.bars {
  position: absolute;
  top: 4px;
  left: -22px;
}

.title {
  padding: 0;
  border: 0;
  background: none;
  font-weight: inherit;
  text-align: left;
  cursor: pointer;
}

.title:hover {
  text-decoration: underline;
}

.act {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
  padding-top: 4px;
}

.act .quiet-button {
  text-align: left;
  white-space: normal;
}

.fix {
  padding: 6px 0;
  overflow-x: auto;
}

.changes {
  margin: 0;
  padding-left: 16px;
}

.why {
  display: grid;
  gap: 4px;
}
</style>
