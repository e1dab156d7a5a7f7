import { isProblem } from '@/api'
import { own } from '@/shared'
import type { TypedEdit } from './edits'

/**
 * No line to the server, a sign-in that ended, a page that outlived its session: none of it is the fault of what was
 * typed.
 */
const AWAY = [0, 401, 419, 502, 503, 504]

export function isAway(error: unknown): boolean {
  return isProblem(error) && AWAY.includes(error.problem.status)
}

/** Edits that wait in this browser, by technician and customer, over a reload and a sign-in, for all its tabs. */
export interface Unsent {
  all: () => TypedEdit[]
  add: (edits: TypedEdit[]) => void
  /** They are on the server, or will never be. */
  remove: (edits: TypedEdit[]) => void
}

export function createUnsent(customer: string): Unsent {
  const key = own(`unsent edits of ${customer}`)

  function all(): TypedEdit[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
      return Array.isArray(kept) ? (kept as TypedEdit[]) : []
    } catch {
      return []
    }
  }

  function keep(edits: TypedEdit[]): void {
    if (edits.length === 0) localStorage.removeItem(key)
    else localStorage.setItem(key, JSON.stringify(edits))
  }

  return {
    all,
    add: (edits) => {
      keep([...all(), ...edits])
    },
    remove: (edits) => {
      const done = new Set(edits.map((each) => JSON.stringify(each)))
      keep(all().filter((each) => !done.has(JSON.stringify(each))))
    },
  }
}
