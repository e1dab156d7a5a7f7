<script setup lang="ts">
import { computed } from 'vue'
import type { BookObject } from '@/api'
import { plural } from '@/shared'
import FieldPart from './FieldPart.vue'
import { fieldsOf, type Field } from './catalogue'
import { columnsOf } from './columns'
import { inSentence } from './words'
import { same, valueAt } from './values'

/**
 * The fields of an object, by what they are about: what it is, where its calls go, and lists. What no sheet shows and
 * nobody has set is folded, by name.
 */
const { object } = defineProps<{ object: BookObject }>()

/** All but what is in other hands: identity, and what a screen of its own edits. */
const fields = computed(() => fieldsOf(object.kind).filter((field) => field.name !== 'key' && field.name !== 'call'))
const inSheets = computed(
  () =>
    new Set(columnsOf(object.kind).flatMap((column) => column.field?.split('/')[0] ?? column.id.split('/')[0] ?? [])),
)

function isSet(field: Field): boolean {
  const value = valueAt(object.fields, field.name)
  if (value === null || value === '' || same(value, field.default)) return false
  return Array.isArray(value) ? value.length > 0 : !isEmpty(field, value)
}

/** A part of which nothing is set is there as its fields come. */
function isEmpty(field: Field, value: unknown): boolean {
  if (field.sort !== 'group' || typeof value !== 'object') return false
  return field.fields.every((each) => {
    const inside = (value as Record<string, unknown>)[each.name] ?? null
    return (
      inside === null ||
      inside === '' ||
      same(inside, each.default) ||
      (Array.isArray(inside) && inside.length === 0) ||
      isEmpty(each, inside)
    )
  })
}

function leads(field: Field): boolean {
  if (field.sort === 'treatment') return true
  if (field.sort === 'one') return field.type.type === 'destination'
  return field.sort === 'group' && field.fields.some(leads)
}

const ABOUT = ['What it is', 'Where calls go', 'Lists'] as const
function about(field: Field): (typeof ABOUT)[number] {
  return leads(field) ? 'Where calls go' : field.sort === 'items' ? 'Lists' : 'What it is'
}

const usual = computed(() => fields.value.filter((field) => inSheets.value.has(field.name) || isSet(field)))
const rare = computed(() => fields.value.filter((field) => !usual.value.includes(field)))
const groups = computed(() =>
  ABOUT.map((title) => ({ title, fields: usual.value.filter((field) => about(field) === title) })).filter(
    (group) => group.fields.length > 0,
  ),
)
</script>

<template>
  <section v-for="group in groups" :key="group.title" :aria-label="group.title">
    <h3>{{ group.title }}</h3>
    <dl class="fields">
      <FieldPart v-for="field in group.fields" :key="field.name" :object :field :path="field.name" />
    </dl>
  </section>
  <details v-if="rare.length > 0">
    <summary>
      {{ plural(rare.length, 'field') }} more, as they come:
      <span class="soft">{{ rare.map((field) => inSentence(field.title)).join(', ') }}</span>
    </summary>
    <dl class="fields"><FieldPart v-for="field in rare" :key="field.name" :object :field :path="field.name" /></dl>
  </details>
</template>

<style scoped>
.fields {
  margin: 0;
}

h3 {
  margin-top: 12px;
  padding-bottom: 2px;
  border-bottom: 1px solid var(--rule);
}

details {
  margin-top: 14px;
}

summary {
  cursor: pointer;
}
</style>
