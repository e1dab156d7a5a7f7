import { useQuery, useQueryClient, type UseQueryReturnType } from '@tanstack/vue-query'
import { computed, watch, type ComputedRef } from 'vue'
import { client, take, type Difference, type Impact, type Live, type Push } from '@/api'
import { ROSTER_KEY } from '@/roster'
import { plural } from '@/shared'
import type { Notice, Notices } from './notices'
import { isUnderWay, type DeskQueries } from './queries'

/** What the switch holds beside the book, and what is done about it. */
export interface BesideState {
  live: UseQueryReturnType<Live, Error>
  impact: UseQueryReturnType<Impact, Error>
  pushes: UseQueryReturnType<Push[], Error>
  differences: ComputedRef<Difference[]>
  /** What was entered here and is not on the switch yet, and what somebody changed there: two things, and two words. */
  notPushed: ComputedRef<Difference[]>
  changedThere: ComputedRef<Difference[]>
  /** In what book and switch say otherwise, waived or not, counted; empty where they say the same. */
  otherwise: ComputedRef<string[]>
  underWay: ComputedRef<Push | undefined>
  push: (only?: { object: string; field: string | null }[]) => Promise<void>
  stop: (id: string) => Promise<void>
  readAgain: () => Promise<void>
  waive: (object: string, path: string | null, reason: string, until: string | null) => Promise<void>
  takeWaiverBack: (waiver: string) => Promise<void>
  sign: (revision: number, by: string) => Promise<void>
  /** Puts the customer on another switch, by its name. */
  moveTo: (name: string) => Promise<void>
}

/** How a push ended, for whoever went on with something else meanwhile. */
function endOf({ status, whole, revision, reason }: Push): Notice {
  const what = whole ? `Revision ${revision}` : 'What was put back'
  return status === 'done'
    ? { text: `${what} is on the switch: read back, and the same.` }
    : { text: `The push was stopped: ${reason ?? 'no reason is known'}. Push shows how far it came.`, isFault: true }
}

export function createBeside(
  customer: string,
  queries: DeskQueries,
  isOpen: ComputedRef<boolean>,
  { act, notice }: Notices,
): BesideState {
  const queryClient = useQueryClient()
  const params = { path: { customer } }
  const live = useQuery({ ...queries.live, enabled: isOpen, shallow: true })
  const pushes = useQuery({ ...queries.pushes, enabled: isOpen })
  const differences = computed(() => live.data.value?.differences ?? [])
  const notPushed = computed(() => differences.value.filter((each) => each.whose === 'ours'))
  const changedThere = computed(() => differences.value.filter((each) => each.whose !== 'ours'))
  const otherwise = computed(() =>
    (
      [
        [changedThere.value.length, 'place', 'changed there'],
        [notPushed.value.length, 'change', 'not pushed yet'],
        [live.data.value?.waived.length ?? 0, 'place', 'otherwise there and waived'],
      ] as const
    ).flatMap(([count, what, how]) => (count === 0 ? [] : [`${plural(count, what)} ${how}`])),
  )
  const impact = useQuery({ ...queries.impact, enabled: computed(() => changedThere.value.length > 0), shallow: true })
  const underWay = computed(() => pushes.data.value?.find(isUnderWay))

  /** @param only the fields or objects to put back; unset for the whole book */
  const push = (only?: { object: string; field: string | null }[]): Promise<void> =>
    act(async () => {
      const asked = await take(client.POST('/customers/{customer}/pushes', { params, body: { only: only ?? null } }))
      queryClient.setQueryData(queries.pushes.queryKey, (before: Push[] | undefined) => [
        asked,
        ...(before ?? []).filter((each) => each.id !== asked.id),
      ])
      return undefined
    })

  const stop = (id: string): Promise<void> =>
    act(async () => {
      await take(client.POST('/customers/{customer}/pushes/{push}/stop', { params: { path: { customer, push: id } } }))
      await queryClient.invalidateQueries({ queryKey: queries.pushes.queryKey })
      return undefined
    })

  /** What the server says of book and live from now on; what was worked out of it before is asked for anew. */
  function liveIs(live: Live): Notice | undefined {
    queryClient.setQueryData(queries.live.queryKey, live)
    void queryClient.invalidateQueries({
      queryKey: queries.live.queryKey,
      predicate: ({ queryKey }) => queryKey.length > queries.live.queryKey.length,
    })
    void queryClient.invalidateQueries({ queryKey: ['computed', customer] })
    void queryClient.invalidateQueries({ queryKey: ROSTER_KEY })
    return undefined
  }

  const waive = (object: string, path: string | null, reason: string, until: string | null): Promise<void> =>
    act(async () =>
      liveIs(
        await take(
          client.POST('/customers/{customer}/live/waivers', { params, body: { object, path, reason, until } }),
        ),
      ),
    )

  const takeWaiverBack = (waiver: string): Promise<void> =>
    act(async () =>
      liveIs(
        await take(
          client.DELETE('/customers/{customer}/live/waivers/{waiver}', { params: { path: { customer, waiver } } }),
        ),
      ),
    )

  const sign = (revision: number, by: string): Promise<void> =>
    act(async () => liveIs(await take(client.POST('/customers/{customer}/signed', { params, body: { revision, by } }))))

  const moveTo = (name: string): Promise<void> =>
    act(async () => {
      liveIs(await take(client.PUT('/customers/{customer}/switch', { params, body: { switch: name } })))
      void queryClient.invalidateQueries({ queryKey: queries.revisions.queryKey })
      return { text: `On the ${live.data.value?.switch.title ?? name} from now on. Read it, or push the book to it.` }
    })

  const readAgain = (): Promise<void> =>
    act(async () => liveIs(await take(client.POST('/customers/{customer}/live/read', { params }))))

  // Once a push has ended, whichever chapter is open, what it changed is looked at anew.
  watch(
    () => underWay.value?.id,
    (id, before) => {
      if (id !== undefined || before === undefined) return
      const ended = pushes.data.value?.find((each) => each.id === before)
      if (ended !== undefined) notice.value = endOf(ended)
      void queryClient.invalidateQueries({ queryKey: queries.live.queryKey })
      void queryClient.invalidateQueries({ queryKey: ['computed', customer] })
      void queryClient.invalidateQueries({ queryKey: ROSTER_KEY })
    },
  )

  return {
    live,
    impact,
    pushes,
    differences,
    notPushed,
    changedThere,
    otherwise,
    underWay,
    push,
    stop,
    readAgain,
    waive,
    takeWaiverBack,
    sign,
    moveTo,
  }
}
