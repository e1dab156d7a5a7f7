<script setup lang="ts">
import { computed, ref } from 'vue'
import { useKeysTold } from '@/shared'
import type { Ruler } from '@/api'
import { useDesk } from '../desk'

/**
 * Seconds along the line, a bar for each phone in ring order, the limit as a line one can drag; whoever is never
 * reached is struck through.
 */
const props = defineProps<{ ruler: Ruler; label: string; mayMove?: boolean }>()
const emit = defineEmits<{ limit: [seconds: number] }>()

const { names } = useDesk()
const chart = ref<HTMLElement>()
const dragged = ref<number>()

const limit = computed(() => dragged.value ?? props.ruler.limit)
const until = computed(() => {
  const longest = Math.max(props.ruler.limit ?? 0, ...props.ruler.bars.map((bar) => bar.to), props.ruler.ring * 4)
  return Math.ceil((longest * 1.12) / props.ruler.ring) * props.ruler.ring
})
const tick = computed(() => [5, 10, 20, 30, 60, 120, 300].find((each) => until.value / each <= 10) ?? 600)
const ticks = computed(() =>
  Array.from({ length: Math.floor(until.value / tick.value) + 1 }, (_, index) => index * tick.value),
)
const rows = computed(() => {
  const byItem = new Map<string, Ruler['bars']>()
  for (const bar of props.ruler.bars) byItem.set(bar.item, [...(byItem.get(bar.item) ?? []), bar])
  return [...byItem.entries()].map(([item, bars]) => ({
    item,
    bars,
    object: names.value.get(bars[0]?.who ?? ''),
    who: names.value.of(bars[0]?.who ?? '') || 'nobody',
  }))
})

const at = (seconds: number): string => `${(seconds / until.value) * 100}%`

function box(from: number, to: number): Record<string, string> {
  return { left: at(from), width: at(to - from) }
}

function heard(bar: Ruler['bars'][number]): number {
  return limit.value === null ? bar.to : Math.max(bar.from, Math.min(bar.to, limit.value))
}

function reach(bar: Ruler['bars'][number]): string {
  if (bar.isPassedOver) return 'is passed over'
  if (bar.from === bar.to) return 'takes the call here'
  if (bar.reached === 'never') return `is never reached: its turn would come at ${bar.from} s`
  const cut = bar.reached === 'cut' ? ', cut short' : ''
  const taken = bar.mailboxAt === null ? '' : `; its own mailbox answers at ${bar.mailboxAt} s`
  return `rings from ${bar.from} s to ${Math.min(bar.to, props.ruler.limit ?? bar.to)} s${cut}${taken}`
}

function seconds(event: PointerEvent): number {
  const frame = chart.value?.getBoundingClientRect()
  if (frame === undefined) return 0
  return Math.max(
    props.ruler.ring,
    Math.round((((event.clientX - frame.left) / frame.width) * until.value) / props.ruler.ring) * props.ruler.ring,
  )
}

function drag(event: PointerEvent): void {
  if (!props.mayMove) return
  ;(event.target as HTMLElement).setPointerCapture(event.pointerId)
  dragged.value = seconds(event)
}

function move(event: PointerEvent): void {
  if (dragged.value !== undefined) dragged.value = seconds(event)
}

function drop(): void {
  const to = dragged.value
  dragged.value = undefined
  if (to !== undefined && to !== props.ruler.limit) emit('limit', to)
}

function step(by: number): void {
  if (props.ruler.limit !== null) emit('limit', Math.max(props.ruler.ring, props.ruler.limit + by * props.ruler.ring))
}

useKeysTold('on a ruler', { '← →': 'move the limit by a ring' })
</script>

