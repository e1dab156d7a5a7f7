<script setup lang="ts">
import { keepPreviousData, useQueries, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take } from '@/api'
import {
  ChoiceField,
  count,
  EmptyState,
  ErrorState,
  GETS,
  GetsSwatch,
  LoadingLines,
  loadMapDrawing,
  outcomeInWords,
  plural,
} from '@/shared'
import { withNames } from '../calls'
import { useCallLine, useDesk, useDraft, useMargin } from '../desk'
import CallMapPicture from '../drawings/CallMapPicture.vue'
import InlineField from '../InlineField.vue'

/** What callers can get at any minute of the year, whether what was promised holds, and where calls go. */
const { customer, names, notice } = useDesk()
const { edit } = useDraft()
const { findings } = useMargin()
const { sentence, asked } = useCallLine()

const HOUR = 3600

const { data, error, isPending, refetch } = useQuery({
  queryKey: ['computed', customer, 'proof'],
  queryFn: async () => await take(client.GET('/customers/{customer}/proof', { params: { path: { customer } } })),
  placeholderData: keepPreviousData,
})

/** Kinds of time as columns, the one with the most hours first; a number has a cell where it has such a time. */
const labels = computed(() => {
  const seconds = new Map<string, number>()
  for (const cell of data.value?.cells ?? [])
    seconds.set(cell.label, Math.max(seconds.get(cell.label) ?? 0, cell.seconds))
  return [...seconds.entries()].sort(([a], [b]) => order(a) - order(b) || a.localeCompare(b))
})
const numbers = computed(() => [...new Set((data.value?.cells ?? []).map((cell) => cell.number))])
const ways = computed(() => (data.value?.cells ?? []).reduce((sum, cell) => sum + cell.ends.length, 0))
const kept = computed(() => (data.value?.promises ?? []).filter((promise) => promise.isKept).length)

function order(label: string): number {
  return !['open', 'closed', 'holiday', 'always'].includes(label)
    ? 3
    : ['open', 'closed', 'holiday', 'always'].indexOf(label)
}

function cellsOf(number: string, label: string): NonNullable<typeof data.value>['cells'] {
  return (data.value?.cells ?? []).filter((cell) => cell.number === number && cell.label === label)
}

function named(target: string): string {
  return names.value.of(target)
}

const opened = ref<number>()
const shownCell = computed(() => data.value?.cells.find((cell) => cell.run === opened.value))

function endIn(end: { end: string; target: string }): string {
  return `${named(end.target)} ${outcomeInWords(end.end.split(' ')[0] ?? '')}`
}

/** How many ends there are of each sort, for whoever does not see the bar. */
function said(ends: { sort: keyof typeof GETS }[]): string {
  return Object.entries(GETS)
    .flatMap(([sort, words]) => {
      const count = ends.filter((end) => end.sort === sort).length
      return count === 0 ? [] : [`${words}: ${count}`]
    })
    .join(', ')
}

const chosen = ref<{ run: number; end: string }>()
const noCall = ref('')

async function show(run: number, end: string): Promise<void> {
  chosen.value = { run, end }
  noCall.value = ''
  const found = (
    await take(
      client.POST('/customers/{customer}/proof/{run}/call', { params: { path: { customer, run } }, body: { end } }),
    )
  ).sentence
  if (found === null) {
    noCall.value = 'There is no steady call to this end: somebody’s state has to change during the call.'
    return
  }
  sentence.value = found
  asked.value++
}

function call(text: string | null): void {
  if (text === null) return
  sentence.value = text
  asked.value++
}

function drop(promise: string): void {
  void edit([{ op: 'delete', object: promise, path: '', value: null }])
}

async function keepAsIs(promise: NonNullable<typeof data.value>['promises'][number]): Promise<void> {
  if (promise.telling === null) return
  await edit([
    {
      object: promise.ref,
      path: 'expect',
      value: { outcome: promise.telling.outcome, target: promise.telling.target, within: promise.telling.seconds },
    },
  ])
  notice.value = { text: 'The promise says now what the call does; pending, to be looked over.' }
}

