import { shallowRef } from 'vue'
import type { RouteLocationRaw } from 'vue-router'

/** The Roster as it stood when somebody opened a customer from it. */
interface Tour {
  query: Record<string, string>
  /** Of the customers, in the order they were shown. */
  keys: string[]
}

const KEPT_AS = 'roster.tour'

function known(): Tour {
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEPT_AS) ?? 'null') as Partial<Tour> | null
    return { query: kept?.query ?? {}, keys: kept?.keys ?? [] }
  } catch {
    return { query: {}, keys: [] }
  }
}

const tour = shallowRef(known())

/** From here on `[` and `]` go along these customers, whatever becomes of what chose them, and the Roster opens so. */
export function setOut(query: Record<string, string>, keys: string[]): void {
  tour.value = { query, keys }
  sessionStorage.setItem(KEPT_AS, JSON.stringify(tour.value))
}

export const onTour = (): string[] => tour.value.keys

/** The Roster as it was left, at the line of the customer one comes from. */
export function rosterAsLeft(from?: string): RouteLocationRaw {
  const { query, keys } = tour.value
  return { path: '/', query: from !== undefined && keys.includes(from) ? { ...query, at: from } : query }
}
