<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, onScopeDispose, ref, useId, watch } from 'vue'
import { kindsInWords, useKeysTold, useLongList } from '@/shared'
import type { Spot } from './block'
import ColumnMenu from './ColumnMenu.vue'
import { createSheet, provideSheet, type SheetProps } from './sheet'
import SheetBar from './SheetBar.vue'
import SheetLine from './SheetLine.vue'
import { same } from '../values'

/** `struck` are lines that have no effect. */
const props = defineProps<SheetProps & { struck?: string[] }>()
const emit = defineEmits<{ select: [ref: string] }>()

/** Pixels, as the styles have them. */
const LINE_HEIGHT = 34
const HEAD_HEIGHT = 30
const GUTTER = 42
/** Sheets of fewer lines are taken in at a glance. */
const FEW = 5
const TRIES = 5
const EDGE = 24

const id = useId()
const grid = ref<HTMLElement>()
const table = ref<HTMLElement>()
const bar = ref<InstanceType<typeof SheetBar>>()
const { width: wide } = useElementSize(grid)

/** The caret's cell may be drawn a frame or two after it came into view. */
function focusCaret(tries = TRIES): void {
  void nextTick(() => {
    const cell = grid.value?.querySelector<HTMLElement>('td[tabindex="0"]')
    if (cell !== null && cell !== undefined) {
      if (sheet.editing.value === undefined) cell.focus({ preventScroll: isLong.value })
      cell.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    } else if (tries > 0)
      requestAnimationFrame(() => {
        focusCaret(tries - 1)
      })
  })
}

const sheet = provideSheet(
  createSheet(
    props,
    {
      page: () => Math.max(1, Math.floor(((grid.value?.clientHeight ?? 0) - HEAD_HEIGHT) / LINE_HEIGHT) - 1),
      room: () => wide.value - GUTTER,
      show: (row) => {
        show(row)
      },
      focus: focusCaret,
    },
    (ref) => {
      emit('select', ref)
    },
  ),
)
const { columns, lines, widths, stays, order, at } = sheet

const { isLong, drawn, show } = useLongList(
  () => lines.value.length,
  () => grid.value ?? null,
  LINE_HEIGHT,
  HEAD_HEIGHT,
)
const inView = computed(() =>
  lines.value
    .slice(drawn.value.from, drawn.value.to)
    .map((object, index) => ({ object, row: drawn.value.from + index })),
)
// The caret's line may be scrolled out of what is drawn: keys go on from it all the same.
watch(
  drawn,
  ({ from, to }) => {
    const isHere = grid.value?.contains(document.activeElement) === true && document.activeElement?.tagName === 'TD'
    if (isHere && (at.value.row < from || at.value.row >= to)) table.value?.focus({ preventScroll: true })
  },
  { flush: 'pre' },
)

/** The same list where nothing changed, as each line hangs on it. */
const lefts = computed<number[]>((were) => {
  let left = GUTTER
  const are = widths.value.slice(0, stays.value).map((width) => {
    const from = left
    left += width
    return from
  })
  return were !== undefined && same(were, are) ? were : are
})
const sorted = (title: string): 'ascending' | 'descending' | undefined =>
  order.value?.by === title ? (order.value.isDown ? 'descending' : 'ascending') : undefined

// Marking by mouse.
type Sort = 'cells' | 'rows' | 'columns' | 'fill'
let drawing: Sort | undefined
let pointer = { x: 0, y: 0 }

function spotOf(target: EventTarget | null): Spot | undefined {
  const cell = target instanceof Element ? target.closest<HTMLElement>('[data-column], [data-row]') : null
  if (cell === null) return undefined
  const row = cell.dataset['row'] ?? cell.parentElement?.querySelector<HTMLElement>('[data-row]')?.dataset['row']
  return { row: Number(row ?? 0), column: Number(cell.dataset['column'] ?? 0) }
}

function sortOf(target: Element): Sort | undefined {
  if (target.closest('.handle') !== null) return 'fill'
  if (target.closest('thead [data-column]') !== null) return 'columns'
  if (target.closest('th[data-row]') !== null) return 'rows'
  return target.closest('td[data-column]') === null ? undefined : 'cells'
}

