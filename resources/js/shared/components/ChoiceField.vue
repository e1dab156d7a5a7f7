<script setup lang="ts" generic="T extends string">
import { computed, ref } from 'vue'

/**
 * One of a few: what is typed finds it. In a sentence it is as wide as what it says and underlined as a word that can
 * be changed.
 */
const {
  options,
  inSentence,
  placeholder = '',
} = defineProps<{
  options: readonly (readonly [value: T, said: string])[]
  inSentence?: boolean
  placeholder?: string
}>()
const chosen = defineModel<T>({ required: true })

const MANY = 100
const listed = computed(() => options.map(([value, label]) => ({ value, label })))
/** Unless nothing is one of the choices, it is told by the placeholder. */
const nothing = computed(() => (options.some(([value]) => value === '') ? [null, undefined] : ['', null, undefined]))
const line = ref<{ blur: () => void }>()
/** In a sentence what was chosen is said, and keys are the page's again; `Tab` goes on from there all the same. */
function leave(): void {
  if (inSentence) line.value?.blur()
}
const said = computed(() => options.find(([value]) => value === chosen.value)?.[1] ?? '')
</script>

<template>
  <!-- Thousands are drawn as far as they are in view. -->
  <el-select-v2
    v-if="options.length > MANY"
    ref="line"
    v-model="chosen"
    :class="{ 'in-sentence': inSentence }"
    size="small"
    :options="listed"
    :fit-input-width="false"
    filterable
    :placeholder
    no-match-text="Nothing is called that"
    :empty-values="nothing"
    @change="leave"
  />
  <el-select
    v-else
    ref="line"
    v-model="chosen"
    :class="{ 'in-sentence': inSentence }"
    :style="inSentence ? { width: `${Math.max(4, (said || placeholder).length + 2)}ch` } : undefined"
    size="small"
    :fit-input-width="false"
    filterable
    default-first-option
    :placeholder
    no-match-text="Nothing is called that"
    :empty-values="nothing"
    @change="leave"
  >
    <el-option v-for="[value, label] in options" :key="value" :value :label />
  </el-select>
</template>
