import type { BookObject } from '@/api'
import type { Edit } from './edits'
import { same } from './values'

/** What makes a book of objects what it was before: fields as they were, and nothing that has come since. */
export function opposites(before: readonly BookObject[], now: readonly BookObject[]): Edit[] {
  const had = new Map(before.map((each) => [each.ref, each]))
  const changed = now.flatMap((each): Edit[] => {
    const old = had.get(each.ref)?.fields as Record<string, unknown> | undefined
    const fields = each.fields as unknown as Record<string, unknown>
    return old === undefined
      ? []
      : Object.keys(fields)
          .filter((path) => !same(old[path], fields[path]))
          .map((path) => ({ object: each.ref, path, value: old[path] ?? null }))
  })
  const come = now
    .filter((each) => !had.has(each.ref))
    .map(({ ref }): Edit => ({ op: 'delete', object: ref, path: '', value: null }))
  return [...changed, ...come]
}
