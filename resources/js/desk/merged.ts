import type { BookObject, Desk, DeskChange } from '@/api'

/** A desk after an edit that made some of its objects otherwise; undefined where it is of another revision. */
export function merged(desk: Desk, change: DeskChange): Desk | undefined {
  if (desk.revision !== change.revision) return undefined
  const changed = new Map(change.objects.map((object) => [object.ref, object]))
  const gone = new Set(change.gone)
  let objects = desk.objects
    .filter((object) => !gone.has(object.ref))
    .map((object) => changed.get(object.ref) ?? object)
  for (const [kind, order] of Object.entries(change.order)) objects = ordered(objects, kind, order, changed)
  return { ...desk, objects, draft: change.draft, numbers: { ...desk.numbers, ...change.numbers } }
}

/** The objects of a kind as the book has them in order, those that came among them. */
function ordered(objects: BookObject[], kind: string, order: string[], changed: Map<string, BookObject>): BookObject[] {
  const known = new Map(objects.filter((object) => object.kind === kind).map((object) => [object.ref, object]))
  const all = order.flatMap((ref) => changed.get(ref) ?? known.get(ref) ?? [])
  const first = objects.findIndex((object) => object.kind === kind)
  const before = objects.slice(0, first < 0 ? objects.length : first)
  return [...before, ...all, ...objects.slice(before.length).filter((object) => object.kind !== kind)]
}
