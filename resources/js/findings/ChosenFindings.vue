<script setup lang="ts">
import { computed, ref } from 'vue'
import { client, detailOf, take, type FindingLine, type Findings } from '@/api'
import { ChoiceField, plural, WaiveSheet } from '@/shared'
import { useCare } from './care'

/** What is done with several findings at once: somebody sees to them, or they are accepted as they are. */
const { chosen, technicians } = defineProps<{ chosen: FindingLine[]; technicians: Findings['technicians'] }>()
const emit = defineEmits<{ done: [told: string, isWhole: boolean] }>()

const { note, readAnew } = useCare()
const isWaiving = ref(false)
/** How many of how many are done. */
const busy = ref<{ done: number; of: number }>()
const whoever = computed(() => [
  ['nobody', 'nobody'] as const,
  ...technicians.map((each) => [each.id, each.name] as const),
])
const standing = computed(() => chosen.filter((line) => !line.waived))

/** One after the other; the first that does not go ends it, and what was done stays done. */
async function each(lines: FindingLine[], what: string, work: (line: FindingLine) => Promise<unknown>): Promise<void> {
  if (busy.value !== undefined) return
  let told = `${plural(lines.length, 'finding')} ${what}.`
  let done = 0
  try {
    for (const line of lines) {
      busy.value = { done, of: lines.length }
      await work(line)
      done++
    }
  } catch (error) {
    told = `${done} of ${plural(lines.length, 'finding')} ${what}, then: ${detailOf(error)}`
  }
  busy.value = undefined
  await readAnew()
  emit('done', told, done === lines.length)
}

const assign = (who: string): Promise<void> => {
  const name = technicians.find((each) => each.id === who)?.name
  return each(chosen, name === undefined ? 'are seen to by nobody' : `are seen to by ${name}`, (line) =>
    note(line, name === undefined ? null : who, line.due),
  )
}

async function waive(reason: string, until: string | null): Promise<void> {
  await each(standing.value, 'are waived', (line) =>
    take(
      client.POST('/customers/{customer}/findings/waivers', {
        params: { path: { customer: line.customer } },
        body: { fingerprint: line.fingerprint, reason, until },
      }),
    ),
  )
}
</script>

<template>
  <span v-if="busy !== undefined" role="status">{{ busy.done }} of {{ busy.of }} …</span>
  <template v-else>
    <span class="assign"
      >seen to by
      <ChoiceField
        model-value=""
        in-sentence
        placeholder="choose"
        aria-label="Who sees to those chosen"
        :options="whoever"
        @update:model-value="assign"
      />
    </span>
    <button v-if="standing.length > 0" type="button" class="quiet-button" @click="isWaiving = true">
      Waive {{ standing.length }} …
    </button>
  </template>
  <WaiveSheet
    v-model="isWaiving"
    :title="`Waive ${plural(standing.length, 'finding')}`"
    about="They are not counted any more; whichever changes stands again."
    example="agreed with the owner on the telephone"
    :busy="busy !== undefined"
    :accept="waive"
  />
</template>
