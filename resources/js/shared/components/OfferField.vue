<script setup lang="ts">
import { onMounted, ref } from 'vue'

/** A line to type into that offers what there is, and takes what was typed as well. */
const { offers } = defineProps<{ offers: (typed: string) => readonly string[] }>()
const text = defineModel<string>({ required: true })

const MOST_OFFERED = 40
const field = ref<{ inputRef?: { input?: HTMLInputElement } }>()

function ask(typed: string, found: (them: { value: string }[]) => void): void {
  found(
    offers(typed)
      .slice(0, MOST_OFFERED)
      .map((value) => ({ value })),
  )
}

onMounted(() => {
  // Named before anything is chosen there, it would lead readers of the screen to a line that is not.
  field.value?.inputRef?.input?.removeAttribute('aria-activedescendant')
})
</script>

<template>
  <el-autocomplete
    ref="field"
    v-model="text"
    size="small"
    :fetch-suggestions="ask"
    :debounce="0"
    :fit-input-width="false"
  />
</template>
