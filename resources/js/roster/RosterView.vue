<script setup lang="ts">
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '@/session'
import {
  ChoiceField,
  EmptyState,
  ErrorState,
  GETS,
  GetsSwatch,
  LoadingLines,
  PageTop,
  plural,
  stageInWords,
  useAddressed,
  useLongList,
  useShortcuts,
  useTitle,
} from '@/shared'
import { DRIFTS, OPEN, sortIn, sortSaid, WEIGHTS, type Filter, type SortKey } from './filter'
import FirstSteps from './FirstSteps.vue'
import FleetBar from './FleetBar.vue'
import RosterLine from './RosterLine.vue'
import { useRoster } from './rosterQueries'
import { setOut } from './tour'

const router = useRouter()
const route = useRoute()
const { technician, reseller, signOut } = useSession()

const { place: filter, written } = useAddressed<Filter & { sort: string; at: string }>(
  { ...OPEN, sort: 'name', at: '' },
  { findings: WEIGHTS, drift: DRIFTS },
)
const sort = computed(() => sortIn(filter.sort))
const {
  page: data,
  isPending,
  again,
  order: lines,
  orderNow,
  known,
  moved,
  want,
  linesFor,
  trouble: error,
} = useRoster(() => filter)
/** Only where it can have changed which lines there are, or their order. */
const movedOn = computed(() => (narrowed.value || sort.value.by !== 'name' ? moved.value : 0))
const total = computed(() => data.value?.total ?? 0)
const search = ref<{ focus: () => void }>()
const body = ref<HTMLElement>()

const stages = computed(() => data.value?.stages ?? [])
const people = computed(() => data.value?.people ?? [])
const regions = computed(() => data.value?.regions ?? [])
const stageChoices = computed(() => [
  ['', 'in any stage'] as const,
  ...stages.value.map((stage) => [stage, stageInWords(stage)] as const),
])
const regionChoices = computed(() => [
  ['', 'all regions'] as const,
  ...regions.value.map((region) => [region, region] as const),
])
const whoChoices = computed(() => [['', 'anyone'] as const, ...people.value.map((who) => [who, who] as const)])
const FINDINGS = [
  ['any', 'any findings'],
  ['blocker', 'blockers'],
  ['error', 'errors'],
  ['warning', 'warnings or worse'],
  ['none', 'no finding'],
] as const
const DRIFT = [
  ['any', 'any drift'],
  ['noticed', 'drift that callers notice'],
  ['some', 'some drift'],
  ['none', 'no drift'],
  ['unread', 'nothing read from the switch'],
  ['behind', 'something not pushed yet'],
] as const
const narrowed = computed(
  () =>
    filter.stage !== '' ||
    filter.findings !== 'any' ||
    filter.drift !== 'any' ||
    filter.region !== '' ||
    filter.who !== '' ||
    filter.words.trim() !== '',
)
const picked = reactive(new Set<string>())
const chosen = computed(() => lines.value.filter((key) => picked.has(key)))

const columns: { key: SortKey | 'week'; title: string }[] = [
  { key: 'name', title: 'Customer' },
  { key: 'stage', title: 'Stage' },
  { key: 'week', title: 'Week of the main number' },
  { key: 'findings', title: 'Findings' },
  { key: 'differences', title: 'Drift' },
  { key: 'next', title: 'Next' },
  { key: 'pushedAt', title: 'Pushed' },
  { key: 'lookedAfterBy', title: 'Who' },
]
const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

const LINE_HEIGHT = 35
const page = ref<HTMLElement>()
const { isLong, drawn, show } = useLongList(
  () => lines.value.length,
  () => page.value ?? null,
  LINE_HEIGHT,
  () => body.value?.offsetTop ?? 0,
)
const inView = computed(() =>
  lines.value
    .slice(drawn.value.from, drawn.value.to)
    .map((key, index) => ({ key, line: known.get(key), index: drawn.value.from + index })),
)
watch(
  () => inView.value.map(({ key }) => key),
  (keys) => {
    want(keys)
  },
  { immediate: true },
)

/** The line one stands on; one that is gone leaves its place to the next. */
const at = ref(0)
watch(
  [lines, () => filter.at],
  ([shown]) => {
    const found = shown.indexOf(filter.at)
    at.value = Math.max(0, found < 0 ? Math.min(at.value, shown.length - 1) : found)
  },
  { immediate: true },
)
const isShown = ref(false)
watch(
  [lines, page],
  ([shown]) => {
    // Back on the Roster, the line one came from is in view.
    if (isShown.value || shown.length === 0 || page.value === undefined) return
    isShown.value = true
    if (at.value > 0) scrollTo(at.value)
  },
  { flush: 'post' },
)

function sortBy(by: SortKey): void {
  filter.sort = sortSaid({ by, down: sort.value.by === by ? !sort.value.down : false })
}

function sortedHow(key: SortKey): 'ascending' | 'descending' | 'none' {
  if (sort.value.by !== key) return 'none'
  return sort.value.down ? 'descending' : 'ascending'
}

