<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useId } from 'vue'
import { suggested } from '../cells'
import { useDesk } from '../desk'
import { isOneCell } from './block'
import { useSheet } from './sheet'

/** What is typed into a cell: what stood there is marked, so that typing replaces it. */
defineProps<{ label: string }>()

const sheet = useSheet()
const { names } = useDesk()
const id = useId()
const input = ref<HTMLInputElement>()
const marked = { ...sheet.markedBefore.value }
const suggestions = computed(() => {
  const open = sheet.editing.value
  const column = open === undefined ? undefined : sheet.columns.value[open.column]
  return column === undefined ? [] : suggested(column, names.value)
})

onMounted(() => {
  void nextTick(() => {
    input.value?.focus()
    if (sheet.editing.value?.isTyped !== true) input.value?.select()
  })
})

function onKey(event: KeyboardEvent): void {
  if (event.key === 'Escape') sheet.cancel()
  else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && !isOneCell(marked)) sheet.commitToBlock(marked)
  else if (event.key === 'Enter') sheet.commitAndGo(event.shiftKey ? -1 : 1, 0)
  else if (event.key === 'Tab') sheet.commitAndGo(0, event.shiftKey ? -1 : 1)
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <template v-if="sheet.editing.value !== undefined">
    <input
      ref="input"
      v-model="sheet.editing.value.typed"
      type="text"
      size="4"
      autocomplete="off"
      :aria-label="label"
      :list="suggestions.length > 0 ? `${id}-list` : undefined"
      @keydown="onKey"
      @blur="sheet.commit"
      @paste.stop
      @copy.stop
      @cut.stop
      @pointerdown.stop
      @dblclick.stop
    />
    <datalist v-if="suggestions.length > 0" :id="`${id}-list`">
      <option v-for="suggestion in suggestions" :key="suggestion" :value="suggestion" />
    </datalist>
  </template>
</template>
