<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, take, type RuleLine } from '@/api'
import {
  ChoiceField,
  EmptyState,
  ErrorState,
  LoadingLines,
  PageTop,
  plural,
  SEVERITIES,
  SeverityBars,
  useShortcuts,
  useTitle,
} from '@/shared'
import { namesQuery } from '@/roster'
import { rulesQuery } from './rulesQuery'
import ThresholdField from './ThresholdField.vue'

/** Every rule of the audit: what it looks for, how often it fires, and what counts as too much for it. */
const route = useRoute()
const router = useRouter()
const queryClient = useQueryClient()
const { data, error, refetch } = useQuery({ ...rulesQuery, staleTime: 0 })
const { data: customers } = useQuery(namesQuery)

const words = ref('')
const WHICH = [
  ['all', 'All rules'],
  ['firing', 'Rules that fire'],
  ['silent', 'Rules that find nothing'],
  ['set', 'Rules with a threshold'],
] as const
const which = ref<(typeof WHICH)[number][0]>('all')
const at = ref(0)
const body = ref<HTMLElement>()
const search = ref<{ focus: () => void }>()
/** Whose thresholds are shown; empty for every customer's. */
const customer = ref('')
const whose = computed(() => [
  ['', 'every customer'] as const,
  ...(customers.value ?? []).map((each) => [each.key, each.name] as const),
])
const own = useQuery({
  queryKey: computed(() => ['thresholds', customer.value]),
  queryFn: async () =>
    (await take(client.GET('/customers/{customer}/thresholds', { params: { path: { customer: customer.value } } })))
      .thresholds,
  enabled: computed(() => customer.value !== ''),
})
const thresholds = computed(() => (customer.value === '' ? data.value?.thresholds : own.data.value) ?? [])

const lines = computed(() => {
  const looked = words.value
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  const sorted = [...(data.value?.rules ?? [])].sort((a, b) => a.id.localeCompare(b.id))
  return sorted.filter(
    (rule) =>
      isWanted(rule) &&
      looked.every((word) => `${rule.id} ${rule.name} ${rule.what} ${rule.why}`.toLowerCase().includes(word)),
  )
})
const here = computed(() => lines.value[at.value])
const hereThresholds = computed(() => thresholds.value.filter((each) => here.value?.thresholds.includes(each.name)))

function isWanted(rule: RuleLine): boolean {
  if (which.value === 'firing') return rule.findings > 0
  if (which.value === 'silent') return rule.findings === 0
  return which.value === 'all' || rule.thresholds.length > 0
}

watch(lines, (shown) => (at.value = Math.max(0, Math.min(at.value, shown.length - 1))))
// Come to from a finding: its rule is open.
watch(
  data,
  (read) => {
    const asked = lines.value.findIndex((rule) => rule.id === route.query.rule)
    if (read !== undefined && asked >= 0) {
      at.value = asked
      showHere()
    }
  },
  { once: true },
)

function showHere(): void {
  void nextTick(() => body.value?.children[at.value]?.scrollIntoView({ block: 'nearest' }))
}

function move(by: number): void {
  at.value = Math.max(0, Math.min(lines.value.length - 1, at.value + by))
  showHere()
}

function fires(rule: RuleLine): string {
  return rule.findings === 0
    ? '—'
    : rule.findings === rule.customers
      ? plural(rule.customers, 'customer')
      : `${rule.findings} at ${plural(rule.customers, 'customer')}`
}

function findingsOf(rule: RuleLine | undefined): void {
  if (rule !== undefined && rule.findings > 0) void router.push({ name: 'findings', query: { words: rule.id } })
}

async function set(name: string, value: number | null): Promise<void> {
  if (customer.value === '') {
    await take(client.PUT('/thresholds/{threshold}', { params: { path: { threshold: name } }, body: { value } }))
    await queryClient.invalidateQueries({ queryKey: rulesQuery.queryKey })
  } else {
    await take(
      client.PUT('/customers/{customer}/thresholds/{threshold}', {
        params: { path: { customer: customer.value, threshold: name } },
        body: { value },
      }),
    )
    await Promise.all([
      queryClient.invalidateQueries({ queryKey: ['thresholds'] }),
      queryClient.invalidateQueries({ queryKey: rulesQuery.queryKey }),
    ])
  }
  void queryClient.invalidateQueries({ queryKey: ['findings'] })
}

