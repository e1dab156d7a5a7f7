import { useQueryClient } from '@tanstack/vue-query'
import { client, take, type FindingLine } from '@/api'
import { findingsQuery } from './findingQueries'

/** Who sees to a finding, and by which day: what is noted stands in the list at once. */
export function useCare(): (line: FindingLine, assignee: string | null, due: string | null) => Promise<void> {
  const queryClient = useQueryClient()

  return async ({ customer, fingerprint }, assignee, due) => {
    const noted = await take(
      client.PUT('/customers/{customer}/findings/{fingerprint}', {
        params: { path: { customer, fingerprint } },
        body: { assignee, due },
      }),
    )
    queryClient.setQueryData(
      findingsQuery.queryKey,
      (known) =>
        known && {
          ...known,
          findings: known.findings.map((each) =>
            each.customer === customer && each.fingerprint === fingerprint ? { ...each, ...noted } : each,
          ),
        },
    )
  }
}
