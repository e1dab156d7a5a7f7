<script setup lang="ts">
import { computed } from 'vue'
import type { YearLine } from '@/api'
import { dayInWords } from '@/shared'

/**
 * Twelve months of days: how long each is open, what owns it, where clocks change, and where the calendar knows no
 * more.
 */
const props = defineProps<{ line: YearLine }>()

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const HEIGHT = 34

const first = computed(() => Date.parse(`${props.line.from}T00:00:00Z`) / 86_400_000)
const days = computed(() => props.line.minutes.length)
const longest = computed(() => Math.max(60, ...props.line.minutes))

function placeOf(date: string): number {
  return Date.parse(`${date}T00:00:00Z`) / 86_400_000 - first.value
}

function dateAt(index: number): string {
  return new Date((first.value + index) * 86_400_000).toISOString().slice(0, 10)
}

const months = computed(() =>
  Array.from({ length: days.value }, (_, index) => dateAt(index)).flatMap((date, index) =>
    date.endsWith('-01') ? [{ index, name: MONTHS[Number(date.slice(5, 7)) - 1] ?? '' }] : [],
  ),
)
const bars = computed(() =>
  props.line.minutes.map((minutes, index) => ({
    index,
    height: (minutes / longest.value) * HEIGHT,
    sort: props.line.owners[index]?.split(':')[0] ?? 'week',
  })),
)
const runsOut = computed(() =>
  props.line.knownUntil === null || placeOf(props.line.knownUntil) >= days.value
    ? undefined
    : { index: placeOf(props.line.knownUntil), date: props.line.knownUntil },
)
const summary = computed(() => [
  ...props.line.clocks.map((each) => `clocks ${each.way} on ${dayInWords(each.date)}`),
  ...(runsOut.value === undefined ? [] : [`holidays run out on ${dayInWords(runsOut.value.date)}`]),
])
</script>

<template>
  <figure class="year" :aria-label="`The next twelve months: ${summary.join('; ')}`">
    <svg :viewBox="`0 0 ${days} 78`" preserveAspectRatio="none" aria-hidden="true">
      <line
        v-for="month in months"
        :key="month.index"
        :x1="month.index"
        :x2="month.index"
        y1="0"
        y2="58"
        class="month"
      />
      <rect
        v-for="bar in bars"
        :key="bar.index"
        :x="bar.index + 0.1"
        :y="16 + HEIGHT - bar.height"
        width="0.8"
        :height="bar.height"
        class="open"
        :class="{ beyond: runsOut !== undefined && bar.index > runsOut.index }"
      />
      <rect
        v-for="bar in bars.filter((each) => each.sort !== 'week')"
        :key="`s${bar.index}`"
        :x="bar.index"
        y="51"
        width="1"
        height="4"
        :class="bar.sort"
      />
      <line
        v-for="clock in line.clocks"
        :key="clock.date"
        :x1="placeOf(clock.date)"
        :x2="placeOf(clock.date)"
        y1="12"
        y2="60"
        class="clock"
      />
      <line v-if="runsOut !== undefined" :x1="runsOut.index" :x2="runsOut.index" y1="10" y2="62" class="out" />
    </svg>
    <span
      v-for="month in months"
      :key="month.index"
      class="label top"
      :style="{ left: `${(month.index / days) * 100}%` }"
      aria-hidden="true"
      >{{ month.name }}</span
    >
    <span
      v-for="clock in line.clocks"
      :key="clock.date"
      class="label low"
      :class="{ end: placeOf(clock.date) / days > 0.85 }"
      :style="{ left: `${(placeOf(clock.date) / days) * 100}%` }"
      aria-hidden="true"
      >clocks {{ clock.way }} {{ dayInWords(clock.date, false) }}</span
    >
    <span
      v-if="runsOut !== undefined"
      class="label low out"
      :class="{ end: runsOut.index / days > 0.85 }"
      :style="{ left: `${(runsOut.index / days) * 100}%` }"
      aria-hidden="true"
      >holidays run out {{ dayInWords(runsOut.date, false) }}</span
    >
  </figure>
</template>

<style scoped>
.year {
  position: relative;
  margin: 6px 0 10px;
}

svg {
  display: block;
  width: 100%;
  height: 86px;
}

.month {
  stroke: var(--rule);
  stroke-width: 0.3;
}

.open {
  fill: var(--teal);
}

.open.beyond {
  opacity: 0.35;
}

.holiday {
  fill: var(--plum);
}

.exception {
  fill: var(--buoy);
}

.period {
  fill: var(--ochre);
}

.clock {
  stroke: var(--ink-soft);
  stroke-dasharray: 2 2;
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}

line.out {
  stroke: var(--red);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

.label {
  position: absolute;
  color: var(--ink-soft);
  font-size: 12px;
  white-space: nowrap;
}

.top {
  top: 0;
  padding-left: 3px;
}

.low {
  bottom: 0;
  transform: translateX(-50%);
}

.low.end {
  transform: translateX(-100%);
}

.label.out {
  color: var(--red);
}
</style>
