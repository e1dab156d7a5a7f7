import { computed, ref, shallowReactive, watch, type ComputedRef, type Ref } from 'vue'
import { client, isProblem, take, type Followed } from '@/api'
import { useBeside, useCallLine, useDesk, useDraft, useMargin } from './desk'
import { same } from './values'

export const BOOKS = { edited: 'as edited', book: 'in the book', live: 'on the switch' }
export type BookOf = keyof typeof BOOKS

/** What one call comes to in one book. */
export interface Answer {
  of: BookOf
  followed: Followed | undefined
  /** Why it is not known. */
  fault: { detail: string; at: number } | undefined
  /** Whether callers get something else than by the first book that was asked. */
  parts: boolean
}

export interface Following {
  /** In the order of the books, those alone that can say something of their own. */
  answers: ComputedRef<Answer[]>
  /** The one whose steps are shown. */
  shown: ComputedRef<Answer | undefined>
  which: Ref<BookOf>
  isOpen: Ref<boolean>
  follow: (isAnother?: boolean) => Promise<void>
  next: () => void
}

/** The call on the call line, followed by every book at once: as edited, as entered, and as the switch holds it. */
export function useFollowing(): Following {
  const { customer } = useDesk()
  const { sentence, asked } = useCallLine()
  const { changes, clashes } = useDraft()
  const { live } = useBeside()
  const { margin } = useMargin()
  const params = { path: { customer } }
  const found = shallowReactive(new Map<BookOf, Omit<Answer, 'of' | 'parts'>>())
  const which = ref<BookOf>('book')
  const isOpen = ref(false)

  /** Where nothing is pending the edited book is the book. */
  const books = computed<BookOf[]>(() => [
    ...(changes.value.length + clashes.value.length > 0 ? (['edited'] as const) : []),
    'book',
    ...(live.data.value?.readAt === null ? [] : (['live'] as const)),
  ])

  const answers = computed<Answer[]>(() => {
    const asFirst = found.get(books.value[0] ?? 'book')?.followed
    return books.value.flatMap((of) => {
      const answer = found.get(of)
      if (answer === undefined) return []
      const { followed } = answer
      const parts =
        followed !== undefined &&
        asFirst !== undefined &&
        !same(followed.telling, asFirst.telling) &&
        of !== books.value[0]
      return [{ of, ...answer, parts }]
    })
  })
  const shown = computed(() => answers.value.find((each) => each.of === which.value) ?? answers.value[0])

  let asking = 0

  /** @param isAnother what was chosen for the call before does not stay for another one */
  async function follow(isAnother = false): Promise<void> {
    const mine = ++asking
    const said = sentence.value.trim()
    if (said === '') return
    const all = books.value
    if (isAnother || !all.includes(which.value)) which.value = all[0] ?? 'book'
    const each = await Promise.all(all.map(async (of) => [of, await answerBy(of, said)] as const))
    // Of several calls under way the last asked counts, and its answers come together: one that is still of the call
    // before would seem to part from them.
    if (mine !== asking) return
    found.clear()
    for (const [of, answer] of each) found.set(of, answer)
    isOpen.value = found.get(which.value)?.followed !== undefined
  }

  async function answerBy(of: BookOf, said: string): Promise<Omit<Answer, 'of' | 'parts'>> {
    try {
      const body = { sentence: said, in: of }
      return { followed: await take(client.POST('/customers/{customer}/calls', { params, body })), fault: undefined }
    } catch (error) {
      const problem = isProblem(error) ? error.problem : undefined
      return {
        followed: undefined,
        fault: {
          detail:
            problem?.status === 404 && of === 'live'
              ? 'The switch has not been read for this customer.'
              : (problem?.detail ?? 'This call could not be followed.'),
          at: (problem as { at?: number } | undefined)?.at ?? 0,
        },
      }
    }
  }

  function next(): void {
    const all = books.value
    which.value = all[(all.indexOf(which.value) + 1) % all.length] ?? 'book'
    if (found.get(which.value)?.followed !== undefined) isOpen.value = true
    else void follow()
  }

  // Whoever shows a call puts it here and asks.
  watch(asked, () => void follow(true))
  // An edit may change what the call comes to; the same call is followed again.
  watch(
    () => margin.data.value,
    () => {
      if (isOpen.value) void follow()
    },
  )

  return { answers, shown, which, isOpen, follow, next }
}
