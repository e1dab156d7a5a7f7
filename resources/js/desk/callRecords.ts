import { useQuery, useQueryClient, type UseQueryReturnType } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { client, take, type CallsMade } from '@/api'
import { useDesk } from './desk'

/** What is said of somebody who takes no calls: as long as that may be a holiday, nothing is. */
export const QUIET_DAYS = 30

/** Calls that were made in the last days, added up. */
export function useCallRecords(days: number): {
  records: UseQueryReturnType<CallsMade, Error>
  read: () => Promise<void>
  byUser: ComputedRef<Map<string, CallsMade['users'][number]>>
} {
  const { customer } = useDesk()
  const queryClient = useQueryClient()
  const records = useQuery({
    queryKey: ['calls made', customer, days],
    queryFn: () =>
      take(client.GET('/customers/{customer}/history', { params: { path: { customer }, query: { days } } })),
  })
  const byUser = computed(() => new Map((records.data.value?.users ?? []).map((each) => [each.of, each])))

  async function read(): Promise<void> {
    await take(client.POST('/customers/{customer}/history/read', { params: { path: { customer } } }))
    await queryClient.invalidateQueries({ queryKey: ['calls made', customer] })
  }

  return { records, read, byUser }
}
