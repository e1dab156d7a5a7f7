<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Region, Slot, StockNumber } from '@/api'
import { ChoiceField } from '@/shared'

/** One question that is no table: a list to choose from where there is one, else a line or a few to write. */
const {
  asked,
  stock = [],
  regions = [],
} = defineProps<{
  id: string
  asked: Slot
  stock?: StockNumber[] | undefined
  regions?: Region[] | undefined
  describedBy: string | undefined
  invalid: boolean
}>()
defineEmits<{ left: [] }>()
const answer = defineModel<string>({ default: '' })

const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone.replaceAll('_', ' ')] as const)

const typed = ref('')
const digits = computed(() => typed.value.replace(/\D/g, ''))
const offered = computed(() => stock.filter((each) => each.number.includes(digits.value)))
const LEAST_DIGITS = 7
/** A number that is not in stock may be another carrier's still, and stands in the book from the first day. */
const comesOver = computed(() => {
  const named = digits.value.length >= LEAST_DIGITS && offered.value.length === 0 ? `${typed.value}, porting in` : ''
  const chosen = answer.value !== '' && !stock.some((each) => each.number === answer.value) ? answer.value : ''
  return [...new Set([named, chosen])].filter((each) => each !== '')
})
const example = computed(() =>
  asked.example === null || asked.example === '' ? '' : `for example ${asked.example.replaceAll('_', ' ')}`,
)

function lookFor(text: string): void {
  typed.value = text.trim()
}
</script>

<template>
  <ChoiceField
    v-if="asked.type === 'zone' || asked.type === 'region'"
    :id="id"
    v-model="answer"
    :options="asked.type === 'zone' ? ZONES : regions.map((region) => [region.code, region.name] as const)"
    :name="asked.key"
    :placeholder="asked.type === 'zone' ? example : 'Choose'"
    :aria-describedby="describedBy"
    @blur="$emit('left')"
  />
  <el-select
    v-else-if="asked.type === 'number'"
    :id="id"
    v-model="answer"
    filterable
    default-first-option
    :filter-method="lookFor"
    :name="asked.key"
    placeholder="Choose, or type digits of it"
    no-data-text="No number is free in stock"
    no-match-text="No free number has these digits"
    :aria-describedby="describedBy"
    @visible-change="typed = ''"
    @blur="$emit('left')"
  >
    <el-option
      v-for="number in offered"
      :key="number.number"
      :label="`${number.display}${number.region === null ? '' : ` · ${number.region}`}`"
      :value="number.number"
    />
    <el-option v-for="each in comesOver" :key="each" :label="each" :value="each" />
  </el-select>
  <el-select
    v-else-if="asked.type === 'choice' || asked.type === 'yesNo'"
    :id="id"
    :model-value="answer === '' ? (asked.default ?? '') : answer"
    :name="asked.key"
    :aria-describedby="describedBy"
    @update:model-value="answer = $event"
    @blur="$emit('left')"
  >
    <el-option
      v-for="option in asked.type === 'yesNo'
        ? [
            { value: 'yes', said: 'yes' },
            { value: 'no', said: 'no' },
          ]
        : asked.options"
      :key="option.value"
      :label="option.said"
      :value="option.value"
    />
  </el-select>
  <el-input
    v-else-if="asked.type === 'hours' || asked.type === 'script'"
    :id="id"
    v-model="answer"
    type="textarea"
    :autosize="{ minRows: 1, maxRows: 6 }"
    :name="asked.key"
    :placeholder="asked.default ?? example"
    autocomplete="off"
    :aria-describedby="describedBy"
    :aria-invalid="invalid"
    @blur="$emit('left')"
  />
  <el-input
    v-else
    :id="id"
    v-model="answer"
    :name="asked.key"
    :placeholder="asked.default ?? example"
    autocomplete="off"
    :aria-describedby="describedBy"
    :aria-invalid="invalid"
    @blur="$emit('left')"
  />
</template>
