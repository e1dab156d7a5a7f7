import type { Live, Session } from '@/api'

/** What a server often says: who is signed in, and that nothing is on the switch. */
export const LENA = {
  name: 'Lena Kestrel',
  initials: 'LK',
  signIn: 'lena',
  lead: true,
  secondFactor: false,
  mayTakeOn: true,
  mayBill: true,
  needsSecondFactor: [],
  manner: { clock: '24' as const, days: 'dayFirst' as const, numbers: 'comma' as const },
}

export const SESSION = {
  technician: LENA,
  reseller: 'Saltmarsh Voice',
  paper: { colour: '#2f5d62', letterhead: '' },
  now: '2026-12-01T18:05:00Z',
  clockStandsStill: true,
  demo: null,
} satisfies Session

export const PRACTICE: Live['switch'] = {
  name: 'practice-switch',
  title: 'practice switch',
  takesPins: true,
  others: [{ name: 'file-switch', title: 'file switch' }],
  unsupported: [],
}

export const NOTHING_LIVE: Live = {
  onSwitch: false,
  readAt: null,
  differences: [],
  left: [],
  waived: [],
  signed: null,
  runSheet: [],
  pinsToTell: [],
  switch: PRACTICE,
  numbers: {},
}
