import { useSessionStorage } from '@vueuse/core'
import type { Ref } from 'vue'
import { own } from '@/shared'

/**
 * What is half typed somewhere on a desk: it outlives leaving the chapter or the customer, a
 * reload of this tab, and a sign-in that ended, for the one who typed it.
 *
 * @param what names the place among those of the customer
 */
export function useHalfTyped<T>(customer: string, what: string, nothing: T): Ref<T> {
  return useSessionStorage<T>(own(`half typed at ${customer}: ${what}`), nothing, {
    serializer: { read: (kept) => JSON.parse(kept) as T, write: (value) => JSON.stringify(value) },
    writeDefaults: false,
  })
}
