<script setup lang="ts">
import { ref, watch } from 'vue'
import { detailOf } from '@/api'
import { tryOut, type Trial } from './settings'

/** Tries a connection as it stands on the page, and says what came of it until something is changed. */
const { trial, what } = defineProps<{ trial: Trial; what: string }>()
const said = ref<{ well: boolean; text: string }>()
const busy = ref(false)

watch(
  () => JSON.stringify(trial),
  () => (said.value = undefined),
)

async function go(): Promise<void> {
  busy.value = true
  try {
    const trouble = await tryOut(trial)
    said.value = trouble === null ? { well: true, text: 'answers as it should' } : { well: false, text: trouble }
  } catch (error) {
    said.value = { well: false, text: detailOf(error) }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <span class="try">
    <button type="button" class="quiet-button" :disabled="busy" :aria-label="`Try it: ${what}`" @click="go">
      {{ busy ? 'Trying …' : 'Try it' }}
    </button>
    <span :class="said?.well === false ? 'fault small' : 'small'" role="status">{{ said?.text }}</span>
  </span>
</template>

<style scoped>
.try {
  display: inline-flex;
  gap: 8px;
  align-items: baseline;
}
</style>
