import { onScopeDispose, watchEffect } from 'vue'

const PRODUCT = 'Jaunty Roster'

/** Names the page for tabs, history and screen readers: what is in view first. */
export function useTitle(says: () => (string | undefined)[]): void {
  watchEffect(() => {
    document.title = [...says().filter((part) => part !== undefined && part !== ''), PRODUCT].join(' · ')
  })
  onScopeDispose(() => {
    document.title = PRODUCT
  })
}
