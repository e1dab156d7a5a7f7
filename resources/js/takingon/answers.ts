import { reactive, watch } from 'vue'

const KEY = 'roster-taking-on'

export interface Kept {
  template: string
  answers: Record<string, string>
}

function read(): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '') as Partial<Kept>
    return { template: kept.template ?? '', answers: kept.answers ?? {} }
  } catch {
    return { template: '', answers: {} }
  }
}

/** What was answered so far, kept in this browser until the customer is taken on: the phone rings in between. */
export function useAnswers(): { kept: Kept; clear: () => void } {
  const kept = reactive(read())
  watch(kept, () => {
    localStorage.setItem(KEY, JSON.stringify(kept))
  })

  function clear(): void {
    kept.answers = {}
    localStorage.removeItem(KEY)
  }

  return { kept, clear }
}