function scrollTo(line: number): void {
  if (isLong.value) show(line)
  else void nextTick(() => body.value?.children[line]?.scrollIntoView({ block: 'nearest' }))
}

function move(by: number): void {
  at.value = Math.max(0, Math.min(lines.value.length - 1, at.value + by))
  filter.at = lines.value[at.value] ?? ''
  scrollTo(at.value)
}

/** The customers beside it are those of this sentence, in this order, also once one of them no longer fits it. */
async function open(key: string | undefined): Promise<void> {
  if (key === undefined) return
  filter.at = key
  await written()
  setOut(
    Object.fromEntries(
      Object.entries(route.query).flatMap(([name, said]) => (typeof said === 'string' ? [[name, said]] : [])),
    ),
    lines.value,
  )
  await router.push({ name: 'desk', params: { customer: key } })
}

/** Whoever types and presses Enter means what was typed, also where its answer is still on the way. */
async function openFound(): Promise<void> {
  const before = lines.value
  const found = await orderNow()
  await open(found === before ? found[at.value] : found[0])
}

function clear(): void {
  Object.assign(filter, OPEN)
}

function pick(key: string | undefined): void {
  if (key !== undefined && !picked.delete(key)) picked.add(key)
}

function pickAll(): void {
  if (chosen.value.length === lines.value.length) picked.clear()
  else lines.value.forEach((key) => picked.add(key))
}

useTitle(() => ['Roster'])
useShortcuts([
  {
    keys: 'j',
    label: 'next customer',
    scope: 'Roster',
    run: () => {
      move(1)
    },
  },
  {
    keys: 'k',
    label: 'customer before',
    scope: 'Roster',
    run: () => {
      move(-1)
    },
  },
  {
    keys: 'Enter',
    label: 'open the customer',
    scope: 'Roster',
    run: () => {
      void open(lines.value[at.value])
    },
  },
  {
    keys: 'x',
    label: 'choose the customer, for several at once',
    scope: 'Roster',
    run: () => {
      pick(lines.value[at.value])
    },
  },
  { keys: '/', label: 'search', scope: 'Roster', run: () => search.value?.focus() },
  ...(technician.value?.mayTakeOn === true
    ? [{ keys: 'n', label: 'take on a customer', scope: 'Roster', run: () => void router.push('/taking-on') }]
    : []),
])
</script>

