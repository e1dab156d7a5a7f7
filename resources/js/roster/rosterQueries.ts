import { queryOptions, useQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import { client, take, type CustomerLine } from '@/api'
import type { Command } from '@/shared'
import { onTour } from './tour'

const REFRESH_EVERY = 30_000

export const rosterQuery = queryOptions({
  queryKey: ['roster'],
  queryFn: async (): Promise<CustomerLine[]> => (await take(client.GET('/customers'))).customers,
  refetchInterval: REFRESH_EVERY,
})

/** The customers next to one as the Roster was narrowed and sorted, for the keys that turn over to them. */
export function useNeighbours(
  customer: () => string,
): ComputedRef<{ previous: CustomerLine | undefined; next: CustomerLine | undefined; mine: CustomerLine | undefined }> {
  const { data } = useQuery(rosterQuery)
  return computed(() => {
    const all = data.value ?? []
    const along = onTour()
    const byKey = new Map(all.map((line) => [line.key, line]))
    const lines = along.includes(customer()) ? along.flatMap((key) => byKey.get(key) ?? []) : all
    const at = lines.findIndex((line) => line.key === customer())
    return { mine: lines[at], previous: at > 0 ? lines[at - 1] : undefined, next: at >= 0 ? lines[at + 1] : undefined }
  })
}

/** Every customer and main number, for the command box. */
export function customerCommands(lines: CustomerLine[], open: (customer: string) => void): Command[] {
  return lines.flatMap((line) => {
    const run = (): void => {
      open(line.key)
    }
    const number =
      line.mainNumber === null ? [] : [{ label: `${line.mainNumber} ${line.name}`, kind: 'main number', run }]
    return [{ label: line.name, kind: line.place === null ? 'customer' : `customer · ${line.place}`, run }, ...number]
  })
}
