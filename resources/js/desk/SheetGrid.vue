<script setup lang="ts">
import { computed, nextTick, ref, useId, watch } from 'vue'
import type { BookObject } from '@/api'
import { asSentence, kindsInWords, plural, useLongList } from '@/shared'
import { pastedCells, read, shown, suggested, typedOf } from './cells'
import { columnsOf, type Column } from './columns'
import { cellKey, type Edit, useDesk, useDraft } from './desk'
import { valueAt, same } from './values'

/** `after` is a last column that only shows; `struck` are lines that have no effect. */
const props = defineProps<{
  kind: BookObject['kind']
  objects: BookObject[]
  selected?: string | undefined
  after?: string
  struck?: string[]
}>()
const emit = defineEmits<{ select: [ref: string] }>()

const LINE_HEIGHT = 34
const MOST_WIDE = 136

const { names, notice } = useDesk()
const { faults, changes, clashes, edit } = useDraft()
const id = useId()
const grid = ref<HTMLElement>()
// A reference inside a loop is a list; one editor is open at most.
const editor = ref<HTMLInputElement[]>()
const at = ref({
  row: Math.max(
    0,
    props.objects.findIndex((object) => object.ref === props.selected),
  ),
  column: 0,
})
/** The other corner of the block that is marked; where the caret is, if none is. */
const anchor = ref({ ...at.value })
const editing = ref<{ row: number; column: number; typed: string }>()

const columns = computed(() => columnsOf(props.kind))
const pending = computed(() => new Set(changes.value.map((change) => cellKey(change.object, change.path ?? ''))))
const clashing = computed(() => new Set(clashes.value.map((clash) => cellKey(clash.object, clash.path ?? ''))))

function keyOf(object: BookObject, column: Column): string {
  return cellKey(object.ref, column.path(object) ?? '')
}

function textOf(object: BookObject, column: Column): string {
  if (column.shows !== undefined) return column.shows(object)
  const path = column.path(object)
  return (
    faults.get(keyOf(object, column))?.typed ??
    shown(path === null ? null : valueAt(object.fields, path), column, names.value)
  )
}

/** Columns as wide as their longest text, so that they do not move as other lines come into view. */
const widths = computed(() =>
  isLong.value
    ? columns.value.map(
        (column) =>
          `min(${MOST_WIDE}px, ${Math.max(...props.objects.map((object) => textOf(object, column).length)) + 1}ch)`,
      )
    : [],
)

const block = computed(() => ({
  top: Math.min(at.value.row, anchor.value.row),
  bottom: Math.max(at.value.row, anchor.value.row),
  left: Math.min(at.value.column, anchor.value.column),
  right: Math.max(at.value.column, anchor.value.column),
}))
const isBlock = computed(() => block.value.top !== block.value.bottom || block.value.left !== block.value.right)

function isMarked(row: number, column: number): boolean {
  return (
    isBlock.value &&
    row >= block.value.top &&
    row <= block.value.bottom &&
    column >= block.value.left &&
    column <= block.value.right
  )
}

const { isLong, drawn, show } = useLongList(
  () => props.objects.length,
  () => grid.value?.closest<HTMLElement>('.sheet') ?? null,
  LINE_HEIGHT,
)
const inView = computed(() =>
  props.objects
    .slice(drawn.value.from, drawn.value.to)
    .map((object, index) => ({ object, row: drawn.value.from + index })),
)

watch(
  () => props.objects[at.value.row]?.ref,
  (ref) => {
    if (ref !== undefined && ref !== props.selected) emit('select', ref)
  },
)
// A finding, a link or the command box chose another line.
watch(
  () => props.selected,
  (ref) => {
    const row = props.objects.findIndex((object) => object.ref === ref)
    if (row < 0 || row === at.value.row) return
    at.value = { row, column: at.value.column }
    anchor.value = { ...at.value }
    show(row)
  },
)

const suggestions = computed(() => {
  const open = editing.value
  const column = open === undefined ? undefined : columns.value[open.column]
  return column === undefined ? [] : suggested(column, names.value)
})

/** While a block grows, the focus moves and its first corner stays. */
let stretching = false

function onFocus(row: number, column: number): void {
  at.value = { row, column }
  if (!stretching) anchor.value = { row, column }
  stretching = false
}

function focusAt(row: number, column: number, stretch = false): void {
  at.value = {
    row: Math.max(0, Math.min(props.objects.length - 1, row)),
    column: Math.max(0, Math.min(columns.value.length - 1, column)),
  }
  if (!stretch) anchor.value = { ...at.value }
  stretching = stretch
  show(at.value.row)
  void nextTick(() => grid.value?.querySelector<HTMLElement>('td[tabindex="0"]')?.focus())
}

/** @param typed what replaces the cell's text, where somebody began to type on the cell */
function open(row: number, column: number, typed?: string): void {
  const object = props.objects[row]
  const field = columns.value[column]
  const path = object === undefined ? null : field?.path(object)
  at.value = { row, column }
  anchor.value = { row, column }
  if (object === undefined || field === undefined || path === null || path === undefined) return
  const held = faults.get(keyOf(object, field))?.typed
  editing.value = { row, column, typed: typed ?? held ?? typedOf(valueAt(object.fields, path), field, names.value) }
  void nextTick(() => {
    editor.value?.[0]?.focus()
    if (typed === undefined) editor.value?.[0]?.select()
  })
}

