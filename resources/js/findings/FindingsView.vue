<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref, shallowReactive, watch } from 'vue'
import { useRouter } from 'vue-router'
import { client, detailOf, take, type FindingHead, type FindingLine } from '@/api'
import { chapterOfFinding } from '@/desk'
import { rulesQuery } from '@/rules'
import {
  ChoiceField,
  EmptyState,
  ErrorState,
  LoadingLines,
  PageTop,
  plural,
  SEVERITIES,
  useAddressed,
  useLongList,
  useNow,
  useShortcuts,
  useTitle,
} from '@/shared'
import AuditBar from './AuditBar.vue'
import ChosenFindings from './ChosenFindings.vue'
import FindingMargin from './FindingMargin.vue'
import FindingRow from './FindingRow.vue'
import { FINDINGS_KEY, FORMATS, mendableOf, saveAs, useFindings } from './findingQueries'
import MendSheet from './MendSheet.vue'
import { keyOf, KINDS, wanted, type Grouping, type Wanted } from './sorting'
import TrendBars from './TrendBars.vue'

/** What stands at every customer, by rule or by customer, heaviest first; one of them is told in the margin. */
const LINE_HEIGHT = 35
const router = useRouter()
const queryClient = useQueryClient()
const now = useNow()
const rules = useQuery(rulesQuery)
const nameOf = computed(() => new Map((rules.data.value?.rules ?? []).map((rule) => [rule.id, rule.name])))

const { place: filter, written } = useAddressed<Wanted & { by: Grouping; at: string }>(
  { weight: 'any', kind: 'standing', words: '', by: 'rule', at: '' },
  { weight: ['any', ...SEVERITIES], kind: Object.keys(KINDS) as (keyof typeof KINDS)[], by: ['rule', 'customer'] },
)
const { data, error, again, row, want, answered } = useFindings(
  () => filter,
  () => filter.at,
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
/** By what names them: they were in view when they were chosen, and need not be any more. */
const picked = shallowReactive(new Map<string, FindingLine>())
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

const count = computed(() => data.value?.rows ?? 0)
const chosen = computed(() => wanted([...picked.values()], filter, data.value?.me ?? '', now.value))
const here = computed(() => row(at.value).line)
const initials = computed(() => new Map((data.value?.technicians ?? []).map((each) => [each.id, each.initials])))
const { isLong, drawn, show } = useLongList(
  () => count.value,
  () => page.value ?? null,
  LINE_HEIGHT,
)
const inView = computed(() =>
  Array.from({ length: Math.min(drawn.value.to, count.value) - drawn.value.from }, (_, nth) =>
    row(drawn.value.from + nth),
  ),
)
watch(
  [() => drawn.value.from, () => Math.min(drawn.value.to, count.value)],
  ([from, to]) => {
    want(from, to)
  },
  { immediate: true },
)
watch(inView, (shown) => {
  for (const { line } of shown) if (line !== undefined && picked.has(keyOf(line))) picked.set(keyOf(line), line)
})

/** The sentence that the rows are of. */
let seen = ''
// Who stood on a finding stays on it while it is there, whatever comes and goes around it.
watch(
  data,
  (read) => {
    if (read === undefined) return
    const asked = JSON.stringify([filter.weight, filter.kind, filter.words, filter.by])
    const isSame = asked === seen
    at.value = read.place ?? (isSame ? Math.max(0, Math.min(at.value, read.rows - 1)) : 0)
    if (row(at.value).head !== undefined) at.value++
    if (!isSame && seen !== '') reveal()
    seen = asked
  },
  { immediate: true },
)
const isShown = ref(false)
watch(
  [data, page],
  ([read]) => {
    // Back from a customer, the finding one came from is in view.
    if (isShown.value || read === undefined || page.value === undefined) return
    isShown.value = true
    if (at.value > 1) stand(at.value)
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
  let to = at.value + by
  while (row(to).head !== undefined) to += by
  if (to >= 0 && to < count.value) stand(to)
}

function stand(place: number): void {
  at.value = place
  filter.at = here.value === undefined ? '' : keyOf(here.value)
  reveal()
}

function reveal(): void {
  // Above the first finding stands its head.
  const shown = at.value === 1 ? 0 : at.value
  if (isLong.value) show(shown)
  else void nextTick(() => body.value?.children[shown]?.scrollIntoView({ block: 'nearest' }))
}

function pick(line: FindingLine | undefined): void {
  if (line !== undefined && !picked.delete(keyOf(line))) picked.set(keyOf(line), line)
}

function mendable(of: FindingLine[]): FindingLine[] {
  return of.filter((line) => line.fix !== null && !line.waived)
}

function mend(of: FindingLine[]): void {
  mending.value = mendable(of)
  isMending.value = mending.value.length > 0
}

function mendAll(head: FindingHead): void {
  void attempt(async () => {
    mend(await mendableOf(filter, head.key))
    return ''
  })
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
    const of = chosen.value
    await saveAs(format, of.length > 0 ? of : filter)
    return `${plural(of.length > 0 ? of.length : (data.value?.total ?? 0), 'finding')} saved as ${FORMATS[format]}.`
  })
}

function setDigest(wanted: boolean): void {
  void attempt(async () => {
    await take(client.PUT('/digest', { body: { wanted } }))
    await queryClient.invalidateQueries({ queryKey: FINDINGS_KEY })
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
    <ErrorState v-if="error !== null && data === undefined" :error="error" @again="again()" />
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
            @keydown.enter="void answered().then(() => open(here))"
            @keydown.esc="filter.words = ''"
          />
        </p>
        <TrendBars :days="data.trend" />
      </div>
      <p class="under">
        <span role="status">{{ plural(data.total, 'finding') }} at {{ plural(data.customers, 'customer') }}</span>
        <span v-if="error !== null" class="fault" role="alert">Not all of it could be read just now.</span>
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
              ><button type="button" class="text-button" :disabled="data.total === 0" @click="save(format)">
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
      <EmptyState v-if="data.total === 0" title="Nothing found">{{
        data.all === 0 ? 'Every customer of yours is sound.' : 'No finding fits this sentence.'
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
              <FindingRow
                v-for="each in inView"
                :key="each.at"
                :row="each"
                :by="filter.by"
                :class="{ here: each.at === at }"
                :rule-name="nameOf.get(each.head?.title ?? '')"
                :is-picked="each.line !== undefined && picked.has(keyOf(each.line))"
                :who="initials.get(each.line?.assignee ?? '')"
                :to="each.line === undefined ? '/findings' : chapterOf(each.line)"
                @stand="stand(each.at)"
                @pick="pick(each.line)"
                @open="void open(each.line)"
                @mend="each.head !== undefined && mendAll(each.head)"
              />
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
