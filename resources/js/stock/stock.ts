import type { NumberState } from '@/api'

/** How numbers stand, as people say it; in the order of their filter. */
export const STATES: readonly (readonly [NumberState, string])[] = [
  ['free', 'free'],
  ['taken', 'in use'],
  ['ordered', 'ordered'],
  ['reserved', 'reserved'],
  ['portingIn', 'porting in'],
  ['lent', 'lent'],
  ['resting', 'resting'],
  ['portingOut', 'porting out'],
  ['cancelled', 'cancelled'],
]

export function stateInWords(state: NumberState): string {
  return STATES.find(([each]) => each === state)?.[1] ?? state
}

/** An amount, kept in cents. */
export function money(cents: number, currency: string): string {
  return new Intl.NumberFormat('en-CA', { style: 'currency', currency: currency === '' ? 'CAD' : currency }).format(
    cents / 100,
  )
}
