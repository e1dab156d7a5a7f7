<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { useDesk } from '../desk'
import type { Workplace } from '../seating'

/**
 * The plan of a floor with its workplaces as pins. A pin is dragged, or moved with the arrows; `Shift` makes steps
 * longer.
 */
const { places, picture } = defineProps<{
  places: readonly Workplace[]
  picture: { address: string; width: number; height: number } | undefined
}>()
const chosen = defineModel<string | undefined>('chosen', { required: true })
const emit = defineEmits<{
  moved: [item: string, across: number, down: number]
  added: [across: number, down: number]
  removed: [item: string]
}>()

const { names, mayEdit } = useDesk()
const board = ref<HTMLElement>()
/** The pin under way, where it is meanwhile. */
const under = ref<{ item: string; across: number; down: number }>()

const said = (place: Workplace): string => (place.who == null ? 'free' : names.value.of(place.who))
const ratio = computed(() => (picture === undefined ? '16 / 8' : `${picture.width} / ${picture.height}`))
const at = (place: Workplace): { across: number; down: number } =>
  under.value?.item === place.item ? under.value : place
const where = (place: Workplace): Record<string, string> => ({
  left: `${at(place).across / 10}%`,
  top: `${at(place).down / 10}%`,
})

function within(event: MouseEvent): { across: number; down: number } | undefined {
  const box = board.value?.getBoundingClientRect()
  if (box === undefined || box.width === 0) return undefined
  return {
    across: Math.min(1000, Math.max(0, Math.round(((event.clientX - box.left) / box.width) * 1000))),
    down: Math.min(1000, Math.max(0, Math.round(((event.clientY - box.top) / box.height) * 1000))),
  }
}

function begin(event: PointerEvent, place: Workplace): void {
  chosen.value = place.item
  if (!mayEdit.value) return
  const button = event.currentTarget as HTMLElement
  button.setPointerCapture(event.pointerId)
  under.value = { item: place.item, across: place.across, down: place.down }
}

function go(event: PointerEvent): void {
  const to = under.value === undefined ? undefined : within(event)
  if (to !== undefined && under.value !== undefined) under.value = { ...under.value, ...to }
}

function put(): void {
  const to = under.value
  under.value = undefined
  const place = places.find((each) => each.item === to?.item)
  if (to === undefined || place === undefined) return
  // A hand that only points moves a little.
  if (Math.abs(to.across - place.across) + Math.abs(to.down - place.down) > 3)
    emit('moved', to.item, to.across, to.down)
}

const STEPS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-10, 0],
  ArrowRight: [10, 0],
  ArrowUp: [0, -10],
  ArrowDown: [0, 10],
}
function press(event: KeyboardEvent, place: Workplace): void {
  if (!mayEdit.value) return
  if (event.key === 'Delete') emit('removed', place.item)
  const step = STEPS[event.key]
  if (step === undefined) return
  event.preventDefault()
  event.stopPropagation()
  const [right, lower] = step.map((each) => each * (event.shiftKey ? 5 : 1)) as [number, number]
  const { across, down } = at(place)
  under.value = {
    item: place.item,
    across: Math.min(1000, Math.max(0, across + right)),
    down: Math.min(1000, Math.max(0, down + lower)),
  }
}

function add(event: MouseEvent): void {
  const to = within(event)
  if (to !== undefined) emit('added', to.across, to.down)
}

/** A key presses the sheet where no hand points. */
function pressed(event: MouseEvent): void {
  if (event.detail === 0) emit('added', 500, 500)
}

/** For a pin that was just made. */
async function focus(item: string): Promise<void> {
  await nextTick()
  board.value?.querySelector<HTMLElement>(`[data-item="${item}"]`)?.focus()
}
defineExpose({ focus })
</script>

<template>
  <div
    ref="board"
    class="board"
    data-testid="plan"
    role="group"
    aria-label="Plan with its workplaces"
    :style="{ aspectRatio: ratio }"
  >
    <img v-if="picture !== undefined" :src="picture.address" alt="" draggable="false" />
    <p v-if="picture === undefined" class="soft">
      No picture of this floor yet; pins stand on a plain sheet meanwhile.
    </p>
    <button
      v-if="mayEdit"
      type="button"
      class="sheet"
      aria-label="Put a workplace here"
      @click="pressed"
      @dblclick="add"
    />
    <button
      v-for="place in places"
      :key="place.item"
      type="button"
      class="pin"
      :class="{ chosen: place.item === chosen, free: place.who == null, leftwards: at(place).across > 800 }"
      :style="where(place)"
      :data-item="place.item"
      :aria-pressed="place.item === chosen"
      @click="chosen = place.item"
      @focus="chosen = place.item"
      @pointerdown="begin($event, place)"
      @pointermove="go"
      @pointerup="put"
      @pointercancel="under = undefined"
      @keydown="press($event, place)"
      @keyup="put"
      @blur="put"
    >
      <svg width="12" height="16" viewBox="0 0 12 16" aria-hidden="true">
        <path d="M6 15.5C2.5 10.6 1 8 1 5.6a5 5 0 0 1 10 0c0 2.4-1.5 5-5 9.9z" />
      </svg>
      <span
        >{{ said(place) }} <small v-if="place.room">{{ place.room }}</small></span
      >
    </button>
  </div>
</template>

<style scoped>
.board {
  position: relative;
  width: 100%;
  max-height: 520px;
  overflow: hidden;
  border: 1px solid var(--rule);
  background: var(--paper);
}

img {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}

.sheet {
  position: absolute;
  inset: 0;
  width: 100%;
  border: 0;
  background: none;
  cursor: crosshair;
}

.board > p {
  position: absolute;
  right: 10px;
  bottom: 4px;
  margin: 0;
  pointer-events: none;
}

.pin {
  position: absolute;
  display: flex;
  gap: 2px;
  align-items: flex-start;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 13px;
  white-space: nowrap;
  cursor: grab;
  touch-action: none;
  transform: translate(-6px, -16px);
}

.pin.leftwards {
  flex-direction: row-reverse;
  transform: translate(calc(-100% + 6px), -16px);
}

.pin path {
  fill: var(--teal);
}

.pin.free path {
  fill: var(--paper);
  stroke: var(--teal);
}

.pin span {
  padding: 0 3px;
  background: color-mix(in srgb, var(--paper) 82%, transparent);
  line-height: 1.25;
  text-align: left;
}

.pin.free span {
  color: var(--ink-soft);
}

.pin small {
  display: block;
  color: var(--ink-soft);
}

.pin.chosen span {
  outline: 2px solid var(--buoy);
}
</style>