const chosenMap = ref<number>()
const mapOf = computed({
  get: () => String(chosenMap.value ?? data.value?.cells[0]?.run ?? ''),
  set: (run) => (chosenMap.value = Number(run)),
})
const mapsThere = computed(() =>
  numbers.value.map(
    (number) =>
      [String(data.value?.cells.find((cell) => cell.number === number)?.run), named(`number:${number}`)] as const,
  ),
)
const lanes = computed(() =>
  (data.value?.cells ?? [])
    .filter(
      (cell) =>
        cell.number ===
        (data.value?.cells.find((each) => String(each.run) === mapOf.value)?.number ?? numbers.value[0]),
    )
    .sort((a, b) => order(a.label) - order(b.label)),
)
const maps = useQueries({
  queries: computed(() =>
    lanes.value.map(({ run }) => ({
      queryKey: ['computed', customer, 'map', run],
      queryFn: async () => {
        const [map] = await Promise.all([
          take(client.GET('/customers/{customer}/proof/{run}/map', { params: { path: { customer, run } } })),
          loadMapDrawing(),
        ])
        return map
      },
    })),
  ),
})
/** All lanes, or none as yet: one that came alone would push the others about. */
const drawn = computed(() => {
  const found = lanes.value.flatMap((cell, place) => {
    const map = maps.value[place]?.data
    return map === undefined ? [] : [{ cell, map }]
  })
  return found.length === lanes.value.length ? found : undefined
})
const mapError = computed(() => maps.value.find((each) => each.error !== null)?.error ?? null)
const heaviest = computed(
  () => findings.value.filter((finding) => finding.severity === 'blocker' || finding.severity === 'error').length,
)
</script>

