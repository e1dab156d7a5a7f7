<script setup lang="ts">
import { computed, nextTick, ref, useId } from 'vue'
import type { BookObject } from '@/api'
import { asSentence } from '@/shared'
import { read, shown, suggested, typedOf } from './cells'
import { typeAt, type FieldType } from './catalogue'
import FieldEditor from './FieldEditor.vue'
import { cellKey, useDesk, useDraft } from './desk'
import { asText, same, valueAt } from './values'

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

const { names, zone } = useDesk()
const { faults, changes, edit } = useDraft()
const id = useId()
const field = computed<FieldType>(() => ({ ...typeAt(props.object.kind, props.path), ...props.type }))
const typed = ref<string>()
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
const options = computed<[string, string][]>(() => [
  ...(field.value.required === true ? [] : [['', field.value.unset ?? '—'] as [string, string]]),
  ...(field.value.type === 'flag'
    ? ([
        ['true', 'yes'],
        ['false', 'no'],
      ] as [string, string][])
    : Object.entries(field.value.choices ?? {})),
])
const text = computed(() => shown(current.value, field.value, names.value))

function open(): void {
  typed.value = isChosen.value
    ? current.value === null || current.value === undefined
      ? ''
      : asText(current.value)
    : (fault.value?.typed ?? typedOf(current.value, field.value, names.value))
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
  const result = read(said, field.value, zone.value)
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

function choose(value: string): void {
  leave()
  keep(value === '' ? null : value === 'true' ? true : value === 'false' ? false : value, value)
}
</script>

<template>
  <span class="field" :class="{ pending: isPending, bad: fault !== undefined }">
    <FieldEditor
      v-if="typed !== undefined"
      v-model="typed"
      :field
      :label
      :options="isChosen ? options : undefined"
      :suggestions="suggested(field, names)"
      :is-bad="fault !== undefined"
      @choose="choose"
      @keep="commitByKey"
      @blur="commit"
      @leave="leave"
    />
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

button {
  max-width: 100%;
  padding: 0 1px;
  overflow: hidden;
  border: 0;
  border-bottom: 1px solid var(--teal);
  border-radius: 0;
  background: none;
  text-align: left;
  text-overflow: ellipsis;
  cursor: pointer;
}

button.none {
  color: var(--ink-soft);
}

.pending button {
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
