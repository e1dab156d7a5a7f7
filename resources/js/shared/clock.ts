import { computed, onScopeDispose, ref, type ComputedRef } from 'vue'

/** The application's clock: what the server says, running on from there unless it stands still (the demo does). */
const base = ref(Date.now())
const taken = ref(0)
const standsStill = ref(true)

export function setClock(instant: string, still: boolean): void {
  base.value = Date.parse(instant)
  taken.value = performance.now()
  standsStill.value = still
}

export function now(): Date {
  return new Date(standsStill.value ? base.value : base.value + performance.now() - taken.value)
}

/** Now, looked at again every half minute. */
export function useNow(): ComputedRef<Date> {
  const tick = ref(0)
  const timer = setInterval(() => tick.value++, 30_000)
  onScopeDispose(() => {
    clearInterval(timer)
  })
  return computed(() => (tick.value >= 0 ? now() : now()))
}