function onDown(event: PointerEvent): void {
  const target = event.target instanceof Element ? event.target : null
  const spot = spotOf(target)
  const sort = target === null ? undefined : sortOf(target)
  if (event.button !== 0 || spot === undefined || sort === undefined || target?.closest('button') !== null) return
  // The pressed cell takes the focus by itself, and text is not marked while cells are.
  event.preventDefault()
  sheet.commit()
  drawing = sort
  const from = event.shiftKey ? at.value : spot
  if (sort === 'columns') sheet.markColumns(from.column, spot.column)
  else if (sort === 'rows') sheet.markRows(from.row, spot.row)
  else if (sort === 'cells') sheet.goTo(spot, { isStretched: event.shiftKey, isAtOnce: true })
  window.addEventListener('pointerup', onUp)
  window.addEventListener('pointermove', onMove)
  requestAnimationFrame(scrollAtEdge)
}

function onOver(event: PointerEvent): void {
  if (drawing === undefined) return
  const spot = spotOf(event.target)
  if (spot === undefined) return
  if (drawing === 'fill') sheet.drawFill(spot)
  else if (drawing === 'columns') sheet.end.value = { row: lines.value.length - 1, column: spot.column }
  else if (drawing === 'rows') sheet.end.value = { row: spot.row, column: columns.value.length - 1 }
  else sheet.end.value = spot
}

function onMove(event: PointerEvent): void {
  pointer = { x: event.clientX, y: event.clientY }
}

/** Beyond the sheet's edge it scrolls along. */
function scrollAtEdge(): void {
  const box = grid.value?.getBoundingClientRect()
  if (drawing === undefined || box === undefined) return
  const by = (place: number, from: number, to: number): number =>
    place === 0 ? 0 : place > to - EDGE ? LINE_HEIGHT / 2 : place < from + EDGE ? -LINE_HEIGHT / 2 : 0
  grid.value?.scrollBy(
    drawing === 'rows' ? 0 : by(pointer.x, box.left, box.right),
    drawing === 'columns' ? 0 : by(pointer.y, box.top + HEAD_HEIGHT, box.bottom),
  )
  requestAnimationFrame(scrollAtEdge)
}

function onUp(): void {
  if (drawing === 'fill') sheet.fill()
  drawing = undefined
  pointer = { x: 0, y: 0 }
  window.removeEventListener('pointerup', onUp)
  window.removeEventListener('pointermove', onMove)
}
onScopeDispose(onUp)

function onDouble(event: MouseEvent): void {
  const target = event.target instanceof Element ? event.target : null
  const spot = spotOf(target)
  if (spot !== undefined && target !== null && sortOf(target) === 'cells') sheet.open(spot)
}

function onKey(event: KeyboardEvent): void {
  const held = event.ctrlKey || event.metaKey
  if (event.altKey && event.key === 'ArrowDown') menuAt.value = at.value.column
  else if (held && event.key.toLowerCase() === 'f' && props.objects.length > FEW) bar.value?.focus()
  else if (!sheet.onKey(event)) return
  event.preventDefault()
  event.stopPropagation()
}

function onFocusIn(event: FocusEvent): void {
  const target = event.target
  const spot = spotOf(target)
  if (!(target instanceof HTMLElement) || target.tagName !== 'TD' || spot === undefined) return
  if (spot.row === at.value.row && spot.column === at.value.column) return
  sheet.goTo(spot)
}

function clipboard(event: ClipboardEvent): DataTransfer | null {
  if (sheet.editing.value !== undefined) return null
  event.preventDefault()
  return event.clipboardData
}

function onPaste(event: ClipboardEvent): void {
  const text = clipboard(event)?.getData('text/plain') ?? ''
  if (text !== '') void sheet.paste(text)
}

function onCopy(event: ClipboardEvent): void {
  clipboard(event)?.setData('text/plain', sheet.copied())
  if (event.type === 'cut' && sheet.editing.value === undefined) sheet.overBlock(() => '')
}

const menuAt = ref<number>()
const heads = ref<HTMLElement[]>([])

