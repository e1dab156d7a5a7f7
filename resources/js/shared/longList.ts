import { useVirtualizer } from '@tanstack/vue-virtual'
import { useEventListener } from '@vueuse/core'
import { computed, ref, toValue, type ComputedRef, type MaybeRefOrGetter, type Ref } from 'vue'

/** Beyond so many lines only those in view are drawn. */
const MOST_DRAWN = 150

/** Lines drawn before it is known how many are in view. */
const AT_FIRST = 30

export interface Drawn {
  from: number
  to: number
  /** Pixels of what is not drawn. */
  above: number
  below: number
}

/** Paper has no view that could be scrolled: all of it is drawn while it is printed. */
function usePrinting(): Ref<boolean> {
  const isPrinting = ref(false)
  useEventListener(window, 'beforeprint', () => (isPrinting.value = true))
  useEventListener(window, 'afterprint', () => (isPrinting.value = false))
  return isPrinting
}

/**
 * Which lines of a table are drawn, so that thousands scroll as few do.
 *
 * @param height of every line, in pixels, as the styles have it
 * @param head of what stays above the lines in the same scroller
 */
export function useLongList(
  count: () => number,
  scrolls: () => HTMLElement | null,
  height: number,
  head: MaybeRefOrGetter<number> = 0,
): { isLong: ComputedRef<boolean>; drawn: ComputedRef<Drawn>; show: (index: number) => void } {
  const isPrinting = usePrinting()
  const isLong = computed(() => count() > MOST_DRAWN && !isPrinting.value)
  const lines = useVirtualizer(
    computed(() => ({
      count: count(),
      getScrollElement: scrolls,
      estimateSize: () => height,
      overscan: 24,
      paddingStart: toValue(head),
      scrollPaddingStart: toValue(head),
      enabled: isLong.value,
    })),
  )
  const drawn = computed(() => {
    if (!isLong.value) return { from: 0, to: count(), above: 0, below: 0 }
    const all = lines.value.getVirtualItems()
    const [first, last] = [all[0], all.at(-1)]
    if (first === undefined || last === undefined) return { from: 0, to: AT_FIRST, above: 0, below: 0 }
    return {
      from: first.index,
      to: last.index + 1,
      above: first.start - toValue(head),
      below: lines.value.getTotalSize() - last.end,
    }
  })
  function show(index: number): void {
    const scroller = scrolls()
    if (!isLong.value || scroller === null) return
    const above = toValue(head)
    const top = above + index * height
    if (top < scroller.scrollTop + above) scroller.scrollTop = top - above
    else if (top + height > scroller.scrollTop + scroller.clientHeight)
      scroller.scrollTop = top + height - scroller.clientHeight
  }
  return { isLong, drawn, show }
}
