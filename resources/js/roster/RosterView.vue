<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { CustomerLine } from '@/api'
import { useSession } from '@/session'
import { age, EmptyState, ErrorState, LoadingLines, PageTop, plural, stageInWords, useNow, useShortcuts } from '@/shared'
import { filtered, OPEN, sorted, type Filter, type Sort, type SortKey } from './filter'
import { rosterQuery } from './rosterQueries'

const router = useRouter()
const { technician, reseller, signOut } = useSession()
const { data, error, isPending, refetch } = useQuery(rosterQuery)
const now = useNow()

const filter = reactive<Filter>({ ...OPEN })
const sort = ref<Sort>({ by: 'name', down: false })
const at = ref(0)
const search = ref<HTMLInputElement>()
const body = ref<HTMLElement>()

const lines = computed(() => sorted(filtered(data.value ?? [], filter), sort.value))
const stages = computed(() => [...new Set((data.value ?? []).map((line) => line.stage))].sort())
const people = computed(() => [...new Set((data.value ?? []).flatMap((line) => line.lookedAfterBy ?? []))].sort())
const narrowed = computed(() => filter.stage !== '' || filter.drift !== 'any' || filter.who !== '' || filter.words.trim() !== '')

const columns: { key: SortKey; title: string }[] = [
  { key: 'name', title: 'Customer' },
  { key: 'stage', title: 'Stage' },
  { key: 'mainNumber', title: 'Main number' },
  { key: 'differences', title: 'Book against switch' },
  { key: 'pushedAt', title: 'Pushed' },
  { key: 'lookedAfterBy', title: 'Who' },
]

watch(lines, (shown) => (at.value = Math.max(0, Math.min(at.value, shown.length - 1))))

function sortBy(key: SortKey): void {
  sort.value = { by: key, down: sort.value.by === key ? !sort.value.down : false }
}

function sortedHow(key: SortKey): 'ascending' | 'descending' | 'none' {
  if (sort.value.by !== key) return 'none'
  return sort.value.down ? 'descending' : 'ascending'
}

function move(by: number): void {
  at.value = Math.max(0, Math.min(lines.value.length - 1, at.value + by))
  void nextTick(() => body.value?.children[at.value]?.scrollIntoView({ block: 'nearest' }))
}

function open(line: CustomerLine | undefined): void {
  if (line !== undefined) void router.push({ name: 'desk', params: { customer: line.key } })
}

function clear(): void {
  Object.assign(filter, OPEN)
}

function drift(line: CustomerLine): string {
  if (line.differences === null) return line.pushedAt === null ? 'not on the switch' : 'not read yet'
  return line.differences === 0 ? 'the same' : plural(line.differences, 'difference')
}

function pushed(line: CustomerLine): string {
  if (line.pushedAt === null) return 'never'
  const behind = line.revision - (line.pushedRevision ?? 0)
  return behind > 0 ? `${age(line.pushedAt, now.value)} · book ${behind} ahead` : age(line.pushedAt, now.value)
}

useShortcuts([
  { keys: 'j', label: 'next customer', scope: 'Roster', run: () => { move(1) } },
  { keys: 'k', label: 'customer before', scope: 'Roster', run: () => { move(-1) } },
  { keys: 'Enter', label: 'open the customer', scope: 'Roster', run: () => { open(lines.value[at.value]) } },
  { keys: '/', label: 'search', scope: 'Roster', run: () => search.value?.focus() },
  ...(technician.value?.mayTakeOn === true ? [{ keys: 'n', label: 'take on a customer', scope: 'Roster', run: () => void router.push('/taking-on') }] : []),
])
</script>

