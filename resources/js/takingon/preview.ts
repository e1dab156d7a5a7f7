import type { BookObject } from '@/api'
import { kindsInWords, plural } from '@/shared'

/** Objects by kind, in the order the kinds first come. */
export function kindsIn(objects: BookObject[]): [string, BookObject[]][] {
  const kinds = new Map<string, BookObject[]>()
  for (const object of objects) {
    const kind = kindsInWords(object.kind).one
    kinds.set(kind, [...(kinds.get(kind) ?? []), object])
  }
  return [...kinds]
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