useKeysTold('in a sheet', {
  arrows: 'to the next cell; with Ctrl to the last one',
  'Shift arrows': 'mark a block, also with Page Up and Down, Home and End',
  'Ctrl A': 'mark all',
  'Ctrl Space': 'mark whole columns, and with Shift whole lines',
  Enter: 'open the cell; any letter begins to type over it',
  Tab: 'keep what is typed and go on along the line',
  'Ctrl Enter': 'what is typed goes into every marked cell',
  Delete: 'empty the marked cells',
  'Ctrl D': 'the top line into the lines under it',
  'Ctrl C': 'copy the block, as a spreadsheet takes it',
  'Ctrl V': 'paste a block, with or without titles above it',
  'Ctrl F': 'find, or narrow the sheet to some lines',
  'Alt ↓': 'sort, narrow or leave out the column',
  Esc: 'leave a cell as it was, let go of what could not be kept',
})
</script>

<template>
  <SheetBar v-if="objects.length > FEW" ref="bar" :total="objects.length" />
  <!-- Keys, clicks and the clipboard of all cells are heard here: a thousand cells need no ears of their own. -->
  <div
    ref="grid"
    class="grid"
    :style="{ scrollPadding: `${HEAD_HEIGHT}px 0 0 ${GUTTER + widths.slice(0, stays).reduce((a, b) => a + b, 0)}px` }"
  >
    <table
      ref="table"
      role="grid"
      tabindex="-1"
      aria-multiselectable="true"
      :aria-label="kindsInWords(kind).many"
      :aria-rowcount="lines.length + 1"
      :style="{ minWidth: `${GUTTER + widths.reduce((a, b) => a + b, 0)}px` }"
      @keydown="onKey"
      @focusin="onFocusIn"
      @pointerdown="onDown"
      @pointerover="onOver"
      @dblclick="onDouble"
      @paste="onPaste"
      @copy="onCopy"
      @cut="onCopy"
    >
      <colgroup>
        <col :style="{ width: `${GUTTER}px` }" />
        <col v-for="(width, index) in widths" :key="index" :style="{ width: `${width}px` }" />
        <col />
      </colgroup>
      <thead>
        <tr>
          <th
            class="no corner"
            @pointerdown.prevent="sheet.mark({ row: 0, column: 0 }, { row: lines.length, column: columns.length })"
          >
            <span class="visually-hidden">Line</span>
          </th>
          <th
            v-for="(column, index) in columns"
            :key="column.id"
            ref="heads"
            scope="col"
            :data-column="index"
            :title="column.title"
            :class="{ stays: index < stays, last: index === stays - 1 }"
            :style="index < stays ? { left: `${lefts[index]}px` } : undefined"
            :aria-sort="sorted(column.title)"
          >
            <span class="head"
              ><span class="name">{{ column.title }}</span
              ><span v-if="sorted(column.title) !== undefined" aria-hidden="true">{{ order?.isDown ? '↓' : '↑' }}</span
              ><button
                type="button"
                tabindex="-1"
                class="menu"
                :aria-label="`Sort or narrow by ${column.title}`"
                @click="menuAt = menuAt === index ? undefined : index"
              >
                ▾
              </button></span
            >
          </th>
          <td class="rest" />
        </tr>
      </thead>
      <tbody>
        <tr v-if="drawn.above > 0" aria-hidden="true">
          <td :style="{ height: `${drawn.above}px` }" class="space" />
        </tr>
        <SheetLine
          v-for="{ object, row } in inView"
          :key="object.ref"
          :object
          :row
          :name="id"
          :lefts
          :class="{ here: object.ref === selected, struck: struck?.includes(object.ref) }"
          :data-testid="`row-${object.ref}`"
        />
        <tr v-if="drawn.below > 0" aria-hidden="true">
          <td :style="{ height: `${drawn.below}px` }" class="space" />
        </tr>
      </tbody>
    </table>
    <p v-if="lines.length === 0" class="soft none">No line has “{{ sheet.said.value }}”.</p>
  </div>
  <ColumnMenu
    v-if="menuAt !== undefined && columns[menuAt] !== undefined"
    :column="columns[menuAt]!"
    :head="heads[menuAt]"
    @left="menuAt = undefined"
    @narrow="bar?.focus()"
  />