<template>
  <PageTop>
    <span class="soft">{{ reseller }}</span>
    <template #hand>
      <span><kbd>Ctrl K</kbd> <span class="soft small">jump</span></span>
      <router-link to="/second-factor">{{ technician?.name }}</router-link>
      <button type="button" class="text-button" @click="signOut">Sign out</button>
    </template>
  </PageTop>
  <main class="roster">
    <h1 class="visually-hidden">Roster</h1>
    <LoadingLines v-if="isPending" what="the Roster" />
    <ErrorState v-else-if="error !== null && data === undefined" :error="error" @again="refetch()" />
    <EmptyState v-else-if="data?.length === 0" title="No customer is yours yet">
      <p v-if="technician?.mayTakeOn"><router-link to="/taking-on">Take on a customer</router-link> from a template and four answers.</p>
      <p v-else>Ask whoever grants customers at {{ reseller }} for the ones you look after.</p>
    </EmptyState>
    <template v-else>
      <div class="line">
        <p class="sentence">
          Customers
          <select v-model="filter.stage" aria-label="Stage">
            <option value="">in any stage</option>
            <option v-for="stage in stages" :key="stage" :value="stage">{{ stageInWords(stage) }}</option>
          </select>
          with
          <select v-model="filter.drift" aria-label="Book against switch">
            <option value="any">any drift or none</option>
            <option value="some">some drift</option>
            <option value="none">no drift</option>
            <option value="unread">nothing read from the switch</option>
          </select>,
          looked after by
          <select v-model="filter.who" aria-label="Looked after by">
            <option value="">anyone</option>
            <option v-for="who in people" :key="who" :value="who">{{ who }}</option>
          </select>,
          called
          <input ref="search" v-model="filter.words" class="words" type="search" aria-label="Name or number" placeholder="anything" @keydown.enter="open(lines[at])" @keydown.down.prevent="move(1)" @keydown.up.prevent="move(-1)" @keydown.esc="filter.words = ''">
          <button v-if="narrowed" type="button" class="text-button small" @click="clear">show all</button>
        </p>
        <p class="soft" role="status">{{ narrowed ? `${lines.length} of ${plural(data?.length ?? 0, 'customer')}` : plural(lines.length, 'customer') }}</p>
        <el-button v-if="technician?.mayTakeOn" type="primary" data-testid="take-on" @click="router.push('/taking-on')">Take on a customer</el-button>
      </div>
      <p v-if="error !== null" class="fault small" role="alert">The Roster could not be read again just now; what you see may be a little old.</p>
      <table>
        <thead>
          <tr>
            <th v-for="column in columns" :key="column.key" scope="col" :aria-sort="sortedHow(column.key)">
              <button type="button" class="sorter" @click="sortBy(column.key)">{{ column.title }}<span aria-hidden="true">{{ sortedHow(column.key) === 'ascending' ? ' ↑' : sortedHow(column.key) === 'descending' ? ' ↓' : '' }}</span></button>
            </th>
          </tr>
        </thead>
        <tbody ref="body">
          <!-- The whole line takes the mouse; its link and the keys j, k and Enter serve everybody else. -->
          <!-- eslint-disable-next-line vuejs-accessibility/click-events-have-key-events, vuejs-accessibility/no-static-element-interactions -->
          <tr v-for="(line, index) in lines" :key="line.key" :class="{ here: index === at }" :data-testid="`line-${line.key}`" @click="open(line)">
            <td class="name"><router-link :to="{ name: 'desk', params: { customer: line.key } }" @click.stop>{{ line.name }}</router-link></td>
            <td>{{ stageInWords(line.stage) }}</td>
            <td class="number">
              <template v-if="line.mainNumber !== null"><span class="mono">{{ line.mainNumber }}</span> <span class="soft">→ {{ line.leadsTo ?? 'nowhere' }}</span></template>
              <span v-else class="soft">none</span>
            </td>
            <td :class="{ soft: (line.differences ?? 0) === 0 }">
              <span v-if="(line.differences ?? 0) > 0" class="mark" aria-hidden="true" />{{ drift(line) }}<span v-if="line.liveReadAt !== null" class="soft small"> · read {{ age(line.liveReadAt, now) }}</span>
            </td>
            <td :class="{ soft: line.pushedAt === null }">{{ pushed(line) }}</td>
            <td class="soft">{{ line.lookedAfterBy ?? '—' }}</td>
          </tr>
        </tbody>
      </table>
      <EmptyState v-if="lines.length === 0" title="No customer fits this sentence">
        <button type="button" class="text-button" @click="clear">Show all {{ data?.length }}</button>
      </EmptyState>
    </template>
  </main>
  <footer class="foot soft small">
    <span><kbd>j</kbd> <kbd>k</kbd> move</span><span><kbd>Enter</kbd> open</span><span><kbd>/</kbd> search</span><span><kbd>?</kbd> all keys</span>
  </footer>
</template>

<style scoped>
.roster {
  padding: 0 18px 56px;
}

.line {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 0 8px;
}

.sentence {
  flex: 1;
  font-size: 15px;
}

.sentence select,
.words {
  field-sizing: content;
  padding: 0 2px;
  border: 0;
  border-bottom: 1px solid var(--teal);
  border-radius: 0;
  background: transparent;
  color: var(--teal);
  appearance: none;
  cursor: pointer;
}

.sentence option {
  background: var(--sheet);
  color: var(--ink);
}

.words {
  min-width: 5em;
  max-width: 16em;
  cursor: text;
}

.words::placeholder {
  color: var(--teal);
}

.sorter {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}

tbody tr {
  cursor: pointer;
}

tbody tr:hover {
  background: var(--shade);
}

tbody tr.here {
  background: var(--sheet);
  box-shadow: inset 3px 0 var(--buoy);
}

td {
  white-space: nowrap;
}

.name a {
  color: inherit;
  font-weight: 600;
  text-decoration: none;
}

.number {
  max-width: 420px;
  overflow: hidden;
  text-overflow: ellipsis;
}

.mark {
  display: inline-block;
  width: 4px;
  height: 11px;
  margin-right: 7px;
  background: var(--ink);
}

.foot {
  position: fixed;
  inset: auto 0 0;
  display: flex;
  gap: 16px;
  padding: 7px 18px;
  border-top: 1px solid var(--rule);
  background: var(--paper);
}
</style>
