<script setup lang="ts">
import type { Answers, Region, Slot, StockNumber } from '@/api'
import { FieldRow } from '@/shared'
import SlotField from './SlotField.vue'
import TableField from './TableField.vue'

type Rows = Record<string, string>[]

/**
 * A template's questions with their answers, however they came; says how an answer was read and what is wrong with it.
 */
defineProps<{
  template: string
  slots: Slot[]
  stock?: StockNumber[] | undefined
  regions?: Region[] | undefined
  faults: Record<string, string>
  offers?: Record<string, string> | undefined
  readAs?: Record<string, string> | undefined
  tables?: Record<string, Rows> | undefined
}>()
const answers = defineModel<Answers>({ required: true })
const emit = defineEmits<{ left: [slot: string] }>()

function text(slot: Slot): string {
  const answer = answers.value[slot.key]
  return typeof answer === 'string' ? answer : ''
}

function rows(slot: Slot): Rows {
  const answer = answers.value[slot.key]
  return Array.isArray(answer) ? answer : []
}

function give(slot: Slot, answer: string | Rows): void {
  answers.value = { ...answers.value, [slot.key]: answer }
}
</script>

<template>
  <template v-for="slot in slots" :key="slot.key">
    <div v-if="slot.type === 'table'" class="table" role="group" :aria-label="slot.question">
      <p class="soft">
        {{ slot.question }}<template v-if="slot.help !== null"> · {{ slot.help }}</template>
      </p>
      <TableField
        :id="`answer-${slot.key}`"
        :template
        :asked="slot"
        :faults
        :offers
        :understood="tables?.[slot.key]"
        :read-as
        :model-value="rows(slot)"
        @update:model-value="give(slot, $event)"
      />
      <p v-if="faults[slot.key] !== undefined" class="fault small" role="alert">{{ faults[slot.key] }}</p>
    </div>
    <FieldRow
      v-else
      v-slot="field"
      :label="slot.question"
      :help="readAs?.[slot.key] === undefined ? slot.help : `read as ${readAs[slot.key]}`"
      :fault="faults[slot.key]"
    >
      <SlotField
        :id="field.id"
        :asked="slot"
        :stock
        :regions
        :described-by="field.describedBy"
        :invalid="field.invalid"
        :model-value="text(slot)"
        @update:model-value="give(slot, $event)"
        @left="emit('left', slot.key)"
      />
    </FieldRow>
  </template>
</template>

<style scoped>
.table {
  padding: 10px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.table > p:first-child {
  padding-bottom: 4px;
}
</style>
