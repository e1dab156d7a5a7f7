import { useSessionStorage } from '@vueuse/core'
import type { Ref } from 'vue'

/**
 * What is half typed somewhere on a desk: it outlives leaving the chapter or the customer, and a reload of this tab.
 *
 * @param what names the place among those of the customer
 */
export function useHalfTyped<T>(customer: string, what: string, nothing: T): Ref<T> {
  return useSessionStorage<T>(`half typed at ${customer}: ${what}`, nothing, {
    serializer: { read: (kept) => JSON.parse(kept) as T, write: (value) => JSON.stringify(value) },
    writeDefaults: false,
  })
}
