import type { Kind } from '@/api'

const keyOf = (kind: Kind): string => `columns of ${kind}`

/** Which columns of a sheet somebody chose in this browser, by their ids; undefined for the usual ones. */
export function keptColumns(kind: Kind): string[] | undefined {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(kind)) ?? 'null')
    return Array.isArray(kept) && kept.every((each) => typeof each === 'string') ? kept : undefined
  } catch {
    return undefined
  }
}

export function keepColumns(kind: Kind, ids: string[] | undefined): void {
  if (ids === undefined) localStorage.removeItem(keyOf(kind))
  else localStorage.setItem(keyOf(kind), JSON.stringify(ids))
}
