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
  const extensions = objects
    .flatMap((object) => object.extension ?? [])
    .sort((a, b) => a.length - b.length || a.localeCompare(b))
  return (
    `${objects[0]?.label ?? ''} to ${objects.at(-1)?.label ?? ''}` +
    (extensions.length > 1 ? `, ${extensions[0] ?? ''} to ${extensions.at(-1) ?? ''}` : '')
  )
}

/** Objects by kind, in the order the kinds first come. */
export function kindsIn(objects: BookObject[]): OfKind[] {
  const kinds = new Map<BookObject['kind'], BookObject[]>()
  for (const object of objects) kinds.set(object.kind, [...(kinds.get(object.kind) ?? []), object])
  return [...kinds].map(([kind, each]) => ({ ...kindsInWords(kind), objects: each, inOne: inOne(each) }))
}

/**
 * One object in a few words: where a number leads, how long a phone rings, whose mailbox it is.
 *
 * @param labels of the objects beside it, by reference
 */
export function whatItSays(object: BookObject, labels: Map<string, string>): string {
  const named = (to: string | null): string | undefined => (to === null ? undefined : (labels.get(to) ?? to))
  switch (object.kind) {
    case 'number':
      return `${object.display ?? object.key} leads to ${named(object.fields.destination) ?? 'nowhere'}`
    case 'user': {
      const rings = object.fields.legs.map((leg) => `${leg.kind} phone rings ${leg.seconds} s`).join(', ')
      const mailbox = named(object.fields.mailbox)
      return [rings === '' ? 'no phone' : rings, ...(mailbox === undefined ? [] : [`messages in ${mailbox}`])].join(
        '; ',
      )
    }
    case 'mailbox': {
      const owner = named(object.fields.owner)
      return owner === undefined ? '' : `belongs to ${owner}`
    }
    case 'group':
      return (
        plural(object.fields.members.length, 'member') +
        (object.fields.queue === null ? '' : ', callers wait in a queue')
      )
    case 'attendant':
      return object.fields.answers.map((each) => `${each.when}: ${named(each.then) ?? 'nowhere'}`).join('; ')
    case 'calendar':
      return plural(object.fields.holidays.length, 'day')
    case 'prompt':
      return object.fields.script === null ? '' : `“${object.fields.script}”`
    case 'site':
      return object.fields.zone?.replaceAll('_', ' ') ?? ''
    default:
      return ''
  }
}
