<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { client, detailOf, take, type FindingLine } from '@/api'
import { chapterOfFinding } from '@/desk'
import { rulesQuery } from '@/rules'
import {
  age,
  ChoiceField,
  dayInWords,
  EmptyState,
  ErrorState,
  inManner,
  LoadingLines,
  PageTop,
  plural,
  SEVERITIES,
  SeverityBars,
  useAddressed,
  useLongList,
  useNow,
  useShortcuts,
  useTitle,
} from '@/shared'
import AuditBar from './AuditBar.vue'
import ChosenFindings from './ChosenFindings.vue'
import FindingMargin from './FindingMargin.vue'
import { findingsQuery, FORMATS, saveAs } from './findingQueries'
import MendSheet from './MendSheet.vue'
import { grouped, isDue, isFresh, keyOf, KINDS, wanted, type Grouping, type Wanted } from './sorting'
import TrendBars from './TrendBars.vue'

/** What stands at every customer, by rule or by customer, heaviest first; one of them is told in the margin. */
const LINE_HEIGHT = 35
const router = useRouter()
const queryClient = useQueryClient()
const now = useNow()
const { data, error, refetch } = useQuery(findingsQuery)
const rules = useQuery(rulesQuery)
const nameOf = computed(() => new Map((rules.data.value?.rules ?? []).map((rule) => [rule.id, rule.name])))

const { place: filter, written } = useAddressed<Wanted & { by: Grouping; at: string }>(
  { weight: 'any', kind: 'standing', words: '', by: 'rule', at: '' },
  { weight: ['any', ...SEVERITIES], kind: Object.keys(KINDS) as (keyof typeof KINDS)[], by: ['rule', 'customer'] },
)
const WEIGHED = [
  ['any', 'All findings'],
  ['blocker', 'Blockers'],
  ['error', 'Errors or worse'],
  ['warning', 'Warnings or worse'],
] as const
const WHICH = Object.entries(KINDS) as [Wanted['kind'], string][]
const BY = [
  ['rule', 'rule'],
  ['customer', 'customer'],
] as const
const at = ref(0)
const picked = reactive(new Set<string>())
const mending = ref<FindingLine[]>([])
const isMending = ref(false)
const notice = ref('')

function seenTo(told: string, isWhole: boolean): void {
  notice.value = told
  if (isWhole) picked.clear()
}
const page = ref<HTMLElement>()
const body = ref<HTMLElement>()
const search = ref<{ focus: () => void }>()

const all = computed(() => data.value?.findings ?? [])
const groups = computed(() => grouped(wanted(all.value, filter, data.value?.me ?? '', now.value), filter.by))
/** Heads and lines one after another, as they are drawn; only lines are walked through. */
const rows = computed(() =>
  groups.value.flatMap((group) => [
    { head: group, line: undefined },
    ...group.lines.map((line) => ({ head: undefined, line })),
  ]),
)
const lines = computed(() => groups.value.flatMap((group) => group.lines))
const chosen = computed(() => lines.value.filter((line) => picked.has(keyOf(line))))
const here = computed(() => lines.value[at.value])
const initials = computed(() => new Map((data.value?.technicians ?? []).map((each) => [each.id, each.initials])))
const { isLong, drawn, show } = useLongList(
  () => rows.value.length,
  () => page.value ?? null,
  LINE_HEIGHT,
)
const inView = computed(() => rows.value.slice(drawn.value.from, drawn.value.to))

// Who stood on a finding stays on it while it is there, whatever comes and goes around it.
watch(
  [lines, () => filter.at],
  ([shown]) => {
    const stays = shown.findIndex((line) => keyOf(line) === filter.at)
    at.value = stays >= 0 ? stays : Math.max(0, Math.min(at.value, shown.length - 1))
  },
  { immediate: true },
)
const isShown = ref(false)
watch(
  [lines, page],
  ([shown]) => {
    // Back from a customer, the finding one came from is in view.
    if (isShown.value || shown.length === 0 || page.value === undefined) return
    isShown.value = true
    if (at.value > 0) stand(at.value)
  },
  { flush: 'post' },
)

function chapterOf(line: FindingLine): { name: string; params: Record<string, string>; query: Record<string, string> } {
  return {
    name: 'desk',
    params: { customer: line.customer, chapter: chapterOfFinding(line.rule, line.object) },
    query: { at: line.object },
  }
}

async function open(line: FindingLine | undefined): Promise<void> {
  if (line === undefined) return
  filter.at = keyOf(line)
  await written()
  await router.push(chapterOf(line))
}

function move(by: number): void {
  stand(Math.max(0, Math.min(lines.value.length - 1, at.value + by)))
}

function stand(place: number): void {
  at.value = place
  filter.at = here.value === undefined ? '' : keyOf(here.value)
  const row = rows.value.findIndex((each) => each.line === here.value)
  if (isLong.value) show(row)
  else void nextTick(() => body.value?.children[row]?.scrollIntoView({ block: 'nearest' }))
}

