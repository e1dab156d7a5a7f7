<script setup lang="ts">
import { computed, nextTick, ref, useId } from 'vue'
import type { BookObject } from '@/api'
import { kindsInWords, plural } from '@/shared'
import { pastedCells, read, shown, typedOf } from './cells'
import { columnsOf, type Column } from './columns'
import { cellKey, useDesk, type Edit } from './desk'
import { valueAt } from './values'

const props = defineProps<{ kind: BookObject['kind']; objects: BookObject[] }>()

const { names, faults, changes, clashes, edit, notice } = useDesk()
const id = useId()
const grid = ref<HTMLElement>()
// A reference inside a loop is a list; one editor is open at most.
const editor = ref<HTMLInputElement[]>()
const at = ref({ row: 0, column: 0 })
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
  return faults.get(keyOf(object, column))?.typed ?? shown(path === null ? null : valueAt(object.fields, path), column, names.value)
}

const suggestions = computed(() => {
  const open = editing.value
  const column = open === undefined ? undefined : columns.value[open.column]
  if (column === undefined) return []
  if (column.type === 'flag') return ['yes', 'no']
  if (column.type === 'choice') return Object.values(column.choices ?? {})
  if (column.type === 'zone') return Intl.supportedValuesOf('timeZone')
  if (column.kinds === undefined) return []
  return names.value.objects.filter((object) => column.kinds?.includes(object.kind)).map((object) => object.display ?? object.label)
})

function focusAt(row: number, column: number): void {
  at.value = { row: Math.max(0, Math.min(props.objects.length - 1, row)), column: Math.max(0, Math.min(columns.value.length - 1, column)) }
  void nextTick(() => grid.value?.querySelector<HTMLElement>('td[tabindex="0"]')?.focus())
}

/** @param typed what replaces the cell's text, where somebody began to type on the cell */
function open(row: number, column: number, typed?: string): void {
  const object = props.objects[row]
  const field = columns.value[column]
  const path = object === undefined ? null : field?.path(object)
  at.value = { row, column }
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
  const result = read(typed, field, names.value)
  if ('fault' in result) {
    faults.set(cellKey(object.ref, path), { typed, detail: result.fault })
    return undefined
  }
  if (JSON.stringify(result.value) === JSON.stringify(valueAt(object.fields, path)) && !clashing.value.has(cellKey(object.ref, path))) {
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

const STEPS: Record<string, [number, number]> = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }

function onCellKey(event: KeyboardEvent, row: number, column: number): void {
  if (editing.value !== undefined || event.altKey || event.ctrlKey || event.metaKey) return
  const step = STEPS[event.key]
  const object = props.objects[row]
  const field = columns.value[column]
  if (step !== undefined) focusAt(row + step[0], column + step[1])
  else if (event.key === 'Home') focusAt(row, 0)
  else if (event.key === 'End') focusAt(row, columns.value.length - 1)
  else if (event.key === 'Enter' || event.key === 'F2') open(row, column)
  else if (event.key === 'Delete') {
    const change = edited(row, column, '')
    if (change !== undefined) void edit([change])
  } else if (event.key === 'Escape' && object !== undefined && field !== undefined) faults.delete(keyOf(object, field))
  else if (event.key.length === 1 && /[\p{L}\p{N}+]/u.test(event.key)) open(row, column, event.key)
  else return
  event.preventDefault()
  event.stopPropagation()
}

/** A block from a spreadsheet goes in from this cell on; all of it or nothing. */
function onPaste(event: ClipboardEvent): void {
  if (editing.value !== undefined) return
  event.preventDefault()
  const block = pastedCells(event.clipboardData?.getData('text/plain') ?? '')
  const from = at.value
  const faultsBefore = faults.size
  const changes = block.flatMap((cells, down) => cells.flatMap((text, right) => edited(from.row + down, from.column + right, text) ?? []))
  const tooMany = from.row + block.length - props.objects.length
  if (tooMany > 0) notice.value = { text: `The block has ${plural(tooMany, 'line')} more than the sheet from here on; those were left out.`, isFault: true }
  if (faults.size > faultsBefore) {
    notice.value = { text: `${plural(faults.size - faultsBefore, 'cell')} of the block could not be read; nothing was pasted. Mend the marked cells, or paste again.`, isFault: true }
    return
  }
  if (changes.length > 0) void edit(changes)
}
</script>

<template>
  <div ref="grid" class="grid" @paste="onPaste">
    <table role="grid" :aria-label="kindsInWords(kind).many">
      <thead>
        <tr>
          <th v-for="column in columns" :key="column.title" scope="col">{{ column.title }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(object, row) in objects" :key="object.ref" :data-testid="`row-${object.ref}`">
          <td
            v-for="(column, index) in columns" :key="column.title" role="gridcell"
            :tabindex="at.row === row && at.column === index ? 0 : -1"
            :class="{ mono: column.type === 'extension' || column.type === 'seconds' || column.shows !== undefined, pending: pending.has(keyOf(object, column)), bad: faults.has(keyOf(object, column)) || clashing.has(keyOf(object, column)), soft: textOf(object, column) === '—', fixed: column.path(object) === null }"
            :aria-readonly="column.path(object) === null" :aria-invalid="faults.has(keyOf(object, column))"
            :aria-describedby="faults.has(keyOf(object, column)) ? `${id}-${row}-${index}` : undefined"
            @click="editing?.row === row && editing.column === index ? undefined : open(row, index)"
            @focus="at = { row, column: index }"
            @keydown="onCellKey($event, row, index)"
          >
            <input
              v-if="editing?.row === row && editing.column === index" ref="editor" v-model="editing.typed" type="text" size="4" autocomplete="off"
              :aria-label="`${column.title} of ${object.label}`" :list="suggestions.length > 0 ? `${id}-list` : undefined"
              @keydown="onEditorKey" @blur="commit" @paste.stop
            >
            <template v-else>{{ textOf(object, column) }}</template>
            <span v-if="faults.has(keyOf(object, column))" :id="`${id}-${row}-${index}`" class="fault small alone" role="alert">{{ faults.get(keyOf(object, column))?.detail }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <datalist :id="`${id}-list`"><option v-for="suggestion in suggestions" :key="suggestion" :value="suggestion" /></datalist>
  </div>
</template>

<style scoped>
.grid {
  overflow-x: auto;
}

td {
  position: relative;
  min-width: 64px;
  cursor: text;
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
}
</style>
