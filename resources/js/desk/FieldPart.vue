<script setup lang="ts">
import { computed } from 'vue'
import type { BookObject } from '@/api'
import { dateIn, now } from '@/shared'
import type { Field } from './catalogue'
import { shown } from './cells'
import { useDesk, useDraft } from './desk'
import InlineField from './InlineField.vue'
import { sidesOf, withSide } from './treatments'
import { inSentence, itemInWords } from './words'
import { same, valueAt } from './values'

/** One field, or the fields inside it. */
const props = defineProps<{ object: BookObject; field: Field; path: string }>()

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '*', '#']

const { names, zone } = useDesk()
const { edit } = useDraft()

type Item = Record<string, unknown> & { item: string }

const value = computed(() => valueAt(props.object.fields, props.path))
const items = computed(() => (Array.isArray(value.value) ? (value.value as Item[]) : []))
const words = computed(() => inSentence(props.field.title))
const columns = computed(() =>
  props.field.sort === 'items' ? props.field.fields.filter((each) => each.name !== 'item') : [],
)

/** What it is where nobody says otherwise, where somebody did. */
const comes = computed(() => {
  const { field } = props
  if (field.sort !== 'one' || field.default === undefined || same(value.value, field.default)) return undefined
  return shown(field.default, field.type, names.value)
})

const sides = computed(() => sidesOf(value.value))

function takeSide(side: 'outside' | 'inside', to: unknown): void {
  void edit([{ object: props.object.ref, path: props.path, value: withSide(value.value, side, to) }])
}

function add(): void {
  if (props.field.sort !== 'items') return
  const taken = items.value.map((each) => each.item)
  const key = KEYS.find((each) => !taken.includes(each))
  if (props.path === 'keys' && key === undefined) return
  // A key of a menu is the caller's; what else names an item comes from the server.
  const fresh = props.path === 'keys' ? { item: key, ...first() } : first()
  void edit([{ object: props.object.ref, path: props.path, value: [...items.value, fresh] }])
}

/** What an item cannot be without: as core says, and what it cannot know, a day and another object, from here. */
function first(): Record<string, unknown> {
  if (props.field.sort !== 'items') return {}
  const starts = { ...props.field.begins }
  for (const each of props.field.fields) {
    if (
      each.sort !== 'one' ||
      each.type.required !== true ||
      each.name === 'item' ||
      (starts[each.name] ?? null) !== null ||
      !(each.name in starts)
    )
      continue
    const { type, kinds } = each.type
    starts[each.name] =
      type === 'date'
        ? dateIn(now(), zone.value)
        : (names.value.objects.find((object) => kinds?.includes(object.kind) === true)?.ref ?? null)
  }
  return starts
}

function remove(item: string): void {
  void edit([{ object: props.object.ref, path: props.path, value: items.value.filter((each) => each.item !== item) }])
}

function toggle(): void {
  void edit([{ object: props.object.ref, path: props.path, value: value.value === null ? {} : null }])
}
</script>

<template>
  <div v-if="field.sort === 'one'" class="line">
    <dt>
      {{ words }}<span v-if="field.help !== undefined" class="help small">{{ field.help }}</span>
    </dt>
    <dd>
      <InlineField :object :path :label="words" /><span v-if="comes !== undefined" class="soft small comes"
        >as it comes: {{ comes }}</span
      >
    </dd>
  </div>
  <div v-else-if="field.sort === 'treatment'" class="line">
    <dt>{{ words }}</dt>
    <dd>
      <InlineField
        :object
        :path="`${path}/outside`"
        :label="`${words}, calls from outside`"
        :value="sides.outside"
        holds
        @take="takeSide('outside', $event)"
      />
      {{ ' ' }}
      <span class="soft">from outside,</span>
      <InlineField
        :object
        :path="`${path}/inside`"
        :label="`${words}, calls from inside`"
        :value="sides.inside"
        holds
        @take="takeSide('inside', $event)"
      />
      {{ ' ' }}
      <span class="soft">from inside</span>
    </dd>
  </div>
  <div v-else-if="field.sort === 'group'" class="group">
    <dt>
      {{ words
      }}<button v-if="field.mayBeUnset" type="button" class="text-button small" @click="toggle">
        {{ value === null ? 'set it' : 'unset it' }}
      </button>
    </dt>
    <dd v-if="value !== null">
      <dl>
        <FieldPart v-for="each in field.fields" :key="each.name" :object :field="each" :path="`${path}/${each.name}`" />
      </dl>
    </dd>
    <dd v-else class="soft">unset</dd>
  </div>
  <div v-else class="group">
    <dt>
      {{ words }} <span class="soft">{{ items.length }}</span><button
        type="button"
        class="text-button small"
        @click="add"
      >
        add one</button
      ><span v-if="field.help !== undefined" class="help small">{{ field.help }}</span>
    </dt>
    <dd>
      <div v-for="each in items" :key="each.item" class="item">
        <div class="itemHead">
          <strong>{{ itemInWords(object.ref, path, each, names, true) }}</strong><button
            type="button"
            class="text-button small"
            :aria-label="`take out ${itemInWords(object.ref, path, each, names, true)} of ${words}`"
            @click="remove(each.item)"
          >
            take out
          </button>
        </div>
        <dl>
          <FieldPart
            v-for="column in columns"
            :key="column.name"
            :object
            :field="column"
            :path="`${path}/${each.item}/${column.name}`"
          />
        </dl>
      </div>
    </dd>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(120px, 260px) 1fr;
  gap: 4px 16px;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule-soft);
}

dt {
  color: var(--ink-soft);
}

dt button {
  margin-left: 10px;
}

.help {
  display: block;
  color: var(--ink-soft);
}

dd {
  margin: 0;
}

.comes {
  margin-left: 12px;
}

dl {
  margin: 0;
}

.group {
  padding: 6px 0;
}

.group > dd {
  padding-left: 14px;
  border-left: 1px solid var(--rule);
}

.item {
  padding: 4px 0;
}

.itemHead {
  display: flex;
  gap: 12px;
}
</style>
