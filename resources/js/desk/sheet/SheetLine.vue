<script setup lang="ts">
import { computed } from 'vue'
import type { BookObject } from '@/api'
import { asSentence } from '@/shared'
import { UNSET } from '../cells'
import CellEditor from './CellEditor.vue'
import { isIn } from './block'
import { useSheet } from './sheet'

/** One line of a sheet. It is drawn anew where something of it changes, and not when the caret moves elsewhere. */
const props = defineProps<{ object: BookObject; row: number; name: string; lefts: number[] }>()

const sheet = useSheet()

const cells = computed(() =>
  sheet.columns.value.map((column) => {
    const key = sheet.keyOf(props.object, column)
    const text = sheet.textOf(props.object, column)
    const fault = sheet.faults.get(key)
    const isFixed = column.path(props.object) === null
    return {
      title: column.title,
      text,
      fault,
      isFixed,
      isFound: sheet.isFound(props.object, column),
      classes: {
        mono: column.type === 'extension' || column.type === 'seconds' || column.shows !== undefined,
        pending: sheet.pending.value.has(key),
        sending: sheet.sending.has(key),
        bad: fault !== undefined || sheet.clashing.value.has(key),
        soft: text === UNSET || sheet.isLent(props.object, column),
        fixed: isFixed,
      },
    }
  }),
)
const caret = computed(() => (sheet.at.value.row === props.row ? sheet.at.value.column : -1))
const open = computed(() => (sheet.editing.value?.row === props.row ? sheet.editing.value.column : -1))
/** The first and the last marked column of this line. */
const marked = computed(() => {
  const { top, bottom, left, right } = sheet.block.value
  const isMarked = props.row >= top && props.row <= bottom && (top !== bottom || left !== right)
  return isMarked ? `${left} ${right}` : ''
})
const filled = computed(() => {
  const over = sheet.filling.value
  return over !== undefined && props.row >= over.top && props.row <= over.bottom ? `${over.left} ${over.right}` : ''
})
const handle = computed(() => (sheet.block.value.bottom === props.row ? sheet.block.value.right : -1))

function between(range: string, column: number): boolean {
  if (range === '') return false
  const [left, right] = range.split(' ').map(Number)
  return isIn({ top: 0, bottom: 0, left: left ?? 0, right: right ?? 0 }, { row: 0, column })
}
</script>

<template>
  <tr :aria-rowindex="row + 2">
    <th scope="row" class="no" :data-row="row" :aria-label="`Line ${row + 1}, ${object.label}`">{{ row + 1 }}</th>
    <td
      v-for="(cell, column) in cells"
      :key="cell.title"
      role="gridcell"
      :data-column="column"
      :tabindex="caret === column ? 0 : -1"
      :class="[
        cell.classes,
        {
          stays: column < lefts.length,
          last: column === lefts.length - 1,
          caret: caret === column,
          found: cell.isFound,
          marked: between(marked, column),
          filled: between(filled, column),
        },
      ]"
      :style="column < lefts.length ? { left: `${lefts[column]}px` } : undefined"
      :title="cell.fault === undefined && cell.text.length > 9 ? cell.text : undefined"
      :aria-readonly="cell.isFixed"
      :aria-selected="caret === column || between(marked, column)"
      :aria-invalid="cell.fault !== undefined"
      :aria-describedby="cell.fault === undefined ? undefined : `${name}-${row}-${column}`"
    >
      <CellEditor v-if="open === column" :label="`${cell.title} of ${object.label}`" />
      <template v-else>{{ cell.text }}</template>
      <span v-if="cell.fault !== undefined" :id="`${name}-${row}-${column}`" class="fault small" role="alert">{{
        asSentence(cell.fault.detail)
      }}</span>
      <i v-if="handle === column && open !== column" class="handle" aria-hidden="true" />
    </td>
    <td class="rest" aria-hidden="true" />
  </tr>
</template>
