<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import { ChoiceField, DayField, OfferField } from '@/shared'
import type { FieldType } from './catalogue'
import { useDesk } from './desk'

/**
 * The open field: a list to choose from, a day with its calendar, a line that offers what there is, or a line with its
 * unit. It takes the keys as it comes; Enter keeps, Escape leaves.
 */
const { options, suggestions } = defineProps<{
  field: FieldType
  label: string
  options: [string, string][] | undefined
  suggestions: readonly string[]
  isBad: boolean
}>()
const emit = defineEmits<{ choose: [value: string]; keep: []; blur: []; leave: [] }>()
const typed = defineModel<string>({ required: true })

const UNITS: Partial<Record<FieldType['type'], string>> = { seconds: 's', rings: 'rings' }
const TIMES = Array.from({ length: 48 }, (_, half) => {
  const hour = String(Math.floor(half / 2)).padStart(2, '0')
  return `${hour}:${half % 2 === 0 ? '00' : '30'}`
})

const { zone } = useDesk()
const box = ref<HTMLElement>()
const isTouched = ref(false)

function offered(text: string): string[] {
  const all = suggestions.length > 0 ? suggestions : TIMES
  const wanted = isTouched.value ? text.trim().toLowerCase() : ''
  return all.filter((each) => each.toLowerCase().includes(wanted))
}

/** What is chosen in the list that drops down comes by its own event, after this one. */
function enter(): void {
  void nextTick(() => {
    emit('keep')
  })
}

/** The calendar takes the keys from the line it belongs to. */
function leaveDay(): void {
  setTimeout(() => {
    if (document.querySelector('.el-picker-panel') === null) emit('blur')
  })
}

onMounted(() => {
  const input = box.value?.querySelector('input')
  input?.focus()
  input?.select()
  // What is to be chosen from is there at once: the click that opened the field asked for it.
  if (options !== undefined) input?.click()
})
</script>

<template>
  <!-- Keys on their way up from the one control inside. -->
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
  <span ref="box" class="editor" @keydown.esc.capture.stop.prevent="emit('leave')">
    <ChoiceField
      v-if="options !== undefined"
      :model-value="typed"
      in-sentence
      :options
      :aria-label="label"
      @update:model-value="emit('choose', $event)"
      @visible-change="!$event && emit('leave')"
    />
    <DayField
      v-else-if="field.type === 'date'"
      v-model="typed"
      :zone
      :aria-label="label"
      @keydown.enter.prevent.stop="enter"
      @keep="enter"
      @blur="leaveDay"
    />
    <OfferField
      v-else-if="suggestions.length > 0 || field.type === 'time'"
      v-model="typed"
      :offers="offered"
      :aria-label="label"
      :aria-invalid="isBad"
      :style="{ width: `${Math.max(14, Math.min(44, typed.length + 4))}ch` }"
      @input="isTouched = true"
      @select="enter"
      @keydown.enter.prevent.stop="enter"
      @blur="emit('blur')"
    />
    <el-input
      v-else
      v-model="typed"
      size="small"
      autocomplete="off"
      :aria-label="label"
      :aria-invalid="isBad"
      :style="{ width: `${Math.max(8, Math.min(48, typed.length + 4 + (UNITS[field.type] ?? '').length))}ch` }"
      @keydown.enter.prevent.stop="enter"
      @blur="emit('blur')"
    >
      <template v-if="UNITS[field.type] !== undefined" #suffix>{{ UNITS[field.type] }}</template>
    </el-input>
  </span>
</template>
