import type { Kind } from '@/api'
import type { Names } from './names'

/** Kinds of objects that calls can be sent to. */
export const TAKE_CALLS: readonly Kind[] = [
  'user',
  'group',
  'chain',
  'attendant',
  'menu',
  'mailbox',
  'announcement',
  'line',
]

/** What there is to send calls to, as it is typed: by extension and name. */
export function placesLike(names: Names, typed: string, but = ''): string[] {
  const wanted = typed.trim().toLowerCase()
  return names.objects
    .filter((each) => TAKE_CALLS.includes(each.kind) && each.ref !== but)
    .map((each) => `${each.extension ?? ''} ${each.label}`.trim())
    .filter((each) => each.toLowerCase().includes(wanted))
}
