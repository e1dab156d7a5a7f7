import { keepPreviousData, useQuery, useQueryClient, type UseQueryReturnType } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { client, take, type Finding, type Margin } from '@/api'
import { ROSTER_KEY } from '@/roster'
import type { BesideState } from './beside'
import type { Notice, Notices } from './notices'
import type { DeskQueries } from './queries'

/** What is found in the edited book, and what of it is accepted. */
export interface MarginState {
  margin: UseQueryReturnType<Margin, Error>
  findings: ComputedRef<Finding[]>
  driftFindings: ComputedRef<Finding[]>
  waiveFinding: (fingerprint: string, reason: string, until: string | null) => Promise<void>
  standAgain: (waiver: string) => Promise<void>
}

export function createMargin(
  customer: string,
  queries: DeskQueries,
  isOpen: ComputedRef<boolean>,
  { changedThere, impact }: BesideState,
  { act }: Notices,
): MarginState {
  const queryClient = useQueryClient()
  const margin = useQuery({ ...queries.margin, placeholderData: keepPreviousData, enabled: isOpen, shallow: true })
  const findings = computed(() => margin.data.value?.findings ?? [])
  const driftFindings = computed(() => (changedThere.value.length === 0 ? [] : (impact.data.value?.findings ?? [])))
  const params = { path: { customer } }

  /** What the server says of findings from now on. */
  function marginIs(margin: Margin): Notice | undefined {
    queryClient.setQueryData(queries.margin.queryKey, margin)
    void queryClient.invalidateQueries({ queryKey: ROSTER_KEY })
    return undefined
  }

  const waiveFinding = (fingerprint: string, reason: string, until: string | null): Promise<void> =>
    act(async () =>
      marginIs(
        await take(
          client.POST('/customers/{customer}/findings/waivers', { params, body: { fingerprint, reason, until } }),
        ),
      ),
    )

  const standAgain = (waiver: string): Promise<void> =>
    act(async () =>
      marginIs(
        await take(
          client.DELETE('/customers/{customer}/findings/waivers/{waiver}', { params: { path: { customer, waiver } } }),
        ),
      ),
    )

  return { margin, findings, driftFindings, waiveFinding, standAgain }
}
