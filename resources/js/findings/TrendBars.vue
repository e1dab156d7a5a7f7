<script setup lang="ts">
import { computed } from 'vue'
import type { Findings } from '@/api'
import { dayInWords, plural, SEVERITIES } from '@/shared'

/** How many findings stood, day by day: the heavy ones below, as they weigh in the columns beside. */
const { days } = defineProps<{ days: Findings['trend'] }>()

type Day = Findings['trend'][number]
const HEIGHT = 34
const sum = (day: Day): number => SEVERITIES.reduce((all, weight) => all + day[weight], 0)
const most = computed(() => Math.max(1, ...days.map(sum)))
const said = computed(() => {
  const [first] = days
  const last = days.at(-1)
  if (first === undefined || last === undefined) return ''
  return days.length === 1
    ? `${plural(sum(last), 'finding')} since ${dayInWords(first.day)}`
    : `from ${sum(first)} on ${dayInWords(first.day)} to ${plural(sum(last), 'finding')}`
})

function inWords(day: Day): string {
  return `${dayInWords(day.day)}: ${
    SEVERITIES.filter((weight) => day[weight] > 0)
      .map((weight) => plural(day[weight], weight))
      .join(', ') || 'nothing'
  }`
}
</script>

<template>
  <figure v-if="days.length > 1" class="trend">
    <svg
      :width="days.length * 6"
      :height="HEIGHT"
      role="img"
      :aria-label="`Findings over ${days.length} days: ${said}`"
    >
      <g v-for="(day, at) in days" :key="day.day">
        <title>{{ inWords(day) }}</title>
        <rect class="whole" :x="at * 6" y="0" width="5" :height="HEIGHT" />
        <rect
          class="light"
          :x="at * 6"
          :y="HEIGHT - (sum(day) / most) * HEIGHT"
          width="5"
          :height="(sum(day) / most) * HEIGHT"
        />
        <rect
          class="heavy"
          :x="at * 6"
          :y="HEIGHT - ((day.blocker + day.error) / most) * HEIGHT"
          width="5"
          :height="((day.blocker + day.error) / most) * HEIGHT"
        />
      </g>
    </svg>
    <figcaption class="soft small">{{ said }}</figcaption>
  </figure>
</template>

<style scoped>
.trend {
  display: flex;
  gap: 8px;
  align-items: end;
  margin: 0;
}

.whole {
  fill: transparent;
}

.light {
  fill: var(--fog);
}

.heavy {
  fill: var(--ink);
}
</style>