<template>
  <LoadingLines v-if="isPending" what="every way a call can go" />
  <ErrorState v-else-if="error !== null && data === undefined" :error="error" @again="refetch()" />
  <EmptyState v-else-if="numbers.length === 0" title="No number in this book"
    >Enter numbers first; then every way a call to them can go is shown here.</EmptyState
  >
  <template v-else-if="data !== undefined">
    <div class="head">
      <h2>Proof</h2>
      <span class="soft"
        >{{ plural(numbers.length, 'number') }} · {{ plural(labels.length, 'kind') }} of time in the next twelve months
        · {{ plural(ways, 'way') }} a call can end{{ data.isComplete ? '' : ' (incomplete: too many to follow)' }} ·
        {{
          heaviest === 0 ? 'nothing that loses calls' : `${plural(heaviest, 'finding')} that lose or mislead calls`
        }}</span
      >
      <router-link class="act" :to="{ name: 'report', params: { customer } }">Report for the customer</router-link>
    </div>
    <div class="wide">
      <table data-testid="proof">
        <thead>
          <tr>
            <th scope="col">Number</th>
            <th v-for="[label, seconds] in labels" :key="label" scope="col">
              <span class="first">{{ label }}</span>
              {{ ' ' }}
              <span class="mono">{{ count(seconds / HOUR) }} h</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="number in numbers" :key="number">
            <th scope="row">
              <span class="mono">{{ named(`number:${number}`) }}</span>
              {{ ' ' }}
              <span class="soft">{{ names.get(`number:${number}`)?.label }}</span>
            </th>
            <td v-for="[label] in labels" :key="label">
              <button
                v-for="cell in cellsOf(number, label)"
                :key="cell.run"
                type="button"
                class="bar"
                :aria-expanded="opened === cell.run"
                :aria-label="`${named(`number:${number}`)}, ${label}: ${said(cell.ends)}`"
                @click="opened = opened === cell.run ? undefined : cell.run"
              >
                <i v-for="end in cell.ends" :key="end.end" :class="`gets-${end.sort}`" :title="endIn(end)" />
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="soft small legend">
      Each bar: the ends a call can reach, worst first, one cell each; choose a bar, then an end for the shortest call
      to it. <span v-for="(words, gets) in GETS" :key="gets" class="key"><GetsSwatch :gets /> {{ words }}</span>
    </p>
    <section
      v-if="shownCell !== undefined"
      class="ends"
      data-testid="ends"
      :aria-label="`Ends of calls to ${named(`number:${shownCell.number}`)}, ${shownCell.label}`"
    >
      <h3>{{ named(`number:${shownCell.number}`) }}, {{ shownCell.label }}</h3>
      <ul>
        <li v-for="end in shownCell.ends" :key="end.end">
          <GetsSwatch :gets="end.sort" />
          {{ ' ' }}
          <button
            type="button"
            class="text-button"
            :class="{ chosen: chosen?.run === shownCell.run && chosen.end === end.end }"
            @click="show(shownCell.run, end.end)"
          >
            {{ endIn(end) }}
          </button>
        </li>
      </ul>
      <p v-if="noCall !== ''" class="fault" role="status">{{ noCall }}</p>
    </section>

    <div class="head second">
      <h3>Promises</h3>
      <span class="soft">{{
        data.promises.length === 0
          ? 'none yet: say a call on the call line and keep it'
          : `${kept} of ${data.promises.length} kept`
      }}</span>
    </div>
    <table v-if="data.promises.length > 0" data-testid="promises">
      <thead>
        <tr>
          <th scope="col">Promise</th>
          <th scope="col">Call</th>
          <th scope="col">By the model</th>
          <td class="corner" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="promise in data.promises" :key="promise.ref">
          <td>
            <InlineField
              v-if="names.get(promise.ref) !== undefined"
              :object="names.get(promise.ref)!"
              path="text"
              label="Promise"
            />
          </td>
          <td>
            <button type="button" class="text-button mono" @click="call(promise.sentence)">
              {{ promise.sentence ?? 'with an order of its own' }}
            </button>
          </td>
          <td>
            <strong :class="promise.isKept ? 'kept' : 'broken'">{{ promise.isKept ? 'kept' : 'broken' }}</strong><span
              v-if="!promise.isKept"
              class="soft"
            >
              {{ withNames(promise.reason, names) }}</span
            >
          </td>
          <td class="hands">
            <button v-if="!promise.isKept" type="button" class="text-button small" @click="keepAsIs(promise)">
              promise what it does</button
            ><button type="button" class="text-button small" @click="drop(promise.ref)">drop</button>
          </td>
        </tr>
      </tbody>
    </table>

    <div class="head second">
      <h3>Call map</h3>
      <span class="soft"
        >of <ChoiceField v-model="mapOf" in-sentence aria-label="Call map of" :options="mapsThere" />
      </span>
    </div>
    <ErrorState v-if="mapError !== null" :error="mapError" @again="maps.forEach((each) => each.refetch())" />
    <LoadingLines v-else-if="drawn === undefined" what="the call map" />
    <template v-else
      ><CallMapPicture
        v-for="{ cell, map } in drawn"
        :key="cell.run"
        :map
        :run="cell.run"
        :label="cell.label"
        :hours="Math.round(cell.seconds / HOUR)"
    /></template>
  </template>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}

.second {
  margin-top: 20px;
}

.wide {
  overflow-x: auto;
}

.first {
  display: inline-block;
}

.first::first-letter {
  text-transform: uppercase;
}

th[scope='row'] {
  border-bottom: 1px solid var(--rule-soft);
  color: var(--ink);
  font-size: inherit;
}

.bar {
  display: flex;
  width: 100%;
  min-width: 90px;
  height: 24px;
  padding: 4px 0;
  border: 0;
  background: none;
  gap: 1px;
  cursor: pointer;
}

.bar[aria-expanded='true'] {
  box-shadow: inset 0 -2px var(--buoy);
}

.bar i {
  flex: 1;
  min-width: 3px;
}

.ends {
  padding: 8px 0;
}

.ends ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 4px 18px;
  margin: 4px 0;
  padding: 0;
  list-style: none;
}

.ends .chosen {
  font-weight: 600;
}

.legend {
  margin-top: 6px;
}

.key {
  margin-left: 12px;
  white-space: nowrap;
}

.kept {
  color: var(--teal);
  font-weight: 400;
}

.broken {
  color: var(--red);
}

.hands {
  display: flex;
  gap: 12px;
  justify-content: flex-end;
}
</style>