<template>
  <figure class="ruler" :aria-label="label">
    <div class="picture">
      <div class="axis" aria-hidden="true">
        <span v-for="each in ticks" :key="each" :style="{ left: at(each) }">{{ each }} s</span>
      </div>
      <div class="who" aria-hidden="true">
        <div v-for="row in rows" :key="row.item" class="name">
          <span>{{ row.who }}</span> <span class="mono soft">{{ row.object?.extension }}</span>
        </div>
      </div>
      <div ref="chart" class="chart">
        <i v-for="each in ticks" :key="each" class="grid" :style="{ left: at(each) }" />
        <div v-for="row in rows" :key="row.item" class="row" aria-hidden="true">
          <template v-for="bar in row.bars" :key="bar.pass">
            <b
              v-if="bar.to > bar.from"
              class="bar"
              :class="{ passed: bar.isPassedOver, outside: bar.who?.startsWith('outside:') }"
              :style="box(bar.from, heard(bar))"
              :title="reach(bar)"
              ><u
                v-for="ring in Math.max(0, Math.ceil((heard(bar) - bar.from) / ruler.ring) - 1)"
                :key="ring"
                :style="{ left: `${((ring * ruler.ring) / (heard(bar) - bar.from)) * 100}%` }"
            /></b>
            <b v-if="heard(bar) < bar.to" class="beyond" :style="box(heard(bar), bar.to)" :title="reach(bar)" />
            <b
              v-if="bar.mailboxAt !== null && !bar.isPassedOver"
              class="mailbox"
              :style="box(bar.mailboxAt, Math.max(bar.mailboxAt + ruler.ring / 2, heard(bar)))"
              title="its own mailbox answers"
            />
            <b
              v-if="bar.from === bar.to"
              class="end"
              :class="{ dead: bar.reached === 'never' }"
              :style="{ left: at(bar.from) }"
            />
          </template>
        </div>
        <!-- A slider where the limit may be moved, a mere line elsewhere. -->
        <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
        <div
          v-if="limit !== null"
          class="limit"
          :class="{ movable: mayMove }"
          :style="{ left: at(limit) }"
          :role="mayMove ? 'slider' : undefined"
          :tabindex="mayMove ? 0 : undefined"
          :aria-label="mayMove ? 'No-answer limit' : undefined"
          :aria-valuenow="limit"
          :aria-valuemin="ruler.ring"
          :aria-valuemax="until"
          :aria-valuetext="`${limit} s`"
          @pointerdown.prevent="drag"
          @pointermove="move"
          @pointerup="drop"
          @keydown.left.prevent.stop="step(-1)"
          @keydown.right.prevent.stop="step(1)"
        >
          <span>limit {{ limit }} s</span>
        </div>
      </div>
    </div>
    <figcaption class="soft">{{ ruler.words }}</figcaption>
    <ul class="visually-hidden">
      <li v-for="bar in ruler.bars" :key="`${bar.item} ${bar.pass}`">{{ names.of(bar.who) }} {{ reach(bar) }}</li>
    </ul>
  </figure>
</template>

<style scoped>
.ruler {
  margin: 8px 0 0;
}

.picture {
  display: grid;
  grid-template-columns: minmax(110px, 180px) 1fr;
  grid-template-rows: 20px auto;
}

.axis {
  position: relative;
  grid-column: 2;
  color: var(--ink-soft);
  font-size: 12px;
}

.axis span {
  position: absolute;
  transform: translateX(-50%);
  white-space: nowrap;
}

.axis span:first-child {
  transform: none;
}

.name {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  height: 30px;
  padding-right: 14px;
  align-items: center;
  overflow: hidden;
  white-space: nowrap;
}

.chart {
  position: relative;
  padding-bottom: 24px;
}

.grid {
  position: absolute;
  top: 0;
  bottom: 20px;
  width: 1px;
  background: var(--rule-soft);
}

.row {
  position: relative;
  height: 30px;
}

.row b {
  position: absolute;
  top: 7px;
  height: 16px;
}

.bar {
  background: var(--gets-person);
}

.bar.outside {
  background: var(--gets-outside);
}

.bar.passed {
  background: none;
  border: 1px dashed var(--ink-soft);
}

.bar u {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: var(--sheet);
}

.beyond {
  border: 1px solid var(--red);
  background: linear-gradient(transparent 7px, var(--red) 7px 8px, transparent 8px);
}

.mailbox {
  background: var(--gets-mailbox);
}

.end {
  width: 10px;
  height: 16px;
  border-left: 3px solid var(--ink);
}

.end.dead {
  border-color: var(--red);
}

.limit {
  position: absolute;
  top: -4px;
  bottom: 0;
  width: 2px;
  background: var(--buoy);
}

.limit.movable {
  cursor: ew-resize;
}

/* A line of two pixels is no handle. */
.limit.movable::before {
  content: '';
  position: absolute;
  inset: 0 -8px;
}

.limit span {
  position: absolute;
  bottom: 0;
  left: 0;
  padding: 1px 8px;
  background: var(--buoy-fill);
  color: var(--on-buoy);
  font-size: 12px;
  white-space: nowrap;
}
</style>
