import { ref, type Ref } from 'vue'
import { faultsByField } from '@/api'

/** What a form sends: `busy` while it is under way; after it what was wrong, by field, '' being the whole. */
export function useAttempt(): {
  busy: Ref<boolean>
  faults: Ref<Record<string, string>>
  attempt: (work: () => Promise<unknown>) => Promise<void>
} {
  const busy = ref(false)
  const faults = ref<Record<string, string>>({})

  async function attempt(work: () => Promise<unknown>): Promise<void> {
    busy.value = true
    faults.value = {}
    try {
      await work()
    } catch (error) {
      faults.value = faultsByField(error)
    } finally {
      busy.value = false
    }
  }

  return { busy, faults, attempt }
}