function pick(line: FindingLine | undefined): void {
  if (line !== undefined && !picked.delete(keyOf(line))) picked.add(keyOf(line))
}

function mendable(of: FindingLine[]): FindingLine[] {
  return of.filter((line) => line.fix !== null && !line.waived)
}

function mend(of: FindingLine[]): void {
  mending.value = mendable(of)
  isMending.value = mending.value.length > 0
}

async function attempt(what: () => Promise<string>): Promise<void> {
  try {
    notice.value = await what()
  } catch (error) {
    notice.value = detailOf(error)
  }
}

function save(format: keyof typeof FORMATS): void {
  void attempt(async () => {
    const of = chosen.value.length > 0 ? chosen.value : lines.value
    await saveAs(format, of)
    return `${plural(of.length, 'finding')} saved as ${FORMATS[format]}.`
  })
}

function setDigest(wanted: boolean): void {
  void attempt(async () => {
    await take(client.PUT('/digest', { body: { wanted } }))
    queryClient.setQueryData(findingsQuery.queryKey, (known) => known && { ...known, digest: wanted })
    return wanted ? 'Each morning what is new is mailed to you, if anything is.' : 'No more letters.'
  })
}

function mailNow(): void {
  void attempt(async () => {
    const { told, to } = await take(client.POST('/digest'))
    return told === 0
      ? 'Nothing is new or due: no letter was sent.'
      : `A letter about ${plural(told, 'finding')} is on its way to ${to}.`
  })
}

useTitle(() => ['Findings'])
useShortcuts([
  {
    keys: 'j',
    label: 'next finding',
    scope: 'Findings',
    run: () => {
      move(1)
    },
  },
  {
    keys: 'k',
    label: 'finding before',
    scope: 'Findings',
    run: () => {
      move(-1)
    },
  },
  {
    keys: 'Enter',
    label: 'open the customer there',
    scope: 'Findings',
    run: () => {
      void open(here.value)
    },
  },
  {
    keys: 'x',
    label: 'choose the finding, for several at once',
    scope: 'Findings',
    run: () => {
      pick(here.value)
    },
  },
  {
    keys: 'm',
    label: 'mend what is chosen, or this one',
    scope: 'Findings',
    run: () => {
      mend(chosen.value.length > 0 ? chosen.value : here.value === undefined ? [] : [here.value])
    },
  },
  {
    keys: '/',
    label: 'look for words',
    scope: 'Findings',
    run: () => {
      search.value?.focus()
    },
  },
])
</script>