<template>
  <div class="whole">
    <PageTop>
      <span class="soft">{{ reseller }}</span>
      <template #hand>
        <span><kbd>Ctrl K</kbd> <span class="soft small">jump</span></span>
        <router-link to="/second-factor">{{ technician?.name }}</router-link>
        <router-link to="/findings">Findings</router-link>
        <router-link v-if="technician?.lead === true" to="/people">People</router-link>
        <router-link v-if="technician?.lead === true" to="/settings">Settings</router-link>
        <button type="button" class="text-button" @click="signOut">Sign out</button>
      </template>
    </PageTop>
    <main ref="page" class="roster">
      <h1 class="visually-hidden">Roster</h1>
      <p v-if="technician !== null && technician.needsSecondFactor.length > 0" class="needed" role="status">
        Here a second factor is required, and yours is off:
        <router-link to="/second-factor">switch it on</router-link>, and everything that is granted to you is open.
      </p>
      <LoadingLines v-if="isPending" what="the Roster" />
      <ErrorState v-else-if="error !== null && data === undefined" :error="error" @again="again()" />
      <EmptyState v-else-if="total === 0" title="No customer is yours yet">
        <FirstSteps v-if="technician?.mayTakeOn" />
        <p v-else>
          Ask whoever grants customers at {{ reseller }} for the ones you look after. In an emergency, with nobody to
          ask: <router-link to="/break-glass">break the glass</router-link>.
        </p>
      </EmptyState>
      <template v-else>
        <div class="filters">
          <p class="sentence">
            Customers
            <ChoiceField v-model="filter.stage" in-sentence aria-label="Stage" :options="stageChoices" />
            with
            <ChoiceField v-model="filter.findings" in-sentence aria-label="Findings" :options="FINDINGS" />
            and
            <ChoiceField v-model="filter.drift" in-sentence aria-label="Drift" :options="DRIFT" />, in
            <ChoiceField v-model="filter.region" in-sentence aria-label="Region" :options="regionChoices" />, looked
            after by
            <ChoiceField v-model="filter.who" in-sentence aria-label="Looked after by" :options="whoChoices" />, called
            <el-input
              ref="search"
              v-model="filter.words"
              class="words"
              type="search"
              aria-label="Name or number"
              placeholder="anything"
              @keydown.enter="void openFound()"
              @keydown.down.prevent="move(1)"
              @keydown.up.prevent="move(-1)"
              @keydown.esc="filter.words = ''"
            />
            <button v-if="narrowed" type="button" class="text-button small" @click="clear">show all</button>
          </p>
          <p class="soft" role="status">
            {{ narrowed ? `${lines.length} of ${plural(total, 'customer')}` : plural(lines.length, 'customer') }}
            <button v-if="movedOn > 0" type="button" class="text-button small" @click="again()">
              {{ movedOn }} changed meanwhile: look anew
            </button>
          </p>
          <el-button
            v-if="technician?.mayTakeOn"
            type="primary"
            data-testid="take-on"
            @click="router.push('/taking-on')"
            >Take on a customer</el-button
          >
        </div>
        <p v-if="error !== null" class="fault small" role="alert">
          The Roster could not be read again just now; what you see may be a little old.
        </p>
        <table>
          <thead>
            <tr>
              <td class="corner pick">
                <el-checkbox
                  size="small"
                  aria-label="Choose all that are shown"
                  :model-value="chosen.length > 0 && chosen.length === lines.length"
                  :indeterminate="chosen.length > 0 && chosen.length < lines.length"
                  @change="pickAll"
                />
              </td>
              <th
                v-for="column in columns"
                :key="column.key"
                scope="col"
                :class="column.key"
                :aria-sort="column.key === 'week' ? undefined : sortedHow(column.key)"
              >
                <span v-if="column.key === 'week'" class="days"
                  ><span class="visually-hidden">{{ column.title }}</span
                  ><span v-for="day in DAYS" :key="day" aria-hidden="true">{{ day }}</span></span
                >
                <button v-else type="button" class="sorter" @click="sortBy(column.key)">
                  {{ column.title
                  }}<span aria-hidden="true">{{
                    sortedHow(column.key) === 'ascending' ? ' ↑' : sortedHow(column.key) === 'descending' ? ' ↓' : ''
                  }}</span>
                </button>
              </th>
            </tr>
          </thead>
          <tbody ref="body">
            <tr v-if="drawn.above > 0" aria-hidden="true">
              <td :style="{ height: `${drawn.above}px` }" class="space" />
            </tr>
            <RosterLine
              v-for="{ key, line, index } in inView"
              :key
              :line
              :class="{ here: index === at, picked: picked.has(key) }"
              :data-testid="`line-${key}`"
              :is-picked="picked.has(key)"
              @open="void open(key)"
              @pick="pick(key)"
            />
            <tr v-if="drawn.below > 0" aria-hidden="true">
              <td :style="{ height: `${drawn.below}px` }" class="space" />
            </tr>
          </tbody>
        </table>
        <EmptyState v-if="lines.length === 0" title="No customer fits this sentence">
          <button type="button" class="text-button" @click="clear">Show all {{ total }}</button>
        </EmptyState>
      </template>
    </main>
    <footer class="foot">
      <FleetBar :chosen :lines-for="linesFor" @clear="picked.clear()" />
      <p class="legend soft small">
        <span v-for="(words, gets) in GETS" :key="gets" class="key"><GetsSwatch :gets /> {{ words }}</span>
        <span class="keys"><kbd>j</kbd> <kbd>k</kbd> move <kbd>Enter</kbd> open <kbd>?</kbd> all keys</span>
      </p>
    </footer>
  </div>
</template>

<style scoped>
.needed {
  padding: 8px 12px;
  border-left: 3px solid var(--buoy);
  background: var(--sheet);
}

.whole {
  display: flex;
  flex-direction: column;
  height: 100vh;
}

.roster {
  /* What is hidden from sight in a line scrolls with it, and not the page. */
  position: relative;
  flex: 1;
  min-height: 0;
  padding: 0 18px;
  overflow-y: auto;
}

.words {
  min-width: 5em;
  max-width: 16em;
  cursor: text;
}

.sorter {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}

table {
  table-layout: fixed;
}

th.stage {
  width: 86px;
}

th.week {
  width: 22%;
}

th.week {
  padding-inline: 10px;
}

th.findings {
  width: 104px;
}

th.differences {
  width: 176px;
}

th.next {
  width: 16%;
}

th.pushedAt {
  width: 76px;
}

th.lookedAfterBy {
  width: 44px;
}

.days {
  display: grid;
  grid-template-columns: repeat(7, 1fr);
  font-size: 12px;
}

td.pick {
  width: 28px;
  padding-right: 0;
}

td.space {
  padding: 0;
  border: 0;
}

.foot {
  border-top: 1px solid var(--rule);
  background: var(--paper);
}

.legend {
  display: flex;
  gap: 14px;
  padding: 8px 18px;
  white-space: nowrap;
  overflow: hidden;
}

.keys {
  margin-left: auto;
}

/* As narrow as a window at twice the size: the table keeps its columns and is moved through. */
@media (width < 820px) {
  .whole {
    height: auto;
  }

  .roster {
    padding-bottom: 8px;
  }

  .roster table {
    min-width: 900px;
  }

  .roster {
    overflow-x: auto;
  }

  .legend {
    flex-wrap: wrap;
  }
}

/* The legend keeps its words; the keys are under Ctrl K and ? as well. */
@media (width < 1240px) {
  .keys {
    display: none;
  }

  th.week {
    width: 19%;
  }

  .days {
    font-size: 11px;
  }

  th.stage,
  th.findings {
    width: 84px;
  }

  th.differences,
  th.next {
    width: 114px;
  }
}
</style>
