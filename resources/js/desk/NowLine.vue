<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { RightNow } from '@/api'
import { age, plural, timeThere, useNow } from '@/shared'
import { useBeside, useDesk } from './desk'
import TellingLine from './TellingLine.vue'
import { same } from './values'

/**
 * One sentence: what a caller to the main number gets right now, by the switch as last read; where the book differs,
 * both are said.
 */
defineProps<{ zone: string }>()

const { queries, names } = useDesk()
const { live, otherwise, underWay } = useBeside()
const { data, isError } = useQuery(queries.now)
const now = useNow()

const told = computed<RightNow | null>(() => data.value?.live ?? data.value?.book ?? null)
/** Whether the sentence is about the caller, or about who rings. */
const begins = computed(() => told.value?.telling.parts[0]?.what !== 'rings' && told.value?.telling.parts.length !== 0)
const differs = computed(() => {
  const [book, live] = [data.value?.book ?? null, data.value?.live ?? null]
  return book !== null && live !== null && !same(book.telling, live.telling)
})
/** Nothing is said of what could not be asked. */
const against = computed(() => {
  if (live.data.value === undefined) return live.isError.value ? '; whether it says the same is unknown' : ''
  return otherwise.value.length === 0 ? ' and says the same' : `; ${otherwise.value.join(', ')}`
})
/** A push that is under way, wherever on the desk it was begun. */
const going = computed(() => {
  if (underWay.value === undefined) return undefined
  const { steps, whole, revision } = underWay.value
  const done = steps.filter((step) => step.status === 'done').length
  const what = whole ? `Revision ${revision}` : 'What is put back'
  return `${what} is going to the switch${steps.length === 0 ? '' : `, ${done} of ${plural(steps.length, 'step')}`}.`
})
</script>

<template>
  <section class="now" data-testid="right-now" aria-label="Right now">
    <span v-if="isError" class="differs" role="alert"
      >What callers get right now could not be worked out{{
        data === undefined ? '.' : '; this was true before the last changes:'
      }}
    </span>
    <template v-if="data === undefined"><span v-if="!isError" class="soft">Right now …</span></template>
    <template v-else-if="told === null"><strong>No main number is named.</strong></template>
    <template v-else>
      <span class="soft">{{ data.live === null ? 'By the book, right now' : 'Right now' }}</span>
      {{ begins ? 'a caller to' : 'on a call to' }} <span class="mono">{{ names.of(`number:${told.number}`) }}</span>{{
        begins ? ' ' : ', '
      }}<TellingLine :telling="told.telling" />.
      <template v-if="differs && data.book !== null">
        <strong class="differs">The book says otherwise:</strong>
        {{ ' ' }}
        <TellingLine :telling="data.book.telling" />.</template
      >
      <!-- Where the two part there are two things to read; what comes next stands in the week. -->
      <span v-else-if="told.until !== null && told.next !== null" class="soft">
        From {{ timeThere(new Date(told.until), zone) }}: <TellingLine :telling="told.next" brief />.</span
      >
      <span class="soft" data-testid="against-switch">
        <span v-if="going !== undefined" role="status"> {{ going }}</span>
        <template v-else-if="data.readAt === null"> Nothing of it is on the switch yet.</template>
        <template v-else> The switch was read {{ age(data.readAt, now) }}{{ against }}.</template>
      </span>
    </template>
  </section>
</template>

<style scoped>
.now {
  /* Two lines, as it may need, so that nothing below moves when it is read. */
  min-height: 57px;
  padding: 7px 18px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}

@media (width < 1100px) {
  .now {
    min-height: 77px;
  }
}

.differs {
  color: var(--buoy);
}
</style>
