<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take } from '@/api'
import { EmptyState, some } from '@/shared'
import AllFields from '../AllFields.vue'
import CopyObject from '../CopyObject.vue'
import { useDesk } from '../desk'
import InlineField from '../InlineField.vue'
import NewObject from '../NewObject.vue'
import { useSelected } from '../selection'
import AnswersByState from './AnswersByState.vue'
import DirectoryPane from './DirectoryPane.vue'
import KeyOutline from './KeyOutline.vue'
import PromptPane from './PromptPane.vue'
import ScriptPane from './ScriptPane.vue'
import SettingRows from './SettingRows.vue'

/**
 * Attendants, their answers by state side by side; menus as an outline by key, each submenu foldable in place with its
 * script beside.
 */
const { customer, names } = useDesk()
const { all, selected, select } = useSelected('attendant', 'menu', 'announcement', 'prompt')

const scripts = useQuery({
  queryKey: ['computed', customer, 'menus'],
  queryFn: async () =>
    (await take(client.GET('/customers/{customer}/menus', { params: { path: { customer } } }))).menus,
})

const sorts = [
  { kind: 'attendant', title: 'Attendants' },
  { kind: 'menu', title: 'Menus' },
  { kind: 'announcement', title: 'Announcements' },
  { kind: 'prompt', title: 'Prompts' },
] as const

const from = computed(() =>
  names.value.objects.filter(
    (object) =>
      selected.value !== undefined && object.ref !== selected.value.ref && object.refersTo.includes(selected.value.ref),
  ),
)
const ATTENDANT = [
  ['In use', 'enabled'],
  ['Time zone', 'zone', { unset: 'as its site' }],
  ['Language', 'language', { unset: 'as the customer' }],
  ['Sends calls outside', 'onwardClass'],
] as const
const MENU = [
  ['A transfer', 'transfer', { choices: { comesBack: 'comes back if not taken', blind: 'is for good' } }],
  ['Says to a wrong key', 'invalidPrompt', { unset: 'nothing' }],
  ['Wrong keys allowed', 'invalidAllowed'],
  ['At most digits', 'dialExtensions/most', { unset: 'as long as an extension' }],
  ['Waits for the next digit', 'dialExtensions/interdigit'],
  ['Site', 'site', { unset: 'none' }],
  ['Sends calls outside', 'onwardClass'],
] as const
const tenant = computed(() => names.value.all('tenant')[0])
const isMenu = computed(() => selected.value?.kind === 'menu')
const dials = computed(() => (selected.value?.kind === 'menu' ? selected.value.fields.dialExtensions.scope : 'off'))
</script>

<template>
  <div class="two">
    <nav class="list pick-list" aria-label="Attendants, menus and what they say">
      <section v-for="sort in sorts" :key="sort.kind">
        <h2>{{ sort.title }}</h2>
        <ul>
          <li v-for="object in all.filter((each) => each.kind === sort.kind)" :key="object.ref">
            <button
              type="button"
              :class="{ here: object.ref === selected?.ref }"
              :aria-pressed="object.ref === selected?.ref"
              @click="select(object.ref)"
            >
              {{ object.label }} <span class="mono soft small">{{ object.extension }}</span>
            </button>
          </li>
        </ul>
        <NewObject :kind="sort.kind" @made="select" />
      </section>
    </nav>
    <div class="one">
      <EmptyState v-if="selected === undefined" title="No attendant and no menu in this book"
        >Callers go straight to people. Type a name at the left to begin one.</EmptyState
      >
      <section v-else :key="selected.ref" :aria-label="selected.label">
        <div class="head">
          <h2>{{ selected.label }}</h2>
          <span class="soft">{{
            from.length === 0
              ? 'nothing leads here'
              : `reached from ${some(from.map((each) => each.display ?? each.label))}`
          }}</span>
          <p v-if="isMenu" class="how">
            plays <InlineField :object="selected" path="plays" label="Plays" /> times, waits
            <InlineField :object="selected" path="wait" label="Waits" />, any extension may be dialled
            <InlineField
              :object="selected"
              path="dialExtensions/scope"
              :type="{ choices: { off: 'no', site: 'of this site', all: 'yes' } }"
              label="Any extension may be dialled"
            /><template v-if="dials !== 'off'"
              >, from <InlineField :object="selected" path="dialExtensions/least" label="Least digits" /> digits
              on</template
            >
          </p>
        </div>
        <template v-if="selected.kind === 'attendant'">
          <AnswersByState :attendant="selected" @open="select" />
          <SettingRows :object="selected" title="When, and how" :rows="ATTENDANT" />
        </template>
        <div v-else-if="selected.kind === 'menu'" class="menu">
          <div>
            <KeyOutline :menu="selected" :scripts="scripts.data.value ?? []" />
            <DirectoryPane
              :menu="selected"
              :directory="scripts.data.value?.find((each) => each.ref === selected?.ref)?.directory"
            />
          </div>
          <ScriptPane
            :holder="selected"
            path="prompt"
            :keys="scripts.data.value?.find((each) => each.ref === selected?.ref)?.told ?? []"
            :written="scripts.data.value?.find((each) => each.ref === selected?.ref)?.written ?? ''"
            :seconds="scripts.data.value?.find((each) => each.ref === selected?.ref)?.seconds ?? 0"
          />
        </div>
        <p v-else-if="selected.kind === 'announcement'" class="says">
          Plays <InlineField :object="selected" path="prompt" :type="{ unset: 'nothing' }" label="Prompt" />, then
          <InlineField :object="selected" path="then" label="Then" />.
        </p>
        <PromptPane v-else :prompt="selected" />
        <template v-if="selected.kind === 'menu'">
          <SettingRows :object="selected" title="When, and how" :rows="MENU" />
          <SettingRows
            v-if="tenant !== undefined && selected.fields.transfer === 'comesBack'"
            :object="tenant"
            title="Of every menu of this customer"
            :rows="[['A transfer comes back after', 'transferRings']]"
          />
        </template>
        <p v-if="selected.kind !== 'prompt'" class="acts"><CopyObject :object="selected" @made="select" /></p>
        <AllFields :object="selected" removable />
      </section>
    </div>
  </div>
</template>

<style scoped>
.acts {
  padding: 10px 0 0;
}

.two {
  display: grid;
  grid-template-columns: 146px minmax(0, 1fr);
  gap: 18px;
}

.list h2 {
  margin-top: 8px;
  color: var(--ink-soft);
  font: 400 14px/1.4 var(--sans);
}

.list ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}

.how {
  color: var(--ink-soft);
}

.how :deep(.field) {
  color: var(--ink);
}

.menu {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(190px, 250px);
  gap: 18px;
  margin-top: 8px;
}

.says {
  margin-top: 12px;
}

@media (width < 1180px) {
  .menu {
    grid-template-columns: 1fr;
  }
}
</style>
