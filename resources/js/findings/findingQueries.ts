import { keepPreviousData, queryOptions, useQuery } from '@tanstack/vue-query'
import { until, watchDebounced } from '@vueuse/core'
import { computed, nextTick, onScopeDispose, ref, shallowReactive, shallowRef, watch, type ComputedRef } from 'vue'
import {
  client,
  take,
  type AuditRun,
  type FindingHead,
  type FindingLine,
  type Findings,
  type FindingWindow,
} from '@/api'
import type { Grouping, Wanted } from './sorting'

export const FINDINGS_KEY = ['findings']

/** A head over findings, or a finding; nothing where it was not read yet. */
export interface Row {
  at: number
  head?: FindingHead
  line?: FindingLine
}

export type Sentence = Wanted & { by: Grouping }

export interface FindingsInView {
  data: ComputedRef<Findings | undefined>
  error: ComputedRef<Error | null>
  again: () => void
  row: (at: number) => Row
  /** Rows that came into view. */
  want: (from: number, to: number) => void
  /** Waits until what is typed has been answered. */
  answered: () => Promise<void>
}

/** What is typed settles before it is asked for. */
const TYPING = 180
const PAUSE = 60
const AGAIN_AFTER = 5_000

/** A sentence as the server reads it. */
export function sought({ weight, kind, words, by }: Sentence): Sentence {
  return { weight, kind, words: words.trim(), by }
}

/**
 * The findings that a sentence asks for, as rows: those around where somebody stands come at once, others as they come
 * into view.
 *
 * @param place of whom one stands on, when all of it is read anew
 */
export function useFindings(sentence: () => Sentence, place: () => string): FindingsInView {
  const rows = shallowReactive(new Map<number, Row>())
  const settled = ref(sentence().words)
  watchDebounced(
    () => sentence().words,
    (words) => (settled.value = words),
    { debounce: TYPING },
  )
  const asked = computed(() => sought({ ...sentence(), words: settled.value }))
  const trouble = shallowRef<Error | null>(null)

  function learn(window: FindingWindow): void {
    for (const head of window.heads) rows.set(head.row, { at: head.row, head })
    for (const { row, line } of window.lines) rows.set(row, { at: row, line })
  }

  const page = useQuery({
    queryKey: computed(() => [...FINDINGS_KEY, 'page', asked.value]),
    queryFn: async (): Promise<Findings> =>
      await take(client.GET('/findings', { params: { query: { ...asked.value, at: place() } } })),
    placeholderData: keepPreviousData,
  })
  // What was read of another answer stands in other rows.
  watch(
    () => (page.isPlaceholderData.value ? undefined : page.data.value),
    (read) => {
      if (read === undefined) return
      rows.clear()
      learn(read)
      want(...inView)
    },
    { immediate: true, flush: 'sync' },
  )

  let inView: [number, number] = [0, 0]
  let timer: ReturnType<typeof setTimeout> | undefined
  async function fetchWanted(): Promise<void> {
    const [from, to] = inView
    const of = page.data.value
    const missing = Array.from({ length: to - from }, (_, nth) => from + nth).find((at) => !rows.has(at))
    if (missing === undefined || page.isPlaceholderData.value) return
    try {
      const window = await take(client.GET('/findings/rows', { params: { query: { ...asked.value, from: missing } } }))
      if (of === page.data.value) learn(window)
      trouble.value = null
      want(...inView)
    } catch (error) {
      trouble.value = error as Error
      timer = setTimeout(() => void fetchWanted(), AGAIN_AFTER)
    }
  }
  function want(from: number, to: number): void {
    inView = [from, to]
    clearTimeout(timer)
    for (let at = from; at < to; at++)
      if (!rows.has(at)) {
        timer = setTimeout(() => void fetchWanted(), PAUSE)
        return
      }
  }
  onScopeDispose(() => {
    clearTimeout(timer)
  })

  return {
    data: computed(() => page.data.value),
    error: computed(() => page.error.value ?? trouble.value),
    again: () => void page.refetch(),
    row: (at) => rows.get(at) ?? { at },
    want,
    answered: async () => {
      settled.value = sentence().words
      await nextTick()
      await until(() => !page.isFetching.value).toBe(true)
    },
  }
}

/** As many as are mended in one go. */
export const MOST_MENDED = 200

/** The findings of one rule or customer that can be mended, of those that the sentence asks for. */
export async function mendableOf(sentence: Sentence, group: string): Promise<FindingLine[]> {
  const found: FindingLine[] = []
  let from = 0
  for (;;) {
    const window = await take(client.GET('/findings/rows', { params: { query: { ...sought(sentence), group, from } } }))
    found.push(...window.lines.map(({ line }) => line).filter((line) => line.fix !== null && !line.waived))
    from += window.heads.length + window.lines.length
    if (found.length >= MOST_MENDED || from >= window.rows || window.lines.length === 0)
      return found.slice(0, MOST_MENDED)
  }
}

const WHILE_RUNNING = 1000
const OTHERWISE = 30_000

export const auditQuery = queryOptions({
  queryKey: ['audits'],
  queryFn: async (): Promise<AuditRun | null> => (await take(client.GET('/audits/latest'))).run,
})

/** Asked again and again: three numbers, however many customers there are. */
export const progressQuery = queryOptions({
  queryKey: ['audits', 'progress'],
  queryFn: async () => (await take(client.GET('/audits/latest/progress'))).progress,
  refetchInterval: ({ state }) => (state.data?.state === 'running' ? WHILE_RUNNING : OTHERWISE),
})

export const FORMATS = { csv: 'CSV', json: 'JSON', sarif: 'SARIF', junit: 'JUnit' } as const

const NAMES = { csv: 'findings.csv', json: 'findings.json', sarif: 'findings.sarif', junit: 'findings.xml' }

/** Fetches findings as a file and hands it to the browser, which keeps it: those named, or all of a sentence. */
export async function saveAs(format: keyof typeof FORMATS, what: FindingLine[] | Sentence): Promise<void> {
  const text = await take(
    client.POST('/findings/export', {
      body: {
        format,
        ...(Array.isArray(what)
          ? { of: what.map(({ customer, fingerprint }) => ({ customer, fingerprint })) }
          : { sought: sought(what) }),
      },
      parseAs: 'text',
    }),
  )
  const address = URL.createObjectURL(new Blob([text]))
  const link = document.createElement('a')
  link.href = address
  link.download = NAMES[format]
  link.click()
  URL.revokeObjectURL(address)
}
