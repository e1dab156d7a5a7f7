import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, inject, provide, ref, type InjectionKey } from 'vue'
import { createBeside, type BesideState } from './beside'
import { createDraft, type DraftState } from './draft'
import { createMargin, type MarginState } from './margin'
import { Names } from './names'
import { createNotices } from './notices'
import { queriesOf } from './queries'

export type { Edit } from './edits'
export { cellKey, type CellFault, type NewObject } from './draft'
export type { Notice } from './notices'
export { isUnderWay } from './queries'

/** One customer at a desk: the book, its names, what is told and whether something is under way; the rest by part. */
function createDesk(customer: string) {
  const queryClient = useQueryClient()
  const queries = queriesOf(customer)
  // Thousands of objects: each edit brings others in their place, and none is changed where it stands.
  const book = useQuery({ ...queries.desk, shallow: true })
  /** What is said beside the book is asked for after it: somebody waits for the book. */
  const isOpen = computed(() => book.data.value !== undefined)
  const notices = createNotices(() => void queryClient.invalidateQueries({ queryKey: queries.desk.queryKey }))
  /** Of the customer: whose day a date is of that nobody typed. */
  const zone = computed(() => {
    const said = book.data.value?.objects.find((object) => object.kind === 'tenant')?.fields['zone']
    return typeof said === 'string' ? said : 'UTC'
  })
  /** What whoever is signed in is let do here; what they are not is refused by the server, and not offered. */
  const mayEdit = computed(() => (book.data.value?.may ?? 'push') !== 'read')
  const mayPush = computed(() => (book.data.value?.may ?? 'push') === 'push')
  const draft = createDraft(customer, queries, book, notices)
  const beside = createBeside(customer, queries, isOpen, notices)
  const names = computed(
    () =>
      new Names(book.data.value?.objects ?? [], { ...beside.live.data.value?.numbers, ...book.data.value?.numbers }),
  )
  const margin = createMargin(customer, queries, isOpen, beside, notices)
  /** Something else put changes into the draft. */
  const refresh = (queryKey: readonly unknown[]): Promise<void> => queryClient.invalidateQueries({ queryKey })

  return {
    customer,
    queries,
    book,
    names,
    zone,
    mayEdit,
    mayPush,
    notice: notices.notice,
    busy: notices.busy,
    refresh,
    /** What stands on the call line, and how often it was asked: whoever shows a call puts it there. */
    callLine: { sentence: ref(''), asked: ref(0) },
    draft,
    beside,
    margin,
  }
}

export type DeskState = ReturnType<typeof createDesk>

const KEY: InjectionKey<DeskState> = Symbol('desk')

export function provideDesk(customer: string): DeskState {
  const desk = createDesk(customer)
  provide(KEY, desk)
  return desk
}

export function useDesk(): DeskState {
  const desk = inject(KEY)
  if (desk === undefined) throw new Error('used outside a desk')
  return desk
}

export const useDraft = (): DraftState => useDesk().draft
export const useBeside = (): BesideState => useDesk().beside
export const useMargin = (): MarginState => useDesk().margin
export const useCallLine = (): DeskState['callLine'] => useDesk().callLine
