import { queryOptions } from '@tanstack/vue-query'
import { client, take } from '@/api'

/** Rules change with the program, and how often they fire is told within a minute. */
const KNOWN_FOR = 60_000

/** Every rule of the audit by its name, what it looks for, and how often it fires. */
export const rulesQuery = queryOptions({
  queryKey: ['rules'],
  queryFn: async () => take(client.GET('/rules')),
  staleTime: KNOWN_FOR,
})
