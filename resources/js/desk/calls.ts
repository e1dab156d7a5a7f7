import type { Names } from './names'

/** A test call as the tenant book writes it, as far as it is told here. */
export interface TestCall {
  to: string
  at: string
  from?: string
  keys?: { key: string }[]
  world?: Record<string, string>
}

const STATES: Record<string, string> = {
  answers: 'answers', busy: 'is busy', onACall: 'is on a call', unreachable: 'cannot be reached', doNotDisturb: 'is not to be disturbed', signedOut: 'is signed out',
  mailbox: 'lets its mailbox answer', off: 'is switched off', closedByHand: 'is closed by hand', full: 'is full', out: 'is out',
}

/** `call +1 902 555 0110, Tue 1 Dec 08:00, press 1; Ines Marsh answers` */
export function callInWords(call: TestCall, when: string, names: Names): string {
  const from = call.from === undefined ? '' : ` from ${call.from === 'withheld' ? 'a withheld number' : names.of(call.from)}`
  const keys = (call.keys ?? []).map((each) => each.key).join(' ')
  const people = Object.entries(call.world ?? {}).map(([who, state]) => `${names.of(who)} ${STATES[state] ?? state}`)
  return [`call ${names.of(`number:${call.to}`).replace(/^number:/, '')}${from}, ${when}${keys === '' ? '' : `, press ${keys}`}`, ...people].join('; ')
}

/** A sentence of core's with the book's names in place of references. */
export function withNames(text: string, names: Names): string {
  return text.replace(/\b(?:user|group|chain|attendant|menu|mailbox|announcement|line|prompt|outside|number|schedule|site):[^\s,;()]+/g, (reference) => names.of(reference)).replaceAll('->', '→')
}
