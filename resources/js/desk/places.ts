import type { Names } from './names'
import { TAKES_CALLS } from './catalogue'

/** What there is to send calls to, as it is typed: by extension and name. */
export function placesLike(names: Names, typed: string, but = ''): string[] {
  const wanted = typed.trim().toLowerCase()
  return names.objects
    .filter((each) => TAKES_CALLS.includes(each.kind) && each.ref !== but)
    .map((each) => `${each.extension ?? ''} ${each.label}`.trim())
    .filter((each) => each.toLowerCase().includes(wanted))
}
