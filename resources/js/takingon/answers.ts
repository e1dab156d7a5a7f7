import { reactive, watch } from 'vue'
import type { Answers, Slot } from '@/api'

const KEY = 'roster-taking-on'

export interface Kept {
  template: string
  answers: Answers
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

/** Whether something was said to a question. */
export function isGiven(answers: Answers, slot: Slot): boolean {
  const answer = answers[slot.key]
  return typeof answer === 'string' ? answer.trim() !== '' : answer !== undefined && answer.length > 0
}

/** Questions that are asked, have to be answered, and are not. `asked` is unknown until the server was asked once. */
export function toAnswer(slots: Slot[], answers: Answers, asked: string[] | undefined): Slot[] {
  return slots.filter((slot) => !slot.optional && !isGiven(answers, slot) && (asked === undefined || asked.includes(slot.key)))
}

/** Faults by where they belong: `name`, or `users/3/extension`. */
export function placed(faults: { detail: string; pointer?: string | undefined }[]): Record<string, string> {
  return Object.fromEntries(faults.map((fault) => [(fault.pointer ?? '').replace(/^\/answers\//, ''), fault.detail]))
}
