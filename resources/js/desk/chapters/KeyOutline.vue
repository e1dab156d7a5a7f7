<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { MenuScript, ObjectOf } from '@/api'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import NewKeys from './NewKeys.vue'

type Key = ObjectOf<'menu'>['fields']['keys'][number]

/**
 * A menu as an indented list by key, every submenu foldable in place with its script beside; announced-but-unset keys
 * stand out.
 */
const props = defineProps<{ menu: ObjectOf<'menu'>; scripts: MenuScript[]; depth?: number }>()

const PAD = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '*', '#']
const DEEPEST = 3

const { names } = useDesk()
const { edit } = useDraft()
const open = reactive(new Set<string>())

const keys = computed(() => props.menu.fields.keys)
const told = computed(
  () =>
    new Map(
      (props.scripts.find((each) => each.ref === props.menu.ref)?.told ?? []).map((each) => [each.key, each.words]),
    ),
)
const dials = computed(() => props.menu.fields.dialExtensions.scope !== 'off')
const rows = computed(() =>
  PAD.filter((key) => keys.value.some((each) => each.item === key) || told.value.has(key)).map((key) => ({
    key,
    set: keys.value.find((each) => each.item === key),
    words: told.value.get(key),
  })),
)
const free = computed(() => PAD.filter((key) => !keys.value.some((each) => each.item === key)))

function submenu(key: Key | undefined): ObjectOf<'menu'> | undefined {
  const object = names.value.as('menu', key?.to)
  return object !== undefined && object.ref !== props.menu.ref && (props.depth ?? 0) < DEEPEST ? object : undefined
}

function set(key: string, to: unknown): void {
  void edit([{ object: props.menu.ref, path: 'keys', value: [...keys.value, { item: key, to, label: null }] }])
}

function clear(key: string): void {
  void edit([{ object: props.menu.ref, path: 'keys', value: keys.value.filter((each) => each.item !== key) }])
}

function toggle(key: string): void {
  if (!open.delete(key)) open.add(key)
}
</script>

<template>
  <ul class="outline" data-testid="outline">
    <li v-for="row in rows" :key="row.key">
      <div class="row">
        <kbd :class="{ unset: row.set === undefined }">{{ row.key }}</kbd>
        <div>
          <p v-if="row.set !== undefined" class="label">
            <InlineField
              :object="menu"
              :path="`keys/${row.key}/label`"
              :type="{ unset: 'no name' }"
              :label="`Name of key ${row.key}`"
            />
          </p>
          <p v-else class="label fault">not set</p>
          <p class="soft">
            <InlineField
              v-if="row.set !== undefined"
              :object="menu"
              :path="`keys/${row.key}/to`"
              :label="`Key ${row.key} leads to`"
            />
            <InlineField
              v-else
              :object="menu"
              :path="`keys/${row.key}/to`"
              :type="{ unset: 'choose where it leads' }"
              :label="`Key ${row.key} leads to`"
              :value="null"
              holds
              @take="set(row.key, $event)"
            />
          </p>
        </div>
        <div class="words">
          <p v-if="row.words !== undefined" class="script">“{{ row.words }}”</p>
          <p v-if="row.set === undefined" class="fault small">announced, but leads nowhere</p>
          <p v-else-if="row.words === undefined && told.size > 0" class="small warn">
            set, but the caller is never told
          </p>
        </div>
        <p class="hands">
          <button
            v-if="submenu(row.set) !== undefined"
            type="button"
            class="text-button small"
            :aria-expanded="open.has(row.key)"
            @click="toggle(row.key)"
          >
            {{ open.has(row.key) ? 'fold' : 'unfold' }}
          </button>
          <button
            v-if="row.set !== undefined"
            type="button"
            class="step-button"
            :aria-label="`Take key ${row.key} away`"
            title="take the key away"
            @click="clear(row.key)"
          >
            ×
          </button>
        </p>
      </div>
      <KeyOutline
        v-if="open.has(row.key) && submenu(row.set) !== undefined"
        :menu="submenu(row.set)!"
        :scripts
        :depth="(depth ?? 0) + 1"
      />
    </li>
    <li v-if="free.length > 0" class="another">
      <NewKeys :menu :free />
    </li>
    <li class="row rest">
      <kbd>–</kbd>
      <p class="label">No key</p>
      <p class="soft">
        after {{ menu.fields.plays }} plays:
        <InlineField
          :object="menu"
          path="silence"
          :type="{ unset: 'nowhere: the call is cut off' }"
          label="Silence leads to"
        />
      </p>
    </li>
    <li class="row rest">
      <kbd>?</kbd>
      <p class="label">Any other key</p>
      <p class="soft">
        after {{ menu.fields.invalidAllowed }}:
        <InlineField :object="menu" path="invalid" :type="{ unset: 'as no key' }" label="Wrong keys lead to" /><template
          v-if="dials"
          >; a digit may begin an extension</template
        >
      </p>
    </li>
  </ul>
</template>

<style scoped>
.outline {
  margin: 0;
  padding: 0;
  list-style: none;
}

.outline .outline {
  padding-left: 34px;
}

.row {
  display: grid;
  grid-template-columns: 30px minmax(110px, 1fr) minmax(140px, 1.2fr) 72px;
  gap: 10px;
  align-items: start;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule-soft);
}

kbd {
  width: 24px;
  font-size: 14px;
  text-align: center;
}

kbd.unset {
  border: 1px dashed var(--red);
  color: var(--red);
}

.label {
  font-weight: 600;
}

.script {
  font: italic 14px/1.5 var(--serif);
}

.warn {
  color: var(--buoy);
}

.another {
  padding: 6px 0 6px 40px;
  border-bottom: 1px solid var(--rule-soft);
}

.hands {
  display: flex;
  gap: 10px;
  justify-content: flex-end;
}
</style>