function edited(row: number, column: number, typed: string): (Edit & { typed: string }) | undefined {
  const object = props.objects[row]
  const field = columns.value[column]
  const path = object === undefined ? null : field?.path(object)
  if (object === undefined || field === undefined || path === null || path === undefined) return undefined
  const current = valueAt(object.fields, path)
  const result = read(typed, field)
  if ('fault' in result) {
    faults.set(cellKey(object.ref, path), { typed, detail: result.fault })
    return undefined
  }
  if (
    (same(result.value, current ?? null) || typed.trim() === typedOf(current, field, names.value)) &&
    !clashing.value.has(cellKey(object.ref, path))
  ) {
    faults.delete(cellKey(object.ref, path))
    return undefined
  }
  return { object: object.ref, path, value: result.value, typed }
}

function commit(): void {
  const done = editing.value
  if (done === undefined) return
  editing.value = undefined
  const change = edited(done.row, done.column, done.typed)
  if (change !== undefined) void edit([change])
}

function cancel(): void {
  const open = editing.value
  editing.value = undefined
  if (open !== undefined) focusAt(open.row, open.column)
}

function commitAndMove(down: number, right: number): void {
  const from = editing.value ?? at.value
  commit()
  focusAt(from.row + down, from.column + right)
}

function onEditorKey(event: KeyboardEvent): void {
  if (event.key === 'Escape') cancel()
  else if (event.key === 'Enter') commitAndMove(event.shiftKey ? -1 : 1, 0)
  else if (event.key === 'Tab') commitAndMove(0, event.shiftKey ? -1 : 1)
  else return
  event.preventDefault()
  event.stopPropagation()
}

const STEPS: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

function onCellKey(event: KeyboardEvent, row: number, column: number): void {
  if (editing.value !== undefined || event.altKey) return
  if (event.ctrlKey || event.metaKey) {
    if (event.key.toLowerCase() !== 'd') return
    fillDown()
    event.preventDefault()
    event.stopPropagation()
    return
  }
  const step = STEPS[event.key]
  const object = props.objects[row]
  const field = columns.value[column]
  if (step !== undefined) focusAt(row + step[0], column + step[1], event.shiftKey)
  else if (event.key === 'Home') focusAt(row, 0)
  else if (event.key === 'End') focusAt(row, columns.value.length - 1)
  else if (event.key === 'Enter' || event.key === 'F2') open(row, column)
  else if (event.key === 'Delete') overBlock(() => '')
  else if (event.key === 'Escape' && object !== undefined && field !== undefined) faults.delete(keyOf(object, field))
  else if (event.key.length === 1 && /[\p{L}\p{N}+]/u.test(event.key)) open(row, column, event.key)
  else return
  event.preventDefault()
  event.stopPropagation()
}

/** Every cell of the marked block set to a text: all of it or nothing. */
function overBlock(text: (row: number, column: number) => string, from = block.value.top): void {
  const { bottom, left, right } = block.value
  const changes: (Edit & { typed: string })[] = []
  for (let row = from; row <= bottom; row++) {
    for (let column = left; column <= right; column++) {
      const change = edited(row, column, text(row, column))
      if (change !== undefined) changes.push(change)
    }
  }
  if (changes.length > 0) void edit(changes)
}

function typedAt(row: number, column: number): string {
  const object = props.objects[row]
  const field = columns.value[column]
  const path = object === undefined ? null : field?.path(object)
  if (object === undefined || field === undefined) return ''
  return path === null || path === undefined
    ? textOf(object, field)
    : typedOf(valueAt(object.fields, path), field, names.value)
}

/** The top line of the block into the lines under it; of a single cell, the cell above it. */
function fillDown(): void {
  if (isBlock.value && block.value.top < block.value.bottom)
    overBlock((_row, column) => typedAt(block.value.top, column), block.value.top + 1)
  else if (at.value.row > 0) overBlock((row, column) => typedAt(row - 1, column))
}

function onCopy(event: ClipboardEvent): void {
  if (editing.value !== undefined) return
  event.preventDefault()
  const rows = []
  for (let row = block.value.top; row <= block.value.bottom; row++)
    rows.push(
      Array.from({ length: block.value.right - block.value.left + 1 }, (_, index) =>
        typedAt(row, block.value.left + index),
      ).join('\t'),
    )
  event.clipboardData?.setData('text/plain', rows.join('\n'))
}

function onClick(event: MouseEvent, row: number, column: number): void {
  if (editing.value?.row === row && editing.value.column === column) return
  if (event.shiftKey) focusAt(row, column, true)
  else open(row, column)
}