<template>
  <PageTop>
    <router-link to="/">‹ Roster</router-link>
    <h1 class="page-title">Findings</h1>
    <template #hand><router-link to="/rules">Rules</router-link><kbd>Ctrl K</kbd></template>
  </PageTop>
  <main class="ledger-page">
    <ErrorState v-if="error !== null && data === undefined" :error="error" @again="refetch()" />
    <LoadingLines v-else-if="data === undefined || rules.isPending.value" what="what was found" />
    <template v-else>
      <AuditBar />
      <div class="filters">
        <p class="sentence">
          <ChoiceField v-model="filter.weight" in-sentence aria-label="Weight" :options="WEIGHED" />
          that
          <ChoiceField v-model="filter.kind" in-sentence aria-label="Which" :options="WHICH" />, by
          <ChoiceField v-model="filter.by" in-sentence aria-label="By" :options="BY" />, with
          <el-input
            ref="search"
            v-model="filter.words"
            type="search"
            class="words"
            aria-label="Words"
            placeholder="any words"
            @keydown.down.prevent="move(1)"
            @keydown.up.prevent="move(-1)"
            @keydown.enter="void open(here)"
            @keydown.esc="filter.words = ''"
          />
        </p>
        <TrendBars :days="data.trend" />
      </div>
      <p class="under">
        <span role="status"
          >{{ plural(lines.length, 'finding') }} at
          {{ plural(new Set(lines.map((line) => line.customer)).size, 'customer') }}</span
        >
        <template v-if="chosen.length > 0">
          <strong>{{ chosen.length }} chosen</strong>
          <button v-if="mendable(chosen).length > 0" type="button" class="quiet-button" @click="mend(chosen)">
            Mend {{ mendable(chosen).length }} …
          </button>
          <ChosenFindings :chosen :technicians="data.technicians" @done="seenTo" />
          <button type="button" class="text-button" @click="picked.clear()">choose none</button>
        </template>
        <span v-if="notice !== ''" class="notice" role="status">{{ notice }}</span>
        <span class="rest soft">
          <span
            >save
            <template v-for="(said, format) in FORMATS" :key="format"
              ><button type="button" class="text-button" :disabled="lines.length === 0" @click="save(format)">
                {{ said }}</button
              >{{ ' ' }}</template
            ></span
          >
          <el-checkbox size="small" :model-value="data.digest" @update:model-value="setDigest($event === true)"
            >mail me what is new</el-checkbox
          >
          <button type="button" class="text-button" @click="mailNow">send it now</button>
        </span>
      </p>
      <EmptyState v-if="lines.length === 0" title="Nothing found">{{
        all.length === 0 ? 'Every customer of yours is sound.' : 'No finding fits this sentence.'
      }}</EmptyState>
      <div v-else class="ledger">
        <div ref="page" class="list">
          <table>
            <thead>
              <tr>
                <td class="corner mark" />
                <th scope="col" class="weight">Weight</th>
                <th scope="col">What</th>
                <th scope="col" class="whose">{{ filter.by === 'rule' ? 'Customer' : 'Rule' }}</th>
                <th scope="col" class="who">Who</th>
                <th scope="col" class="since">First seen</th>
              </tr>
            </thead>
            <tbody ref="body">
              <tr v-if="drawn.above > 0" aria-hidden="true">
                <td colspan="6" :style="{ height: `${drawn.above}px` }" class="space" />
              </tr>
              <template v-for="row in inView" :key="row.head?.key ?? (row.line === undefined ? '' : keyOf(row.line))">
                <tr v-if="row.head !== undefined" class="head">
                  <th scope="rowgroup" colspan="6">
                    <span v-if="filter.by === 'rule'"
                      >{{ nameOf.get(row.head.title) }} <span class="mono soft">{{ row.head.title }}</span></span
                    ><span v-else>{{ row.head.title }}</span>
                    {{ ' ' }}
                    <span class="soft">{{ row.head.lines.length }}</span>
                    <button
                      v-if="mendable(row.head.lines).length > 1"
                      type="button"
                      class="text-button all"
                      @click="mend(row.head.lines)"
                    >
                      mend {{ mendable(row.head.lines).length }} …
                    </button>
                  </th>
                </tr>
                <!-- The whole line takes the mouse; its link and the keys j, k, x, m and Enter serve everybody else.
                     -->
                <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
                <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
                <tr
                  v-else-if="row.line !== undefined"
                  :class="{ here: row.line === here }"
                  class="one"
                  @click="stand(lines.indexOf(row.line))"
                >
                  <td class="mark">
                    <el-checkbox
                      size="small"
                      :model-value="picked.has(keyOf(row.line))"
                      :aria-label="`Choose ${row.line.title}`"
                      tabindex="-1"
                      @click.stop
                      @change="pick(row.line)"
                    />
                  </td>
                  <td><SeverityBars :severity="row.line.severity" /></td>
                  <td :title="inManner(row.line.detail)">
                    <a
                      :href="router.resolve(chapterOf(row.line)).href"
                      @click.stop.exact.prevent="void open(row.line)"
                      >{{ inManner(row.line.title) }}</a
                    >
                    {{ ' ' }}
                    <span class="soft">{{ inManner(row.line.detail) }}</span>
                  </td>
                  <td :class="{ mono: filter.by === 'customer' }">
                    {{ filter.by === 'rule' ? row.line.name : row.line.rule }}
                  </td>
                  <td>
                    <span :class="isDue(row.line, now) ? 'fault' : 'soft'"
                      >{{ initials.get(row.line.assignee ?? '') ?? '—'
                      }}{{ row.line.due === null ? '' : ` · ${dayInWords(row.line.due, false)}` }}</span
                    >
                  </td>
                  <td class="soft">
                    {{ age(row.line.firstSeen, now)
                    }}<span v-if="isFresh(row.line, now)" class="visually-hidden">, new since yesterday</span>
                  </td>
                </tr>
              </template>
              <tr v-if="drawn.below > 0" aria-hidden="true">
                <td colspan="6" :style="{ height: `${drawn.below}px` }" class="space" />
              </tr>
            </tbody>
          </table>
        </div>
        <FindingMargin
          v-if="here !== undefined"
          :key="keyOf(here)"
          :line="here"
          :technicians="data.technicians"
          :name="nameOf.get(here.rule)"
          @open="open(here)"
          @mend="mend([here])"
        />
      </div>
      <MendSheet v-model="isMending" :lines="mending" @mended="picked.clear()" />
    </template>
  </main>
</template>

<style scoped>
.filters {
  min-height: 54px;
  padding-block: 6px;
}

.under {
  /* As high with buttons as without: choosing moves no line. */
  min-height: 34px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  padding-bottom: 6px;
}

.rest {
  display: flex;
  gap: 16px;
  margin-left: auto;
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

.all {
  margin-left: 12px;
  font-weight: 400;
}

.one a {
  color: inherit;
  font-weight: 600;
  text-decoration: none;
}

.one a:hover {
  text-decoration: underline;
}

.mark {
  width: 30px;
}

th.weight {
  width: 64px;
}

th.whose {
  width: 200px;
}

th.who {
  width: 116px;
}

th.since {
  width: 92px;
}

td.space {
  padding: 0;
  border: 0;
}

@media (max-width: 1100px) {
  th.whose {
    width: 150px;
  }

  th.who {
    width: 84px;
  }
}
</style>
