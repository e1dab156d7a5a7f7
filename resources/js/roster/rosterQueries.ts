import { keepPreviousData, queryOptions, useQuery, useQueryClient } from '@tanstack/vue-query'
import { watchDebounced } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowReactive, shallowRef, watch, type ComputedRef, type Ref } from 'vue'
import { client, take, type CustomerLine, type RosterPage } from '@/api'
import type { Filter } from './filter'
import { onTour } from './tour'

const REFRESH_EVERY = 30_000

/** Lines asked for at once; what is scrolled past is not. */
const AT_ONCE = 100
const PAUSE = 60

/** Every customer, to choose from. */
export const namesQuery = queryOptions({
  queryKey: ['roster', 'names'],
  queryFn: async () => (await take(client.GET('/roster/names'))).customers,
  staleTime: REFRESH_EVERY,
})

async function linesOf(keys: string[]): Promise<CustomerLine[]> {
  if (keys.length === 0) return []
  return (await take(client.GET('/roster/lines', { params: { query: { 'keys[]': keys } } }))).customers
}

/** What a sentence asks the server: only what narrows. */
function asked(filter: Filter & { sort: string }): Record<string, string> {
  const { stage, findings, drift, region, who, words, sort } = filter
  return Object.fromEntries(
    Object.entries({
      stage,
      findings: findings === 'any' ? '' : findings,
      drift: drift === 'any' ? '' : drift,
      region,
      who,
      words: words.trim(),
      sort: sort === 'name' ? '' : sort,
    }).filter(([, said]) => said !== ''),
  )
}

/** What is typed settles before it is asked for. */
const TYPING = 180
const AGAIN_AFTER = 5_000

export interface RosterInView {
  page: ComputedRef<RosterPage | undefined>
  isPending: Ref<boolean>
  /** The order is found anew. */
  again: () => void
  order: ComputedRef<string[]>
  /** What fits the sentence as it stands, waited for. */
  orderNow: () => Promise<string[]>
  known: Map<string, CustomerLine>
  /** How many lines changed since their order was found. */
  moved: Ref<number>
  /** Lines that came into view. */
  want: (keys: readonly string[]) => void
  /** Lines for whoever does something to them, whether they were in view or not. */
  linesFor: (keys: readonly string[]) => Promise<CustomerLine[]>
  trouble: ComputedRef<unknown>
}

/**
 * The Roster as it is narrowed and sorted: every key in order at once, lines as they come into view, and what changes
 * meanwhile. The order stays as it was read until somebody asks anew, so that no line jumps away under a hand.
 */