/** A block from a spreadsheet goes in from this cell on; all of it or nothing. */
function onPaste(event: ClipboardEvent): void {
  if (editing.value !== undefined) return
  event.preventDefault()
  const cells = pastedCells(event.clipboardData?.getData('text/plain') ?? '')
  const from = { row: block.value.top, column: block.value.left }
  const faultsBefore = faults.size
  const changes = cells.flatMap((line, down) =>
    line.flatMap((text, right) => edited(from.row + down, from.column + right, text) ?? []),
  )
  const tooMany = from.row + cells.length - props.objects.length
  if (tooMany > 0)
    notice.value = {
      text: `The block has ${plural(tooMany, 'line')} more than the sheet from here on; those were left out.`,
      isFault: true,
    }
  if (faults.size > faultsBefore) {
    notice.value = {
      text:
        `${plural(faults.size - faultsBefore, 'cell')} of the block could not be read; nothing was ` +
        `pasted. Mend the marked cells, or paste again.`,
      isFault: true,
    }
    return
  }
  if (changes.length > 0) void edit(changes)
}
</script>

<template>
  <div ref="grid" class="grid" @paste="onPaste" @copy="onCopy">
    <table role="grid" :aria-label="kindsInWords(kind).many" :aria-rowcount="objects.length + 1">
      <thead>
        <tr>
          <th v-for="(column, index) in columns" :key="column.title" scope="col" :style="{ minWidth: widths[index] }">
            {{ column.title }}
          </th>
          <th v-if="after !== undefined" scope="col">{{ after }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="drawn.above > 0" aria-hidden="true">
          <td :style="{ height: `${drawn.above}px` }" class="space" />
        </tr>
        <tr
          v-for="{ object, row } in inView"
          :key="object.ref"
          :class="{ here: object.ref === selected, struck: struck?.includes(object.ref) }"
          :aria-rowindex="row + 2"
          :data-testid="`row-${object.ref}`"
        >
          <td
            v-for="(column, index) in columns"
            :key="column.title"
            role="gridcell"
            :tabindex="at.row === row && at.column === index ? 0 : -1"
            :class="{
              mono: column.type === 'extension' || column.type === 'seconds' || column.shows !== undefined,
              pending: pending.has(keyOf(object, column)),
              bad: faults.has(keyOf(object, column)) || clashing.has(keyOf(object, column)),
              soft: textOf(object, column) === '—',
              fixed: column.path(object) === null,
              marked: isMarked(row, index),
            }"
            :title="textOf(object, column).length > 18 ? textOf(object, column) : undefined"
            :aria-readonly="column.path(object) === null"
            :aria-invalid="faults.has(keyOf(object, column))"
            :aria-describedby="faults.has(keyOf(object, column)) ? `${id}-${row}-${index}` : undefined"
            @click="onClick($event, row, index)"
            @focus="onFocus(row, index)"
            @keydown="onCellKey($event, row, index)"
          >
            <input
              v-if="editing?.row === row && editing.column === index"
              ref="editor"
              v-model="editing.typed"
              type="text"
              size="4"
              autocomplete="off"
              :aria-label="`${column.title} of ${object.label}`"
              :list="suggestions.length > 0 ? `${id}-list` : undefined"
              @keydown="onEditorKey"
              @blur="commit"
              @paste.stop
            />
            <template v-else>{{ textOf(object, column) }}</template>
            <span
              v-if="faults.has(keyOf(object, column))"
              :id="`${id}-${row}-${index}`"
              class="fault small"
              role="alert"
              >{{ asSentence(faults.get(keyOf(object, column))?.detail ?? '') }}</span
            >
          </td>
          <td v-if="after !== undefined" role="gridcell" class="after"><slot name="after" :object /></td>
        </tr>
        <tr v-if="drawn.below > 0" aria-hidden="true">
          <td :style="{ height: `${drawn.below}px` }" class="space" />
        </tr>
      </tbody>
    </table>
    <datalist :id="`${id}-list`">
      <option v-for="suggestion in suggestions" :key="suggestion" :value="suggestion" />
    </datalist>
  </div>
</template>

<style scoped>
.grid {
  overflow-x: auto;
}

td {
  position: relative;
  height: 34px;
  min-width: 56px;
  max-width: 136px;
  padding-block: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: text;
  vertical-align: middle;
}

td:has(input, .fault) {
  overflow: visible;
}

td.space {
  padding: 0;
  border: 0;
}

tr.struck td:not(.after) {
  color: var(--ink-soft);
  text-decoration: line-through;
}

td.after {
  max-width: none;
  white-space: normal;
  cursor: default;
}

tr.here td {
  background: var(--shade);
}

td.marked {
  background: color-mix(in srgb, var(--teal) 14%, transparent);
}

td.fixed {
  cursor: default;
}

td.pending {
  background: color-mix(in srgb, var(--buoy) 9%, transparent);
  box-shadow: inset 2px 0 var(--buoy);
}

td.bad {
  box-shadow: inset 2px 0 var(--red);
}

td:focus-visible {
  outline-offset: -2px;
}

td input {
  width: 100%;
  margin: -2px -4px;
  padding: 1px 4px;
  border: 0;
  border-radius: var(--corner);
  background: var(--sheet);
}

.fault {
  display: block;
  font-family: var(--sans);
  max-width: 240px;
  white-space: normal;
}
</style>
