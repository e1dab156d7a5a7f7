<script setup lang="ts">
import { computed, nextTick, ref, useId } from 'vue'
import type { BookObject } from '@/api'
import { asSentence } from '@/shared'
import { read, shown, suggested, typedOf } from './cells'
import { typeAt, type FieldType } from './catalogue'
import { cellKey, useDesk, useDraft } from './desk'
import { same, valueAt } from './values'

/**
 * One field in the middle of a sentence or a table: underlined, opened by Enter or a click, kept on Enter or on leaving
 * it.
 * With `value` set, the caller holds the value and takes the new one; else it is the field at `path`. What it takes and
 * how it is shown is
 * as core declares that field, but for what `type` says otherwise.
 */
const props = defineProps<{
  object: BookObject
  path: string
  type?: Partial<FieldType>
  label: string
  value?: unknown
  holds?: boolean
}>()
const emit = defineEmits<{ take: [value: unknown] }>()

const { names } = useDesk()
const { faults, changes, edit } = useDraft()
const id = useId()
const field = computed<FieldType>(() => ({ ...typeAt(props.object.kind, props.path), ...props.type }))
const typed = ref<string>()
const input = ref<HTMLInputElement>()
const button = ref<HTMLButtonElement>()

const current = computed(() => (props.holds ? props.value : valueAt(props.object.fields, props.path)))
const fault = computed(() => faults.get(cellKey(props.object.ref, props.path)))
const isPending = computed(() =>
  changes.value.some(
    (change) =>
      change.object === props.object.ref &&
      change.path !== null &&
      (change.path === props.path ||
        change.path.startsWith(`${props.path}/`) ||
        props.path.startsWith(`${change.path}/`)),
  ),
)
const isChosen = computed(() => field.value.type === 'choice' || field.value.type === 'flag')
const options = computed<[string, string][]>(() =>
  field.value.type === 'flag'
    ? [
        ['true', 'yes'],
        ['false', 'no'],
      ]
    : Object.entries(field.value.choices ?? {}),
)
const text = computed(() => shown(current.value, field.value, names.value))

const suggestions = computed(() => (typed.value === undefined ? [] : suggested(field.value, names.value)))

function open(): void {
  typed.value = fault.value?.typed ?? typedOf(current.value, field.value, names.value)
  void nextTick(() => input.value?.select())
}

function keep(value: unknown, said: string): void {
  faults.delete(cellKey(props.object.ref, props.path))
  if (same(value, current.value ?? null)) return
  if (props.holds) emit('take', value)
  else void edit([{ object: props.object.ref, path: props.path, value, typed: said }])
}

function commit(): void {
  const said = typed.value
  if (said === undefined) return
  typed.value = undefined
  const result = read(said, field.value)
  if (said.trim() === typedOf(current.value, field.value, names.value)) leave()
  else if ('fault' in result) faults.set(cellKey(props.object.ref, props.path), { typed: said, detail: result.fault })
  else keep(result.value, said)
}

function commitByKey(): void {
  commit()
  void nextTick(() => button.value?.focus())
}

function leave(): void {
  typed.value = undefined
  faults.delete(cellKey(props.object.ref, props.path))
  void nextTick(() => button.value?.focus())
}

function choose(event: Event): void {
  const value = (event.target as HTMLSelectElement).value
  keep(value === '' ? null : value === 'true' ? true : value === 'false' ? false : value, value)
}
</script>

<template>
  <span class="field" :class="{ pending: isPending, bad: fault !== undefined }">
    <select
      v-if="isChosen"
      :value="current === null || current === undefined ? '' : String(current)"
      :aria-label="label"
      @change="choose"
    >
      <option v-if="field.required !== true" value="">—</option>
      <option v-for="[choice, said] in options" :key="choice" :value="choice">{{ said }}</option>
    </select>
    <template v-else-if="typed !== undefined">
      <input
        ref="input"
        v-model="typed"
        type="text"
        autocomplete="off"
        :aria-label="label"
        :aria-invalid="fault !== undefined"
        :list="suggestions.length > 0 ? `${id}-list` : undefined"
        :size="Math.max(5, Math.min(40, typed.length + 2))"
        @keydown.enter.prevent.stop="commitByKey"
        @keydown.esc.prevent.stop="leave"
        @blur="commit"
      />
      <datalist :id="`${id}-list`">
        <option v-for="suggestion in suggestions" :key="suggestion" :value="suggestion" />
      </datalist>
    </template>
    <button
      v-else
      ref="button"
      type="button"
      :class="{
        mono: ['seconds', 'rings', 'whole', 'extension', 'date', 'time'].includes(field.type),
        none: current === null || current === undefined,
      }"
      :aria-label="`${label}: ${fault?.typed ?? text}`"
      :aria-describedby="fault === undefined ? undefined : `${id}-fault`"
      @click="open"
    >
      {{ fault?.typed ?? text }}
    </button>
    <span v-if="fault !== undefined" :id="`${id}-fault`" class="fault small" role="alert">{{
      asSentence(fault.detail)
    }}</span>
  </span>
</template>

<style scoped>
.field {
  display: inline-block;
  max-width: 100%;
}

button,
select,
input {
  max-width: 100%;
  padding: 0 1px;
  border: 0;
  border-bottom: 1px solid var(--teal);
  border-radius: 0;
  background: none;
  cursor: pointer;
}

button {
  overflow: hidden;
  text-align: left;
  text-overflow: ellipsis;
}

button.none {
  color: var(--ink-soft);
}

select {
  field-sizing: content;
  appearance: none;
}

select option {
  background: var(--sheet);
  color: var(--ink);
}

input {
  background: var(--sheet);
  cursor: text;
}

.pending :is(button, select) {
  border-bottom: 2px solid var(--buoy);
  background: color-mix(in srgb, var(--buoy) 9%, transparent);
}

.bad button {
  border-bottom-color: var(--red);
  color: var(--red);
}

.fault {
  display: block;
}
</style>
