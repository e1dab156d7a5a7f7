<script setup lang="ts">
import { timeInWords } from '../manner'
import { computed } from 'vue'
import { GETS } from '../outcomes'

interface Piece {
  from: number
  to: number
  ifAnswered: keyof typeof GETS
  ifNobodyAnswers: keyof typeof GETS
  first?: string
  target?: string
}

/** A week of a number in two tracks: thick, if somebody answers; thin below, if nobody does. */
const props = defineProps<{
  pieces: Piece[]
  now?: number | undefined
  slim?: boolean
  label: string
  name?: (ref: string) => string
}>()

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const HOUR = 60
const DAY = 24 * HOUR

const whole = computed(() => props.pieces.at(-1)?.to ?? 7 * DAY)
const at = (minutes: number): string => `${(minutes / whole.value) * 100}%`

function clock(minutes: number): string {
  const day = DAYS[Math.min(6, Math.floor(minutes / DAY))] ?? ''
  return (
    `${day} ` +
    timeInWords(
      `${String(Math.floor((minutes % DAY) / HOUR)).padStart(2, '0')}:${String(minutes % HOUR).padStart(2, '0')}`,
    )
  )
}

function named(ref: string | undefined): string {
  return ref === undefined || ref === '' ? '' : `: ${props.name?.(ref) ?? ref}`
}

function said(piece: Piece): string {
  const until = piece.to >= whole.value ? `Sun ${timeInWords('24:00')}` : clock(piece.to)
  const answered =
    piece.ifAnswered === piece.ifNobodyAnswers
      ? GETS[piece.ifAnswered]
      : `${GETS[piece.ifAnswered]}${named(piece.first)}; if nobody answers, ${GETS[piece.ifNobodyAnswers]}`
  return `${clock(piece.from)} to ${until}: ${answered}${named(piece.target)}`
}

/** A line of a list is read aloud whole: how much of the week, and not each piece of it. */
const inShort = computed(() => {
  const minutes = new Map<string, number>()
  for (const piece of props.pieces)
    minutes.set(piece.ifAnswered, (minutes.get(piece.ifAnswered) ?? 0) + piece.to - piece.from)
  return [...minutes]
    .sort(([, one], [, other]) => other - one)
    .map(([gets, all]) => `${GETS[gets as keyof typeof GETS]} ${Math.round((all / HOUR) * 10) / 10} h`)
    .join(', ')
})

function box(piece: Piece): Record<string, string> {
  return { left: at(piece.from), width: `${((piece.to - piece.from) / whole.value) * 100}%` }
}
</script>

<template>
  <figure class="strip" :class="{ slim }" :aria-label="label">
    <div v-if="!slim" class="days" aria-hidden="true">
      <span v-for="(day, index) in DAYS" :key="day" :style="{ left: at(index * DAY) }">{{ day }}</span>
    </div>
    <div class="tracks" aria-hidden="true">
      <i
        v-for="piece in pieces"
        :key="`a${piece.from}`"
        class="upper"
        :class="`gets-${piece.ifAnswered}`"
        :style="box(piece)"
        :title="said(piece)"
      />
      <i
        v-for="piece in pieces"
        :key="`n${piece.from}`"
        class="lower"
        :class="`gets-${piece.ifNobodyAnswers}`"
        :style="box(piece)"
        :title="said(piece)"
      />
      <b v-for="day in 6" :key="day" class="midnight" :style="{ left: at(day * DAY) }" />
      <b v-if="now !== undefined && now < whole" class="now" :style="{ left: at(now) }" />
    </div>
    <span v-if="slim" class="visually-hidden">of the week: {{ inShort }}</span>
    <ul v-else class="visually-hidden">
      <li v-for="piece in pieces" :key="piece.from">{{ said(piece) }}</li>
    </ul>
  </figure>
</template>

<style scoped>
.strip {
  margin: 0;
}

.days {
  position: relative;
  height: 18px;
  color: var(--ink-soft);
  font-size: 12px;
}

.days span {
  position: absolute;
}

.tracks {
  position: relative;
  height: 22px;
}

.tracks i {
  position: absolute;
}

.upper {
  top: 0;
  height: 14px;
}

.lower {
  top: 16px;
  height: 5px;
}

.slim .tracks {
  height: 18px;
}

.slim .upper {
  height: 12px;
}

.slim .lower {
  top: 13px;
  height: 4px;
}

.midnight {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--paper);
}

.now {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 2px;
  background: var(--buoy);
}
</style>