</template>

<style scoped>
.grid {
  position: relative;
  max-height: max(280px, calc(100dvh - 330px));
  border: 1px solid var(--rule);
  overflow: auto;
  overscroll-behavior: contain;
}

table {
  width: 100%;
  border-collapse: separate;
  border-spacing: 0;
  table-layout: fixed;
  user-select: none;
}

thead th,
thead td {
  position: sticky;
  top: 0;
  z-index: 2;
  height: 30px;
  padding: 0 4px 0 8px;
  border-bottom: 1px solid var(--ink);
  background: var(--paper);
  overflow: hidden;
}

.head {
  display: flex;
  gap: 2px;
  align-items: center;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.menu {
  margin-left: auto;
  padding: 0 4px;
  border: 0;
  background: none;
  color: var(--ink-soft);
  cursor: pointer;
}

.grid :deep(.no) {
  position: sticky;
  left: 0;
  z-index: 1;
  padding: 0 8px 0 0;
  background: var(--paper);
  color: var(--ink-soft);
  font: 12px/1 var(--mono);
  text-align: right;
  vertical-align: middle;
  cursor: default;
}

.grid :deep(.stays) {
  position: sticky;
  z-index: 1;
  background: var(--sheet);
}

.grid :deep(.last) {
  border-right: 1px solid var(--rule);
}

thead .stays,
thead .no.corner {
  z-index: 3;
  background: var(--paper);
}

tbody :deep(td) {
  position: relative;
  height: 34px;
  padding-block: 0;
  border-bottom: 1px solid var(--rule-soft);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: cell;
  vertical-align: middle;
}

tbody :deep(.no) {
  border-bottom-color: var(--rule-soft);
}

tbody :deep(td.stays) {
  position: sticky;
}

tbody :deep(td:has(input, .fault)) {
  overflow: visible;
}

tbody :deep(td.space) {
  padding: 0;
  border: 0;
}

tbody :deep(tr.struck td) {
  color: var(--ink-soft);
  text-decoration: line-through;
}

tbody :deep(td.rest) {
  cursor: default;
}

tbody :deep(tr.here td) {
  background: var(--shade);
}

tbody :deep(td.found) {
  background: color-mix(in srgb, var(--ochre) 20%, var(--sheet));
}

tbody :deep(td.marked) {
  background: color-mix(in srgb, var(--teal) 16%, var(--sheet));
}

tbody :deep(td.filled) {
  background: color-mix(in srgb, var(--buoy) 14%, var(--sheet));
}

tbody :deep(td.fixed) {
  cursor: default;
}

tbody :deep(td.pending) {
  background: color-mix(in srgb, var(--buoy) 9%, var(--sheet));
  box-shadow: inset 2px 0 var(--buoy);
}

tbody :deep(td.pending.marked) {
  background: color-mix(in srgb, var(--teal) 16%, var(--sheet));
}

tbody :deep(td.sending) {
  color: var(--ink-soft);
}

tbody :deep(td.bad) {
  box-shadow: inset 2px 0 var(--red);
}

.grid:focus-within :deep(td.caret) {
  outline: 2px solid var(--focus);
  outline-offset: -2px;
}

tbody :deep(td input) {
  width: 100%;
  margin: -2px -4px;
  padding: 1px 4px;
  border: 0;
  border-radius: var(--corner);
  background: var(--sheet);
  user-select: text;
}

tbody :deep(.fault) {
  display: block;
  max-width: 260px;
  font-family: var(--sans);
  white-space: normal;
}

/* Drawn over the cells it continues into. */
tbody :deep(.handle) {
  display: none;
  position: absolute;
  right: 0;
  bottom: 0;
  width: 9px;
  height: 9px;
  border: solid var(--sheet);
  border-width: 1px 0 0 1px;
  background: var(--focus);
  cursor: crosshair;
}

.grid:focus-within :deep(.handle) {
  display: block;
}

.none {
  padding: 12px;
}
</style>
