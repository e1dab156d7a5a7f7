import type { Change, Difference } from '@/api'
import type { Names } from './names'
import { sentencesOf } from './sentences'

/** What differs between book and switch, or several things that differ alike, as one sentence. */
export interface DriftLine {
  key: string
  subject: string
  /** What the one side says, as `onSwitch` or `inBook` was asked for. */
  says: string
  /** What the other says of it. */
  against: string
  differences: Difference[]
}

const AGAINST = { switch: 'the book says', book: 'the switch says', signed: 'signed was' } as const

/**
 * @param of which side the sentence is about: what the switch says against the book, what the book says against the
 *     switch, or what the book says against what was signed (which the server gives as `book` and `live`)
 */
export function driftLines(differences: Difference[], of: keyof typeof AGAINST, names: Names): DriftLine[] {
  const differs = new Map<Change, Difference>()
  for (const each of differences) differs.set(asChange(each, of), each)
  return sentencesOf([...differs.keys()], names).map(({ key, subject, says, was, changes }) => {
    const own = changes.flatMap((change) => differs.get(change) ?? [])
    const what = own[0]?.what ?? 'field'
    return {
      key,
      subject,
      says: what === 'field' ? says : WHOLE[of][what],
      against: what === 'field' ? againstOf(was, of) : '',
      differences: own,
    }
  })
}

/** Of an object that only one side has. */
const WHOLE = {
  switch: { missing: 'not on the switch', unknown: 'on the switch, and not in the book' },
  book: { missing: 'new in the book', unknown: 'taken out of the book' },
  signed: { missing: 'gone since', unknown: 'new since' },
} as const

/** What is only there and what is only here are never alike. */
const OPS = { field: 'set', missing: 'delete', unknown: 'create' } as const

function asChange({ object, label, path, what, book, live }: Difference, of: keyof typeof AGAINST): Change {
  const [before, after] = of === 'book' ? [live, book] : [book, live]
  return { op: OPS[what], object, label, path, before, after }
}

function againstOf(was: string, of: keyof typeof AGAINST): string {
  if (was === '') return ''
  return was === 'was empty' ? `${AGAINST[of]} nothing` : was.replace(/^was /, `${AGAINST[of]} `)
}
