<script setup lang="ts">
import { computed } from 'vue'
import {
  ChoiceField,
  count,
  dayInWords,
  FieldRow,
  PageTop,
  timeInWords,
  useAttempt,
  useTitle,
  USUAL_MANNER,
  type Manner,
} from '@/shared'
import { useSession } from './session'

/** How times, days and numbers are said to whoever is signed in, on every screen: kept as soon as it is chosen. */
const { technician, choose } = useSession()
const { faults, attempt } = useAttempt()
const manner = computed<Manner>(() => technician.value?.manner ?? USUAL_MANNER)

const CLOCKS = [
  ['24', '17:00'],
  ['12', '5:00 pm'],
] as const
const DAYS = [
  ['dayFirst', 'Thu 24 Dec 2026'],
  ['monthFirst', 'Thu Dec 24, 2026'],
  ['yearFirst', 'Thu 2026-12-24'],
] as const
const NUMBERS = [
  ['comma', '8,760'],
  ['space', '8 760'],
  ['dot', '8.760'],
] as const

const take = (chosen: Partial<Manner>): Promise<void> => attempt(() => choose({ ...manner.value, ...chosen }))
const clock = computed({ get: () => manner.value.clock, set: (value) => void take({ clock: value }) })
const days = computed({ get: () => manner.value.days, set: (value) => void take({ days: value }) })
const numbers = computed({ get: () => manner.value.numbers, set: (value) => void take({ numbers: value }) })

useTitle(() => ['Dates, times and numbers'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Dates, times and numbers</h1>
    <span class="soft">{{ technician?.name }}</span></PageTop
  >
  <main class="manner">
    <p class="soft">
      As you read them, on every screen. What is kept, sent and pushed is the same whatever is chosen here, and whatever
      you type is read in each of these ways.
    </p>
    <FieldRow v-slot="field" label="Times" :fault="faults['clock']"
      ><ChoiceField :id="field.id" v-model="clock" :options="CLOCKS"
    /></FieldRow>
    <FieldRow v-slot="field" label="Days" :fault="faults['days']"
      ><ChoiceField :id="field.id" v-model="days" :options="DAYS"
    /></FieldRow>
    <FieldRow v-slot="field" label="Numbers" :fault="faults['numbers']"
      ><ChoiceField :id="field.id" v-model="numbers" :options="NUMBERS"
    /></FieldRow>
    <p role="status">
      Closed on {{ dayInWords('2026-12-24') }} from {{ timeInWords('17:00') }}; open {{ count(2232) }} h a year.
    </p>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
  </main>
</template>

<style scoped>
.title {
  display: inline;
  margin: 0;
  font: 18px/1.4 var(--serif);
}

.manner {
  display: grid;
  gap: 12px;
  box-sizing: border-box;
  width: min(100%, 560px);
  padding: 18px;
}
</style>
