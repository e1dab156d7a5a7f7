/** Which callers a rule is for, as the book writes it: a digit map over their number's digits, or a word. */
export const WITHHELD = 'withheld'
export const ANYONE = 'anyone'

export type Way = 'one' | 'begins' | 'withheld' | 'anyone' | 'map'

/** What a rule is for, taken apart: one number, all that begin so, a word, or a map that somebody wrote. */
export function readCallers(callers: string): { way: Way; digits: string } {
  if (callers === WITHHELD || callers === ANYONE) return { way: callers, digits: '' }
  if (/^\d+T?$/.test(callers)) return { way: 'one', digits: callers.replace('T', '') }
  const begins = /^(\d+)(?:x\.T?|x+)$/.exec(callers)
  return begins === null ? { way: 'map', digits: '' } : { way: 'begins', digits: begins[1] ?? '' }
}

/**
 * As the book writes it (RFC 3435, section 2.1.5): a number as it is, a beginning with any digits after it until the
 * number's end.
 */
export function writeCallers(way: 'one' | 'begins', digits: string): string {
  return way === 'one' ? digits : `${digits}x.T`
}

export function callersInWords(callers: string): string {
  const { way, digits } = readCallers(callers)
  switch (way) {
    case 'withheld':
      return 'whoever withholds their number'
    case 'anyone':
      return 'anybody'
    case 'one':
      return `+${digits}`
    case 'begins':
      return `whoever’s number begins with +${digits}`
    case 'map':
      return `whoever’s digits fit ${callers}`
  }
}
