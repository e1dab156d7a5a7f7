import { useQueryClient } from '@tanstack/vue-query'
import { client, take, type FindingLine } from '@/api'
import { FINDINGS_KEY } from './findingQueries'

interface Care {
  /** Who sees to a finding, and by which day. */
  note: (line: FindingLine, assignee: string | null, due: string | null) => Promise<unknown>
  /** What was done stands in the list. */
  readAnew: () => Promise<void>
}

export function useCare(): Care {
  const queryClient = useQueryClient()
  return {
    note: ({ customer, fingerprint }, assignee, due) =>
      take(
        client.PUT('/customers/{customer}/findings/{fingerprint}', {
          params: { path: { customer, fingerprint } },
          body: { assignee, due },
        }),
      ),
    readAnew: () => queryClient.invalidateQueries({ queryKey: FINDINGS_KEY }),
  }
}
