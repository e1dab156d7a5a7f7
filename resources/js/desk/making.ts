import type { BookObject } from '@/api'
import type { DeskState, Edit } from './desk'

/** A key for a new object: its name in small letters and hyphens, with a number where that is taken. */
export function keyFor(name: string, kind: BookObject['kind'], objects: BookObject[]): string {
  const slug = name.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || kind
  const taken = new Set(objects.filter((object) => object.kind === kind).map((object) => object.key))
  let key = slug
  for (let number = 2; taken.has(key); number++) key = `${slug}-${number}`
  return key
}

/** A key for a new item of a list. */
export function itemFor(wanted: string, taken: string[]): string {
  const slug = wanted.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'item'
  let item = slug
  for (let number = 2; taken.includes(item); number++) item = `${slug}-${number}`
  return item
}

/** The first extension that nobody has, after the highest of its kind. */
export function nextExtension(kind: BookObject['kind'], objects: BookObject[]): string | null {
  const taken = new Set(objects.flatMap((object) => object.extension ?? []))
  const mine = objects.filter((object) => object.kind === kind).flatMap((object) => object.extension ?? []).sort((a, b) => a.length - b.length || a.localeCompare(b))
  const last = mine.at(-1)
  if (last === undefined) return null
  let next = Number(last) + 1
  while (taken.has(String(next))) next++
  return String(next).padStart(last.length, '0')
}

/** What a new object of a kind begins with; the rest are the defaults of the book. */
export function beginnings(kind: BookObject['kind'], name: string, objects: BookObject[]): Record<string, unknown> {
  const extension = nextExtension(kind, objects)
  const site = objects.find((object) => object.kind === 'site')?.ref ?? null
  const [first = '', ...rest] = name.split(/\s+/)
  switch (kind) {
    case 'user':
      return { name: { first, last: rest.join(' ') || null }, extension, site, legs: [{ item: 'desk', kind: 'desk' }] }
    case 'group':
      return { name, extension, site, noAnswerSeconds: 20 }
    case 'attendant':
      return { name, extension, site, schedule: objects.find((object) => object.kind === 'schedule')?.ref ?? null }
    case 'menu':
      return { name, site }
    case 'schedule':
      return { name, calendars: objects.filter((object) => object.kind === 'calendar').map((object) => object.ref) }
    default:
      return { name }
  }
}

export function creation(kind: BookObject['kind'], name: string, desk: DeskState): Edit {
  const objects = desk.book.data.value?.objects ?? []
  return { op: 'create', object: `${kind}:${keyFor(name, kind, objects)}`, path: '', value: beginnings(kind, name, objects) }
}
