import type { BookObject } from '@/api'
import { kindsInWords, plural } from '@/shared'

/** Of more of a kind than this a line says all, until they are asked for. */
const MOST_LISTED = 4

export interface OfKind {
  one: string
  many: string
  objects: BookObject[]
  /** Many of a kind in one line: the first and the last of them, and their extensions. */
  inOne: string | undefined
}

function inOne(objects: BookObject[]): string | undefined {
  if (objects.length <= MOST_LISTED) return undefined
  const extensions = objects.flatMap((object) => object.extension ?? []).sort((a, b) => a.length - b.length || a.localeCompare(b))
  return `${objects[0]?.label ?? ''} to ${objects.at(-1)?.label ?? ''}${extensions.length > 1 ? `, ${extensions[0] ?? ''} to ${extensions.at(-1) ?? ''}` : ''}`
}

/** Objects by kind, in the order the kinds first come. */
export function kindsIn(objects: BookObject[]): OfKind[] {
  const kinds = new Map<BookObject['kind'], BookObject[]>()
  for (const object of objects) kinds.set(object.kind, [...(kinds.get(object.kind) ?? []), object])
  return [...kinds].map(([kind, each]) => ({ ...kindsInWords(kind), objects: each, inOne: inOne(each) }))
}

/** One object in a few words: where a number leads, how long a phone rings, whose mailbox it is. */
export function whatItSays(object: BookObject): string {
  const { fields } = object
  const named = (name: string): string | undefined => {
    const to = fields[name]
    return typeof to === 'string' ? (object.refersTo[to] ?? to) : undefined
  }
  switch (object.kind) {
    case 'number':
      return `${object.display ?? object.key} leads to ${named('destination') ?? 'nowhere'}`
    case 'user': {
      const legs = (fields['legs'] ?? []) as { kind: string; seconds: number }[]
      const rings = legs.map((leg) => `${leg.kind} phone rings ${leg.seconds} s`).join(', ')
      const mailbox = named('mailbox')
      return [rings === '' ? 'no phone' : rings, ...(mailbox === undefined ? [] : [`messages in ${mailbox}`])].join('; ')
    }
    case 'mailbox':
      return named('owner') === undefined ? '' : `belongs to ${named('owner')}`
    case 'group': {
      const members = ((fields['members'] ?? []) as unknown[]).length
      return `${plural(members, 'member')}${fields['queue'] == null ? '' : ', callers wait in a queue'}`
    }
    case 'attendant':
      return ((fields['answers'] ?? []) as { when: string; then: string | null }[]).map((each) => `${each.when}: ${each.then === null ? 'nowhere' : (object.refersTo[each.then] ?? each.then)}`).join('; ')
    case 'calendar':
      return plural(((fields['holidays'] ?? []) as unknown[]).length, 'day')
    case 'prompt':
      return typeof fields['script'] === 'string' ? `“${fields['script']}”` : ''
    case 'site':
      return typeof fields['zone'] === 'string' ? fields['zone'].replaceAll('_', ' ') : ''
    default:
      return ''
  }
}
