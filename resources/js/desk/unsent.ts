import { isProblem } from '@/api'
import type { Edit } from './edits'

/**
 * No line to the server, a sign-in that ended, a page that outlived its session: none of it is the fault of what was
 * typed.
 */
const AWAY = [0, 401, 419, 502, 503, 504]

export function isAway(error: unknown): boolean {
  return isProblem(error) && AWAY.includes(error.problem.status)
}

const keyOf = (customer: string): string => `unsent edits of ${customer}`

/** Edits that wait in this browser, by customer, over a reload and a sign-in. */
export const Unsent = {
  of(customer: string): Edit[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(keyOf(customer)) ?? '[]')
      return Array.isArray(kept) ? (kept as Edit[]) : []
    } catch {
      return []
    }
  },

  keep(customer: string, edits: Edit[]): void {
    if (edits.length === 0) localStorage.removeItem(keyOf(customer))
    else localStorage.setItem(keyOf(customer), JSON.stringify(edits))
  },
}
