<script setup lang="ts">
import { useInfiniteQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { client, take, type NumberState, type StockLine } from '@/api'
import { useSession } from '@/session'
import {
  ChoiceField,
  dayInWords,
  EmptyState,
  ErrorState,
  LoadingLines,
  PageTop,
  plural,
  useAddressed,
  useAttempt,
  useTitle,
} from '@/shared'
import GiveSheet from './GiveSheet.vue'
import ListForm from './ListForm.vue'
import OrderForm from './OrderForm.vue'
import OrderLines from './OrderLines.vue'
import { money, stateInWords, STATES } from './stock'

/** All the reseller's numbers: how each stands, whose it is and where it leads, and how more of them come and go. */
const { technician } = useSession()
const queryClient = useQueryClient()
const TYPING = 200
const { place: filter } = useAddressed<{ state: string; words: string }>(
  { state: '', words: '' },
  { state: ['', ...STATES.map(([state]) => state)] },
)
const words = refDebounced(
  computed(() => filter.words.trim()),
  TYPING,
)
const stock = useInfiniteQuery({
  queryKey: computed(() => ['stock', 'numbers', filter.state, words.value]),
  queryFn: ({ pageParam }) =>
    take(
      client.GET('/stock/numbers', {
        params: {
          query: {
            ...(filter.state === '' ? {} : { state: filter.state as NumberState }),
            ...(words.value === '' ? {} : { words: words.value }),
            ...(pageParam === '' ? {} : { after: pageParam }),
          },
        },
      }),
    ),
  initialPageParam: '',
  getNextPageParam: (last: { next: string | null }) => last.next ?? undefined,
  placeholderData: (before) => before,
})
const lines = computed(() => stock.data.value?.pages.flatMap((page) => page.numbers) ?? [])
const counts = computed(() => stock.data.value?.pages[0]?.counts ?? {})
const total = computed(() => Object.values(counts.value).reduce((sum, each) => sum + each, 0))
const states = computed(() => [
  ['', `all (${total.value})`] as const,
  ...STATES.map(([state, said]) => [state, `${said} (${counts.value[state] ?? 0})`] as const),
])

const chosen = ref(new Set<string>())
watch([() => filter.state, words], () => (chosen.value = new Set()))
const picked = computed(() => lines.value.filter((each) => chosen.value.has(each.number)))
const may = (act: StockLine['may'][number]): boolean =>
  picked.value.length > 0 && picked.value.every((each) => each.may.includes(act))
function pick(line: StockLine, isIn: boolean): void {
  const next = new Set(chosen.value)
  if (isIn) next.add(line.number)
  else next.delete(line.number)
  chosen.value = next
}
const choosable = computed(() => lines.value.filter((each) => each.may.length > 0))
const isAllIn = computed(
  () => choosable.value.length > 0 && choosable.value.every((each) => chosen.value.has(each.number)),
)

type Panel = 'order' | 'list' | ''
const panel = ref<Panel>('')
const outcome = ref('')
const added = ref<string[]>([])
const isGiving = ref(false)
const reason = ref('')
const asks = ref<'return' | 'rest' | ''>('')
const { busy, faults, attempt } = useAttempt()

async function told(said: string, those: string[] = []): Promise<void> {
  outcome.value = said
  added.value = those
  asks.value = ''
  chosen.value = new Set()
  await queryClient.invalidateQueries({ queryKey: ['stock'] })
}
const numbers = computed(() => picked.value.map((each) => each.number))

const takeOut = (): Promise<void> =>
  attempt(async () => {
    const { gone } = await take(client.POST('/stock/removals', { body: { numbers: added.value } }))
    await told(`${plural(gone, 'number')} taken out again.`)
  })
const giveBack = (): Promise<void> =>
  attempt(async () => {
    const { gone } = await take(client.POST('/stock/returns', { body: { numbers: numbers.value } }))
    await told(`${plural(gone, 'number')} given back to the carrier.`)
  })
const endRests = (): Promise<void> =>
  attempt(async () => {
    const body = { numbers: numbers.value, reason: reason.value }
    const { free } = await take(client.POST('/stock/rests/ends', { body }))
    reason.value = ''
    await told(`${plural(free, 'number')} free.`)
  })

useTitle(() => ['Numbers'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Numbers</h1>
    <span class="soft">all of the reseller’s, and how each stands</span>
    <template #hand><router-link to="/ports">Ports</router-link></template></PageTop
  >
  <main class="stock">
    <p class="outcome" :class="{ said: outcome !== '' }" role="status">
      {{ outcome }}
      <button v-if="added.length > 0" type="button" class="quiet-button" @click="takeOut">Take them out again</button>
    </p>
    <div class="ways">
      <button
        type="button"
        class="quiet-button"
        :aria-expanded="panel === 'order'"
        @click="panel = panel === 'order' ? '' : 'order'"
      >
        Order from the carrier
      </button>
      <button
        type="button"
        class="quiet-button"
        :aria-expanded="panel === 'list'"
        @click="panel = panel === 'list' ? '' : 'list'"
      >
        Put in by list
      </button>
    </div>
    <section v-if="panel === 'order'" class="panel"><OrderForm @done="(said) => void told(said)" /></section>
    <section v-else-if="panel === 'list'" class="panel">
      <ListForm @done="(said, those) => void told(said, those)" />
    </section>
    <OrderLines @done="(said) => void told(said)" />
    <p class="sentence">
      Numbers that are
      <ChoiceField v-model="filter.state" in-sentence aria-label="How they stand" :options="states" />
      <el-input
        v-model="filter.words"
        class="words"
        size="small"
        clearable
        placeholder="digits, customer, label"
        aria-label="Digits, customer or label"
      />
    </p>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <p v-if="picked.length > 0" class="chosen" role="group" :aria-label="`${plural(picked.length, 'number')} chosen`">
      <strong>{{ plural(picked.length, 'number') }} chosen</strong>
      <el-button v-if="may('give')" type="primary" size="small" @click="isGiving = true">Give to a customer</el-button>
      <template v-if="asks === ''">
        <button v-if="may('return')" type="button" class="quiet-button" @click="asks = 'return'">
          Give back to the carrier
        </button>
        <button
          v-if="may('rest') && technician?.lead === true"
          type="button"
          class="quiet-button"
          @click="asks = 'rest'"
        >
          End their rest
        </button>
      </template>
      <template v-else-if="asks === 'return'">
        <span>They are nobody’s then, and may be ordered by anybody.</span>
        <el-button type="primary" size="small" :disabled="busy" @click="giveBack">Give them back</el-button>
        <button type="button" class="text-button" @click="asks = ''">not now</button>
      </template>
      <template v-else>
        <el-input
          v-model="reason"
          size="small"
          class="words"
          placeholder="why nobody will be missed"
          aria-label="Reason"
        />
        <el-button type="primary" size="small" :disabled="busy || reason.trim() === ''" @click="endRests"
          >They are free</el-button
        >
        <button type="button" class="text-button" @click="asks = ''">not now</button>
      </template>
      <span v-if="faults['reason'] !== undefined" class="fault">{{ faults['reason'] }}</span>
      <span v-if="!may('give') && !may('return') && !may('rest')" class="soft"
        >Nothing can be done with all of them.</span
      >
    </p>
    <LoadingLines v-if="stock.isPending.value" what="numbers" />
    <ErrorState v-else-if="stock.error.value !== null" :error="stock.error.value" @again="stock.refetch()" />
    <EmptyState v-else-if="lines.length === 0" title="No number is like that">{{
      total === 0 && words === ''
        ? 'Order some from the carrier, or put in a list of what it gave you.'
        : 'Ask for less.'
    }}</EmptyState>
    <template v-else>
      <table class="numbers" data-testid="stock">
        <thead>
          <tr>
            <th scope="col" class="check">
              <el-checkbox
                aria-label="All that are shown"
                :model-value="isAllIn"
                :disabled="choosable.length === 0"
                @update:model-value="chosen = new Set($event ? choosable.map((each) => each.number) : [])"
              />
            </th>
            <th scope="col">Number</th>
            <th scope="col">Stands</th>
            <th scope="col">Customer</th>
            <th scope="col">Leads to</th>
            <th scope="col">Came with</th>
            <th scope="col" class="cost">A month</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.number">
            <td class="check">
              <el-checkbox
                v-if="line.may.length > 0"
                :aria-label="line.display"
                :model-value="chosen.has(line.number)"
                @update:model-value="pick(line, $event === true)"
              />
            </td>
            <td>
              <span class="mono">{{ line.display }}</span>
              <span v-if="line.kind === 'tollFree'" class="soft small"> toll-free</span>
            </td>
            <td>
              {{ stateInWords(line.state) }}
              <span class="soft small"
                ><template v-if="line.until !== null">until {{ dayInWords(line.until) }}</template
                ><template v-else>since {{ dayInWords(line.since.slice(0, 10)) }}</template></span
              >
            </td>
            <td>
              <router-link v-if="line.customer !== null" :to="`/customers/${line.customer}/numbers`">{{
                line.customerName
              }}</router-link>
            </td>
            <td>
              {{ line.leadsTo }}
              <span v-if="line.label !== null && line.label !== line.number" class="soft small">{{ line.label }}</span>
            </td>
            <td class="soft small">{{ line.cameWith }}</td>
            <td class="cost">
              {{ line.monthlyCents === null ? '' : money(line.monthlyCents, line.currency ?? '') }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="stock.hasNextPage.value">
        <button type="button" class="quiet-button" :disabled="stock.isFetching.value" @click="stock.fetchNextPage()">
          {{ plural(filter.state === '' ? total : (counts[filter.state] ?? 0), 'number') }} in all: show more
        </button>
      </p>
    </template>
    <GiveSheet v-model="isGiving" :numbers="picked" />
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.stock {
  display: grid;
  gap: 10px;
  max-width: 1240px;
  padding: 14px 22px 60px;
}

.outcome.said {
  padding: 8px 12px;
  border-left: 3px solid var(--buoy);
  background: var(--sheet);
}

.ways,
.sentence,
.chosen {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}

.panel {
  padding: 10px 14px 14px;
  border: 1px solid var(--rule);
  background: var(--sheet);
}

.words {
  width: 260px;
}

.check {
  width: 34px;
}

.numbers :deep(.el-checkbox) {
  height: 20px;
}

.cost {
  text-align: right;
}
</style>
