import { reactive } from 'vue'
import { client, take, type Answers, type Slot } from '@/api'

export interface Kept {
  template: string
  answers: Answers
}

/** What was answered so far, kept on the server until the customer is taken on: the phone rings in between, and browsers die. */
export function useAnswers(): { kept: Kept; load: () => Promise<void>; keep: () => Promise<void>; clear: () => Promise<void> } {
  const kept: Kept = reactive({ template: '', answers: {} })

  async function load(): Promise<void> {
    const found = (await take(client.GET('/taking-on/answers'))).kept
    if (found !== null) Object.assign(kept, found)
  }

  async function keep(): Promise<void> {
    await take(client.PUT('/taking-on/answers', { body: { template: kept.template, answers: kept.answers } }))
  }

  async function clear(): Promise<void> {
    kept.answers = {}
    await take(client.DELETE('/taking-on/answers'))
  }

  return { kept, load, keep, clear }
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
