<script setup lang="ts">
import { computed, ref } from 'vue'
import { hourInWords, timeInWords, useKeysTold } from '@/shared'
import type { ObjectOf } from '@/api'

type Day = (typeof DAYS)[number]
type Piece = ObjectOf<'schedule'>['fields']['weekly'][number]
/** A piece of hours that is to be: the server gives it a key. */
type Painted = Omit<Piece, 'item'> & { item?: string }

/**
 * Seven days to paint on, by the quarter of an hour: drag over empty time opens it, drag over open time closes it. By
 * keyboard the
 * arrows move over the half hours of the week, Space opens or closes one, with Shift and an arrow it runs on.
 */
const { weekly, paint } = defineProps<{
  weekly: Piece[]
  label: string
  /** Keeps a week, and is done once it is kept or refused. */
  paint: (weekly: Painted[]) => Promise<void>
}>()

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const DAY = 1440
const GRAIN = 15
const STEP = 30

const board = ref<HTMLElement>()
const at = ref({ day: 0, minute: 480 })
const stroke = ref<{ day: number; from: number; to: number; opens: boolean }>()

function minutes(text: string): number {
  return Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5))
}

function clock(minute: number): string {
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`
}

function dayAndMinute(text: string): number {
  return DAYS.findIndex((day) => text.startsWith(day)) * DAY + minutes(text.slice(4))
}

type Week = [number, number][][]

/** What was painted and is on its way: who presses faster than the server answers paints on that. */
const ahead = ref<Week>()
let underWay = 0
const stretches = computed<Week>(() => ahead.value ?? kept.value)

/** Open stretches of a day, in minutes; what runs past midnight shows on both days. */
const kept = computed<Week>(() => {
  const week: Week = DAYS.map(() => [])
  const put = (from: number, to: number): void => {
    for (let day = Math.floor(from / DAY); day * DAY < to; day++)
      week[day % 7]?.push([Math.max(from - day * DAY, 0), Math.min(to - day * DAY, DAY)])
  }
  for (const piece of weekly) {
    if (piece.span !== null) {
      const [from = 0, to = 0] = piece.span.map(dayAndMinute)
      put(from, to <= from ? to + 7 * DAY : to)
      continue
    }
    for (const day of piece.days ?? []) {
      const [from, to] = [minutes(piece.from ?? '00:00'), minutes(piece.to ?? '24:00')]
      put(DAYS.indexOf(day) * DAY + from, DAYS.indexOf(day) * DAY + (to <= from ? to + DAY : to))
    }
  }
  return week.map(joined)
})

function joined(day: [number, number][]): [number, number][] {
  const all = [...day].sort((a, b) => a[0] - b[0])
  const whole: [number, number][] = []
  for (const [from, to] of all) {
    const last = whole.at(-1)
    if (last !== undefined && last[1] >= from) last[1] = Math.max(last[1], to)
    else whole.push([from, to])
  }
  return whole
}

/** The week as painted: each stretch of a day with the days that have the same one, in one piece. */
function pieces(week: [number, number][][]): Painted[] {
  const days = new Map<string, Day[]>()
  week.forEach((day, index) => {
    for (const [from, to] of day) {
      const key = `${clock(from)} ${clock(to)}`
      days.set(key, [...(days.get(key) ?? []), DAYS[index] ?? 'mon'])
    }
  })
  const taken: string[] = []
  return [...days.entries()].map(([key, on]) => {
    const [from = '', to = ''] = key.split(' ')
    const old =
      weekly.find((piece) => piece.from === from && piece.to === to && !taken.includes(piece.item)) ??
      weekly.find(
        (piece) =>
          piece.span === null &&
          piece.days?.join() === on.join() &&
          (piece.from === from || piece.to === to) &&
          !taken.includes(piece.item),
      )
    if (old === undefined) return { days: on, from, to, span: null }
    taken.push(old.item)
    return { item: old.item, days: on, from, to, span: null }
  })
}

function painted(day: number, from: number, to: number, opens: boolean): [number, number][][] {
  return stretches.value.map((open, index) => {
    if (index !== day) return open
    const rest = open.flatMap(
      ([begin, end]): [number, number][] =>
        [
          [begin, Math.min(end, from)],
          [Math.max(begin, to), end],
        ].filter(([a = 0, b = 0]) => a < b) as [number, number][],
    )
    return joined(opens ? [...rest, [from, to]] : rest)
  })
}

const shown = computed(() =>
  stroke.value === undefined
    ? stretches.value
    : painted(
        stroke.value.day,
        Math.min(stroke.value.from, stroke.value.to),
        Math.max(stroke.value.from, stroke.value.to) + GRAIN,
        stroke.value.opens,
      ),
)

function place(event: PointerEvent): { day: number; minute: number } {
  const frame = board.value?.getBoundingClientRect() ?? new DOMRect()
  const day = Math.max(0, Math.min(6, Math.floor(((event.clientY - frame.top) / frame.height) * 7)))
  const minute = Math.max(
    0,
    Math.min(DAY - GRAIN, Math.floor((((event.clientX - frame.left) / frame.width) * DAY) / GRAIN) * GRAIN),
  )
  return { day, minute }
}

function isOpen(day: number, minute: number): boolean {
  return stretches.value[day]?.some(([from, to]) => from <= minute && minute < to) ?? false
}

function begin(event: PointerEvent): void {
  const { day, minute } = place(event)
  board.value?.setPointerCapture(event.pointerId)
  at.value = { day, minute }
  stroke.value = { day, from: minute, to: minute, opens: !isOpen(day, minute) }
}

function go(event: PointerEvent): void {
  if (stroke.value !== undefined) stroke.value = { ...stroke.value, to: place(event).minute }
}

function end(): void {
  const done = stroke.value
  stroke.value = undefined
  if (done !== undefined)
    void keep(done.day, Math.min(done.from, done.to), Math.max(done.from, done.to) + GRAIN, done.opens)
}

async function keep(day: number, from: number, to: number, opens: boolean): Promise<void> {
  const week = painted(day, from, to, opens)
  ahead.value = week
  underWay++
  await paint(pieces(week))
  // What is kept by now is what was painted last, or what was there where that was refused.
  if (--underWay === 0) ahead.value = undefined
}

const STEPS: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -STEP],
  ArrowRight: [0, STEP],
}

function onKey(event: KeyboardEvent): void {
  const step = STEPS[event.key]
  if (step !== undefined) {
    const day = Math.max(0, Math.min(6, at.value.day + step[0]))
    const minute = Math.max(0, Math.min(DAY - STEP, at.value.minute + step[1]))
    if (event.shiftKey && step[1] !== 0) {
      const opens = isOpen(at.value.day, at.value.minute)
      void keep(day, Math.min(minute, at.value.minute), Math.max(minute, at.value.minute) + STEP, opens)
    }
    at.value = { day, minute }
  } else if (event.key === ' ')
    void keep(at.value.day, at.value.minute, at.value.minute + STEP, !isOpen(at.value.day, at.value.minute))
  else return
  event.preventDefault()
  event.stopPropagation()
}

const where = computed(() => {
  const { day, minute } = at.value
  return `${NAMES[day] ?? ''} ${timeInWords(clock(minute))}, ${isOpen(day, minute) ? 'open' : 'closed'}`
})
const HELP = 'arrows move, Space opens or closes half an hour, Shift with an arrow runs on'

useKeysTold('in a week', {
  arrows: 'to another half hour',
  Space: 'open or close it',
  'Shift arrows': 'run on, open or closed as where one stands',
})
</script>

<template>
  <figure class="painter" :aria-label="label">
    <div class="hours" aria-hidden="true">
      <span v-for="hour in 13" :key="hour" :style="{ left: `${((hour - 1) / 12) * 100}%` }">{{
        hourInWords((hour - 1) * 2)
      }}</span>
    </div>
    <div class="names" aria-hidden="true">
      <span v-for="name in NAMES" :key="name">{{ name }}</span>
    </div>
    <!-- A board one paints on with the mouse; the keyboard has the arrows and Space, and says where it is. -->
    <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
    <!-- eslint-disable vuejs-accessibility/interactive-supports-focus -->
    <div
      ref="board"
      class="board"
      role="application"
      tabindex="0"
      :aria-label="`${label}: ${HELP}. Now at ${where}`"
      data-testid="painter"
      @pointerdown.prevent="begin"
      @pointermove="go"
      @pointerup="end"
      @keydown="onKey"
    >
      <div v-for="(day, index) in shown" :key="index" class="day">
        <b
          v-for="[from, to] in day"
          :key="from"
          :style="{ left: `${(from / DAY) * 100}%`, width: `${((to - from) / DAY) * 100}%` }"
          ><span v-if="to - from >= 120">{{ timeInWords(clock(from)) }}–{{ timeInWords(clock(to)) }}</span></b
        >
        <i
          v-if="at.day === index"
          class="caret"
          :style="{ left: `${(at.minute / DAY) * 100}%`, width: `${(STEP / DAY) * 100}%` }"
        />
      </div>
      <i v-for="hour in 11" :key="hour" class="grid" :style="{ left: `${(hour / 12) * 100}%` }" aria-hidden="true" />
    </div>
    <p class="visually-hidden" role="status">{{ where }}</p>
    <ul class="visually-hidden">
      <li v-for="(day, index) in shown" :key="index">
        {{ NAMES[index] }}:
        {{
          day.length === 0
            ? 'closed'
            : day.map(([from, to]) => `${timeInWords(clock(from))} to ${timeInWords(clock(to))}`).join(', ')
        }}
      </li>
    </ul>
  </figure>
</template>

<style scoped>
.painter {
  display: grid;
  grid-template-columns: 44px 1fr;
  grid-template-rows: 18px auto;
  margin: 10px 0 0;
}

.hours {
  position: relative;
  grid-column: 2;
  color: var(--ink-soft);
  font-size: 12px;
}

.hours span {
  position: absolute;
  transform: translateX(-50%);
}

.names {
  display: grid;
  grid-template-rows: repeat(7, 26px);
  align-items: center;
}

.board {
  position: relative;
  cursor: crosshair;
  touch-action: none;
  user-select: none;
}

.day {
  position: relative;
  height: 26px;
  border: solid var(--sheet);
  border-width: 3px 0;
  background: var(--shade);
}

.day b {
  position: absolute;
  top: 0;
  bottom: 0;
  padding-left: 5px;
  background: var(--gets-person);
  color: var(--sheet);
  font: 12px/20px var(--mono);
  overflow: hidden;
  white-space: nowrap;
}

.grid {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: color-mix(in srgb, var(--ink) 12%, transparent);
  pointer-events: none;
}

.caret {
  position: absolute;
  top: 1px;
  bottom: 1px;
  border: 1.5px solid transparent;
  pointer-events: none;
}

.board:focus-visible .caret {
  border-color: var(--buoy);
}
</style>