useShortcuts([
  {
    keys: 'j',
    label: 'next rule',
    scope: 'Rules',
    run: () => {
      move(1)
    },
  },
  {
    keys: 'k',
    label: 'rule before',
    scope: 'Rules',
    run: () => {
      move(-1)
    },
  },
  {
    keys: 'Enter',
    label: 'what it found',
    scope: 'Rules',
    run: () => {
      findingsOf(here.value)
    },
  },
  {
    keys: '/',
    label: 'look for words',
    scope: 'Rules',
    run: () => {
      search.value?.focus()
    },
  },
])

useTitle(() => ['Rules'])
</script>

<template>
  <PageTop>
    <router-link to="/findings">‹ Findings</router-link>
    <h1 class="page-title">Rules</h1>
    <template #hand><kbd>Ctrl K</kbd></template>
  </PageTop>
  <main class="ledger-page">
    <ErrorState v-if="error !== null && data === undefined" :error="error" @again="refetch()" />
    <LoadingLines v-else-if="data === undefined" what="the rules" />
    <template v-else>
      <div class="filters">
        <p class="sentence">
          <ChoiceField v-model="which" in-sentence aria-label="Which" :options="WHICH" />
          with
          <el-input
            ref="search"
            v-model="words"
            type="search"
            class="words"
            aria-label="Words"
            placeholder="any words"
            @keydown.down.prevent="move(1)"
            @keydown.up.prevent="move(-1)"
            @keydown.esc="words = ''"
          />
        </p>
        <p class="soft" role="status">
          {{ plural(lines.length, 'rule') }}, {{ lines.filter((rule) => rule.findings > 0).length }} of them fire
        </p>
      </div>
      <EmptyState v-if="lines.length === 0" title="No such rule">No rule fits this sentence.</EmptyState>
      <div v-else class="ledger">
        <div class="list">
          <table>
            <thead>
              <tr>
                <th scope="col" class="weight">Weight</th>
                <th scope="col" class="id">Rule</th>
                <th scope="col">What is wrong</th>
                <th scope="col" class="fires">Fires at</th>
              </tr>
            </thead>
            <tbody ref="body">
              <!-- The whole line takes the mouse; the keys j, k and Enter serve everybody else. -->
              <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
              <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
              <tr
                v-for="(rule, index) in lines"
                :key="rule.id"
                class="one"
                :class="{ here: index === at }"
                @click="at = index"
              >
                <td><SeverityBars :severity="rule.severity" /></td>
                <td>
                  {{ rule.name }}<br /><span class="mono soft">{{ rule.id }}</span>
                </td>
                <td>{{ rule.what }}</td>
                <td>
                  <router-link
                    v-if="rule.findings > 0"
                    :to="{ name: 'findings', query: { words: rule.id } }"
                    @click.stop
                    >{{ fires(rule) }}</router-link><span v-else class="soft">—</span
                  ><span v-if="rule.waived > 0" class="soft"> · {{ rule.waived }} waived</span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <aside v-if="here !== undefined" class="about" aria-label="The rule">
          <p class="mono soft">{{ here.id }}</p>
          <h2>{{ here.name }}</h2>
          <p>{{ here.what }}</p>
          <p>{{ here.why }}</p>
          <p>{{ here.remedy }}</p>
          <p class="soft">
            A{{ here.severity === 'error' ? 'n' : '' }} {{ here.severity }}. Rests on {{ here.source }}.<template
              v-if="here.countries.length > 0"
            >
              Only in {{ here.countries.join(', ') }}.</template
            >
          </p>
          <section v-if="hereThresholds.length > 0" class="thresholds" aria-label="What counts as too much">
            <p>
              <label for="whose">Counts as too much for</label>
              <ChoiceField id="whose" v-model="customer" class="whose" :options="whose" />
            </p>
            <ThresholdField
              v-for="each in hereThresholds"
              :key="`${customer} ${each.name}`"
              :threshold="each"
              :is-own="customer !== ''"
              :may-change="customer !== '' || data.mayChange"
              :set
            />
          </section>
        </aside>
      </div>
      <p class="soft small key">
        <template v-for="weight in SEVERITIES" :key="weight"
          ><SeverityBars :severity="weight" /> {{ weight }}{{ ' ' }}</template
        >
      </p>
    </template>
  </main>
</template>

<style scoped>
.weight {
  width: 64px;
}

.id {
  width: 262px;
}

.fires {
  width: 150px;
}

.thresholds {
  display: grid;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--rule-soft);
}

.key {
  padding-top: 6px;
}
</style>
