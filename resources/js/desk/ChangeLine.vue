<script setup lang="ts">
import { computed } from 'vue'
import type { Change } from '@/api'
import { Names } from './names'
import { fieldInWords, valueInWords } from './words'

/** One change in a line: what, from what, to what. */
const props = defineProps<{ change: Change; names?: Names }>()

/** Away from the desk no book is at hand: what a value points at is said by its key. */
const NOTHING_KNOWN = new Names([])
const known = computed(() => props.names ?? NOTHING_KNOWN)
const isItem = (value: unknown): boolean => typeof value === 'object' && value !== null && 'item' in value
/** An item of a list that comes or goes is told by its name alone. */
const item = computed(() => {
  const { before, after } = props.change
  if (isItem(before) && after === null) return `${nameOf(before)} taken out`
  return isItem(after) && before === null ? `${nameOf(after)} added` : null
})

function nameOf(value: unknown): string {
  const { item, name } = value as { item: string; name?: unknown }
  return typeof name === 'string' && name !== '' ? name : item
}
</script>

<template>
  <span v-if="change.path === null"
    >{{ change.label }}: {{ change.op === 'create' ? 'new in the book' : 'taken out of the book' }}</span
  >
  <span v-else-if="item !== null"
    >{{ change.label }},
    {{ fieldInWords(change.object, change.path.slice(0, Math.max(0, change.path.lastIndexOf('/')))) }}: {{ item }}</span
  >
  <span v-else
    >{{ change.label }}, {{ fieldInWords(change.object, change.path) }}:
    <span class="soft">{{ valueInWords(change.object, change.path, change.before, known) }}</span> →
    {{ valueInWords(change.object, change.path, change.after, known) }}</span
  >
</template>
