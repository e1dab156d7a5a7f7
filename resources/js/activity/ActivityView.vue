<script setup lang="ts">
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { computed, type WritableComputedRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, take } from '@/api'
import { namesQuery } from '@/roster'
import {
  ChoiceField,
  DayField,
  dayInWords,
  EmptyState,
  ErrorState,
  LoadingLines,
  PageTop,
  timeInWords,
  useTitle,
} from '@/shared'

/** What was done and by whom, as far as one may read it: narrowed in the address, so that it can be sent on. */
const route = useRoute()
const router = useRouter()
const NAMES = ['customer', 'who', 'what', 'from', 'until', 'words'] as const
type Name = (typeof NAMES)[number]

const of = (name: Name): string => {
  const value = route.query[name]
  return typeof value === 'string' ? value : ''
}
const narrow = (name: Name): WritableComputedRef<string> =>
  computed({
    get: () => of(name),
    set: (value: string) =>
      void router.replace({ query: { ...route.query, [name]: value.trim() === '' ? undefined : value } }),
  })
const customer = narrow('customer')
const who = narrow('who')
const what = narrow('what')
const from = narrow('from')
const until = narrow('until')
const words = narrow('words')
const query = computed<Record<string, string>>(() =>
  Object.fromEntries(NAMES.map((name): [string, string] => [name, of(name)]).filter(([, value]) => value !== '')),
)

const pages = useInfiniteQuery({
  queryKey: ['activity', query],
  queryFn: ({ pageParam }) =>
    take(
      client.GET('/activity', {
        params: { query: { ...query.value, ...(pageParam === undefined ? {} : { before: pageParam }) } },
      }),
    ),
  initialPageParam: undefined as number | undefined,
  getNextPageParam: (page) => page.next ?? undefined,
})
const entries = computed(() => pages.data.value?.pages.flatMap((page) => page.entries) ?? [])
const customers = useQuery(namesQuery)

const ANY = ['', 'anything'] as const
const whats = computed(() => [ANY, ...(pages.data.value?.pages[0]?.whats ?? []).map((each) => [each, each] as const)])
const people = computed(() => [
  ['', 'anybody'] as const,
  ...(pages.data.value?.pages[0]?.people ?? []).map(({ code, name }) => [code, name] as const),
  ['-', 'nobody signed in'] as const,
])
const places = computed(() => [
  ['', 'anywhere'] as const,
  ...(customers.data.value ?? []).map((each) => [each.key, each.name] as const),
])
const file = computed(() => `/api/activity.csv?${new URLSearchParams(query.value).toString()}`)
const isNarrowed = computed(() => Object.keys(query.value).length > 0)

type Entry = (typeof entries)['value'][number]
type Change = Entry['changes'][number]
const place = (change: Change): string => [change.object, change.path].filter((part) => part !== null).join(' ')
const day = (at: string): string => dayInWords(new Date(at).toLocaleDateString('sv-SE'))
const time = (at: string): string => timeInWords(new Date(at).toTimeString().slice(0, 5))
const isNewDay = (index: number): boolean =>
  index === 0 || day(entries.value[index - 1]?.at ?? '') !== day(entries.value[index]?.at ?? '')

useTitle(() => ['What was done'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">What was done</h1>
    <span class="soft">by whom, before and after; nobody changes an entry</span></PageTop
  >
  <main class="activity">
    <div class="filters">
      <p class="sentence">
        <ChoiceField v-model="what" in-sentence aria-label="What" :options="whats" />
        by
        <ChoiceField v-model="who" in-sentence aria-label="By whom" :options="people" />
        at
        <ChoiceField v-model="customer" in-sentence aria-label="Customer" :options="places" />
        <button v-if="isNarrowed" type="button" class="text-button small" @click="router.replace({ query: {} })">
          show all
        </button>
      </p>
      <div class="days">
        <label for="from">from</label>
        <span class="day"><DayField id="from" v-model="from" past name="from" /></span>
        <label for="until">to</label>
        <span class="day"><DayField id="until" v-model="until" past name="until" /></span>
        <label for="words">with</label>
        <el-input id="words" v-model.lazy="words" class="words" type="search" name="words" placeholder="any words" />
      </div>
      <p class="hand">
        <a :href="file" download="activity.csv">CSV</a>
        <router-link
          v-if="customer !== ''"
          :to="{ path: `/customers/${customer}/done`, query: { from: from || undefined, until: until || undefined } }"
          >For the customer</router-link
        >
      </p>
    </div>
    <LoadingLines v-if="pages.isPending.value" what="the log" />
    <ErrorState v-else-if="pages.error.value !== null" :error="pages.error.value" @again="pages.refetch()" />
    <EmptyState v-else-if="entries.length === 0 && !pages.hasNextPage.value" title="Nothing of the kind was done" />
    <template v-else>
      <p v-if="entries.length === 0">Nothing of the kind among the latest entries; there are older ones.</p>
      <table v-else class="lines" data-testid="activity">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">Where</th>
            <th scope="col">What</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(entry, index) in entries" :key="entry.id" :class="{ first: isNewDay(index) }">
            <td class="when">
              <span v-if="isNewDay(index)">{{ day(entry.at) }},</span> {{ time(entry.at) }}
            </td>
            <td class="when">{{ entry.who ?? 'somebody' }}</td>
            <td class="when">
              <router-link v-if="entry.customer !== null" :to="`/customers/${entry.customer}`">{{
                entry.customerName
              }}</router-link>
            </td>
            <td>
              {{ entry.what }}
              <span v-if="entry.told.length > 0" class="soft">{{
                entry.told.map((each) => `${each.name} ${each.said}`).join(' · ')
              }}</span>
              <ul v-if="entry.changes.length > 0" class="changes">
                <li v-for="(change, at) in entry.changes" :key="at">
                  <span class="soft">{{ place(change) }}</span>
                  <template v-if="change.op === 'create'"> is new</template>
                  <template v-else-if="change.op === 'delete'"> is gone</template>
                  <template v-else>
                    <del v-if="change.before !== null">{{ change.before }}</del><span v-else class="soft">
                      nothing</span
                    >
                    → <ins v-if="change.after !== null">{{ change.after }}</ins><span v-else class="soft">nothing</span>
                  </template>
                </li>
                <li v-if="entry.count !== null" class="soft">{{ entry.count }} changes in all; History has them</li>
              </ul>
            </td>
          </tr>
        </tbody>
      </table>
      <p>
        <button
          v-if="pages.hasNextPage.value"
          type="button"
          class="quiet-button"
          :disabled="pages.isFetchingNextPage.value"
          @click="pages.fetchNextPage()"
        >
          Show older
        </button>
        <span v-else class="soft">That is all.</span>
      </p>
    </template>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.activity {
  display: grid;
  gap: 12px;
  padding: 14px 22px 60px;
}

.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: baseline;
  justify-content: space-between;
}

.days {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: baseline;
}

.day {
  width: 190px;
}

.words {
  width: 170px;
}

.hand {
  display: flex;
  gap: 16px;
}

.when {
  white-space: nowrap;
}

td {
  vertical-align: top;
}

.changes {
  margin: 2px 0 0;
  padding: 0;
  font-size: 13px;
  list-style: none;
  overflow-wrap: anywhere;
}

del {
  color: var(--ink-soft);
}

ins {
  text-decoration: none;
}
</style>