export function useRoster(filter: () => Filter & { sort: string }): RosterInView {
  const queryClient = useQueryClient()
  const known = shallowReactive(new Map<string, CustomerLine>())
  /** Read since whatever changed last. */
  let fresh = new Set<string>()
  const moved = ref(0)
  const linesTrouble = shallowRef<unknown>(null)
  function learn(lines: readonly CustomerLine[]): void {
    for (const line of lines) {
      known.set(line.key, line)
      fresh.add(line.key)
    }
  }

  const settled = ref(filter().words)
  const query = computed(() => asked({ ...filter(), words: settled.value }))
  watchDebounced(
    () => filter().words,
    (words) => (settled.value = words),
    { debounce: TYPING },
  )
  watch(
    () => filter().words === '',
    (isNothing) => {
      if (isNothing) settled.value = ''
    },
  )
  async function read(said: Record<string, string>): Promise<RosterPage> {
    const answer = await take(client.GET('/customers', { params: { query: said } }))
    learn(answer.customers)
    moved.value = 0
    return answer
  }
  const page = useQuery(
    computed(() => ({
      queryKey: ['roster', 'page', query.value],
      queryFn: async () => await read(query.value),
      placeholderData: keepPreviousData,
      refetchOnWindowFocus: false,
    })),
  )
  const order = computed(() => page.data.value?.order ?? [])
  async function orderNow(): Promise<string[]> {
    settled.value = filter().words
    const said = query.value
    const found = await queryClient.query({
      queryKey: ['roster', 'page', said],
      queryFn: async () => await read(said),
      staleTime: 'static',
    })
    return found.order
  }

  let inView: readonly string[] = []
  let timer: ReturnType<typeof setTimeout> | undefined
  async function fetchWanted(): Promise<void> {
    const keys = inView.filter((key) => !fresh.has(key)).slice(0, AT_ONCE)
    try {
      learn(await linesOf(keys))
      linesTrouble.value = null
    } catch (error) {
      linesTrouble.value = error
      timer = setTimeout(() => void fetchWanted(), AGAIN_AFTER)
    }
  }
  function want(keys: readonly string[]): void {
    inView = keys
    if (keys.every((key) => fresh.has(key))) return
    clearTimeout(timer)
    timer = setTimeout(() => void fetchWanted(), PAUSE)
  }
  async function linesFor(keys: readonly string[]): Promise<CustomerLine[]> {
    const missing = keys.filter((key) => !known.has(key))
    for (let from = 0; from < missing.length; from += AT_ONCE) learn(await linesOf(missing.slice(from, from + AT_ONCE)))
    return keys.flatMap((key) => known.get(key) ?? [])
  }

  let since: string | undefined
  watch(
    () => page.data.value?.at,
    (at) => (since = at ?? since),
    { immediate: true },
  )
  const changes = useQuery({
    queryKey: ['roster', 'changes'],
    queryFn: async () => {
      if (since === undefined) return null
      const told = await take(client.GET('/roster/changes', { params: { query: { since } } }))
      since = told.at
      moved.value += told.customers.filter(
        (line) => JSON.stringify(line) !== JSON.stringify(known.get(line.key)),
      ).length
      if (told.isMany) fresh = new Set()
      learn(told.customers)
      if (told.isMany || told.total !== page.data.value?.total)
        await queryClient.invalidateQueries({ queryKey: ['roster', 'page'] })
      want(inView)
      return told.at
    },
    refetchInterval: REFRESH_EVERY,
    enabled: computed(() => page.data.value !== undefined),
    gcTime: 0,
  })
  onScopeDispose(() => {
    clearTimeout(timer)
  })

  return {
    page: computed(() => page.data.value),
    isPending: page.isPending,
    again: () => void page.refetch(),
    order,
    orderNow,
    known,
    moved,
    want,
    linesFor,
    trouble: computed(() => page.error.value ?? changes.error.value ?? linesTrouble.value),
  }
}

interface Neighbours {
  previous: CustomerLine | undefined
  next: CustomerLine | undefined
  mine: CustomerLine | undefined
}

/** The customers next to one as the Roster was left, else by name, for the keys that turn over to them. */
export function useNeighbours(customer: () => string): ComputedRef<Neighbours> {
  const { data } = useQuery({
    queryKey: computed(() => ['roster', 'beside', customer()]),
    queryFn: async () => {
      const key = customer()
      const along = onTour()
      const at = along.indexOf(key)
      const [previous, next] =
        at >= 0
          ? [along[at - 1], along[at + 1]]
          : await take(client.GET('/customers/{customer}/beside', { params: { path: { customer: key } } })).then(
              (beside) => [beside.previous ?? undefined, beside.next ?? undefined],
            )
      const lines = new Map(
        (await linesOf([previous, key, next].filter((each) => each !== undefined))).map((line) => [line.key, line]),
      )
      const of = (each: string | undefined): CustomerLine | undefined =>
        each === undefined ? undefined : lines.get(each)
      return { previous: of(previous), mine: lines.get(key), next: of(next) }
    },
  })
  return computed(() => data.value ?? { previous: undefined, mine: undefined, next: undefined })
}

/** Customers by words of their name, town or number, for the command box. */
export async function findCustomers(words: string, most = 8): Promise<CustomerLine[]> {
  return (await take(client.GET('/customers', { params: { query: { words, most } } }))).customers
}

/** What an act at some customers makes old. */
export const ROSTER_KEY = ['roster']
