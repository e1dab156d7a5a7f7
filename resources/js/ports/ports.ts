import type { Port, PortState } from '@/api'

const STATES: Record<PortState, string> = {
  open: 'not sent',
  sent: 'sent',
  rejected: 'turned down',
  dated: 'has its day',
  moving: 'being moved',
  done: 'done',
  failedBack: 'failed back',
  withdrawn: 'withdrawn',
  asked: 'asked for',
  agreed: 'agreed to',
  refused: 'refused',
  gone: 'gone',
}

export function portInWords(state: PortState): string {
  return STATES[state]
}

/** Where the carrier has nothing more to say. */
export function isOver(state: PortState): boolean {
  return ['done', 'withdrawn', 'refused', 'gone'].includes(state)
}

/** How a port of numbers that come in goes on, one after the other. */
export const WAY: readonly (readonly [PortState, string])[] = [
  ['open', 'Complete'],
  ['sent', 'Sent'],
  ['dated', 'Day is firm'],
  ['moving', 'Moving'],
  ['done', 'Done'],
]

/** How far along the way a port is; one that was turned down or failed stands where it went wrong. */
export function placeOf({ state }: Pick<Port, 'state'>): number {
  const at = WAY.findIndex(([each]) => each === state)
  if (at >= 0) return state === 'done' ? WAY.length : at
  return state === 'rejected' ? 1 : state === 'failedBack' ? 3 : 0
}

/** The carrier's words for why numbers need not go. */
export const REASONS = [
  ['not_authorised', 'nobody of theirs asked for it'],
  ['wrong_account', 'the account is not theirs'],
  ['under_contract_dispute', 'there is a dispute about the contract'],
] as const
