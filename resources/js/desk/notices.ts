import { ref, type Ref } from 'vue'
import { detailOf } from '@/api'

export interface Notice {
  text: string
  /** The revision whose entering this tells of, which can be undone from here. */
  revision?: number
  /** Pending edits were dropped, and can be put back from here. */
  isDropped?: boolean
  isFault?: boolean
}

export interface Notices {
  notice: Ref<Notice | undefined>
  busy: Ref<boolean>
  complain: (error: unknown) => void
  /** One thing at a time: what came of it is told, what went wrong as well. */
  act: (work: () => Promise<Notice | undefined>) => Promise<void>
}

/** @param after what is to be asked anew after each act */
export function createNotices(after: () => void): Notices {
  const notice = ref<Notice>()
  const busy = ref(false)

  function complain(error: unknown): void {
    notice.value = { text: detailOf(error), isFault: true }
  }

  async function act(work: () => Promise<Notice | undefined>): Promise<void> {
    if (busy.value) return
    busy.value = true
    notice.value = undefined
    try {
      notice.value = await work()
    } catch (error) {
      complain(error)
    } finally {
      busy.value = false
      after()
    }
  }

  return { notice, busy, complain, act }
}
