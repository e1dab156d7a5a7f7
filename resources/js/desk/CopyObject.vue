<script setup lang="ts">
import type { BookObject } from '@/api'
import { useDraft, type NewObject } from './desk'

/** One more with the same settings under a name of its own; what can be only one's, such as its extension, is left. */
const { object } = defineProps<{ object: BookObject & { kind: NewObject['kind'] } }>()
const emit = defineEmits<{ made: [ref: string] }>()

const ITS_OWN = ['id', 'key', 'name', 'extension']

const { make } = useDraft()

async function copy(): Promise<void> {
  const name = `${object.label} copy`
  const fields = Object.fromEntries(Object.entries(object.fields).filter(([field]) => !ITS_OWN.includes(field)))
  const [ref] = await make([{ kind: object.kind, name, fields: { ...fields, name } }])
  if (ref !== undefined) emit('made', ref)
}
</script>

<template>
  <button type="button" class="quiet-button" @click="copy">Copy {{ object.label }}</button>
</template>
