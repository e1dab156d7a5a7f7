<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { client, take, type BookObject, type FindingLine } from '@/api'
import { chapterOfKind } from '@/desk'
import { age, EmptyState, ErrorState, LoadingLines, PageTop, plural, SeverityBars, useLongList, useNow, useShortcuts } from '@/shared'
import { grouped, wanted, type Grouping, type Wanted } from './sorting'

/** What stands at every customer, by rule or by customer, heaviest first. */
const LINE_HEIGHT = 35
const router = useRouter()
const now = useNow()
const { data, error, refetch } = useQuery({ queryKey: ['findings'], queryFn: async () => (await take(client.GET('/findings'))).findings })

const by = ref<Grouping>('rule')
const filter = reactive<Wanted>({ weight: 'any', waived: false, words: '' })
const at = ref(0)
const page = ref<HTMLElement>()
const body = ref<HTMLElement>()
const search = ref<HTMLInputElement>()

const groups = computed(() => grouped(wanted(data.value ?? [], filter), by.value))
/** Heads and lines one after another, as they are drawn; only lines are walked through. */
const rows = computed(() => groups.value.flatMap((group) => [{ head: group, line: undefined }, ...group.lines.map((line) => ({ head: undefined, line }))]))
const lines = computed(() => groups.value.flatMap((group) => group.lines))
const { isLong, drawn, show } = useLongList(() => rows.value.length, () => page.value ?? null, LINE_HEIGHT)
const inView = computed(() => rows.value.slice(drawn.value.from, drawn.value.to))

watch(lines, (shown) => (at.value = Math.max(0, Math.min(at.value, shown.length - 1))))

function chapterOf(line: FindingLine): { name: string; params: Record<string, string>; query: Record<string, string> } {
  return { name: 'desk', params: { customer: line.customer, chapter: line.rule.startsWith('drift.') ? 'push' : chapterOfKind(line.object.slice(0, line.object.indexOf(':')) as BookObject['kind']) }, query: { at: line.object } }
}

function open(line: FindingLine | undefined): void {
  if (line !== undefined) void router.push(chapterOf(line))
}

function move(by: number): void {
  at.value = Math.max(0, Math.min(lines.value.length - 1, at.value + by))
  const line = lines.value[at.value]
  const row = rows.value.findIndex((each) => each.line === line)
  if (isLong.value) show(row)
  else void nextTick(() => body.value?.children[row]?.scrollIntoView({ block: 'nearest' }))
}

useShortcuts([
  { keys: 'j', label: 'next finding', scope: 'Findings', run: () => { move(1) } },
  { keys: 'k', label: 'finding before', scope: 'Findings', run: () => { move(-1) } },
  { keys: 'Enter', label: 'open the customer there', scope: 'Findings', run: () => { open(lines.value[at.value]) } },
  { keys: '/', label: 'look for words', scope: 'Findings', run: () => { search.value?.focus() } },
])
</script>

<template>
  <PageTop>
    <router-link to="/">‹ Roster</router-link>
    <h1 class="title">Findings</h1>
    <template #hand><kbd>Ctrl K</kbd></template>
  </PageTop>
  <main ref="page" class="findings">
    <ErrorState v-if="error !== null && data === undefined" :error="error" @again="refetch()" />
    <LoadingLines v-else-if="data === undefined" what="what was found" />
    <template v-else>
      <div class="filters">
        <p class="sentence">
          <select v-model="filter.weight" aria-label="Weight">
            <option value="any">All findings</option>
            <option value="blocker">Blockers</option>
            <option value="error">Errors or worse</option>
            <option value="warning">Warnings or worse</option>
          </select>
          that
          <select v-model="filter.waived" aria-label="Standing or waived"><option :value="false">stand</option><option :value="true">are waived</option></select>, by
          <select v-model="by" aria-label="By"><option value="rule">rule</option><option value="customer">customer</option></select>, with
          <input ref="search" v-model="filter.words" type="search" class="words" aria-label="Words" placeholder="any words" @keydown.down.prevent="move(1)" @keydown.up.prevent="move(-1)" @keydown.enter="open(lines[at])" @keydown.esc="filter.words = ''">
        </p>
        <p class="soft" role="status">{{ plural(lines.length, 'finding') }} at {{ plural(new Set(lines.map((line) => line.customer)).size, 'customer') }}</p>
      </div>
      <EmptyState v-if="lines.length === 0" title="Nothing found">{{ data.length === 0 ? 'Every customer of yours is sound.' : 'No finding fits this sentence.' }}</EmptyState>
      <table v-else>
        <thead><tr><th scope="col" class="weight">Weight</th><th scope="col">What</th><th scope="col" class="whose">{{ by === 'rule' ? 'Customer' : 'Rule' }}</th><th scope="col" class="since">First seen</th></tr></thead>
        <tbody ref="body">
          <tr v-if="drawn.above > 0" aria-hidden="true"><td :style="{ height: `${drawn.above}px` }" class="space" /></tr>
          <template v-for="row in inView" :key="row.head?.key ?? `${row.line?.customer} ${row.line?.fingerprint}`">
            <tr v-if="row.head !== undefined" class="head"><th scope="rowgroup" colspan="4"><span :class="{ mono: by === 'rule' }">{{ row.head.title }}</span> <span class="soft">{{ row.head.lines.length }}</span></th></tr>
            <!-- The whole line takes the mouse; its link and the keys j, k and Enter serve everybody else. -->
            <!-- eslint-disable-next-line vuejs-accessibility/click-events-have-key-events, vuejs-accessibility/no-static-element-interactions -->
            <tr v-else-if="row.line !== undefined" :class="{ here: row.line === lines[at] }" class="one" @click="open(row.line)">
              <td><SeverityBars :severity="row.line.severity" /></td>
              <td :title="row.line.detail"><router-link :to="chapterOf(row.line)" @click.stop>{{ row.line.title }}</router-link> <span class="soft">{{ row.line.detail }}</span></td>
              <td :class="{ mono: by === 'customer' }">{{ by === 'rule' ? row.line.name : row.line.rule }}</td>
              <td class="soft">{{ age(row.line.firstSeen, now) }}</td>
            </tr>
          </template>
          <tr v-if="drawn.below > 0" aria-hidden="true"><td :style="{ height: `${drawn.below}px` }" class="space" /></tr>
        </tbody>
      </table>
    </template>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.findings {
  height: calc(100vh - 44px);
  padding: 0 18px 18px;
  overflow-y: auto;
}

.words {
  min-width: 6em;
  cursor: text;
}

table {
  table-layout: fixed;
}

tbody td,
tbody th {
  height: 35px;
  padding-block: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  vertical-align: middle;
  white-space: nowrap;
}

tbody th {
  border-bottom: 1px solid var(--rule);
  color: var(--ink);
  font-weight: 600;
  text-align: left;
}

.one {
  cursor: pointer;
}

.one:hover {
  background: var(--shade);
}

.one.here {
  background: var(--sheet);
  box-shadow: inset 3px 0 var(--buoy);
}

.one a {
  color: inherit;
  font-weight: 600;
  text-decoration: none;
}

th.weight {
  width: 70px;
}

th.whose {
  width: 260px;
}

th.since {
  width: 96px;
}

td.space {
  padding: 0;
  border: 0;
}
</style>
