import type { BookObject } from '@/api'
import { valueAt } from './values'

export type CellType = 'text' | 'extension' | 'seconds' | 'choice' | 'flag' | 'zone' | 'reference' | 'destination'

/** A column of a sheet: one field of each object in it, with how it is read and shown. */
export interface Column {
  title: string
  /** The field's path; null for an object that has no such field, and for a column that only shows. */
  path: (object: BookObject) => string | null
  type: CellType
  /** Set where the field cannot be emptied. */
  required?: boolean
  choices?: Record<string, string>
  /** Kinds a reference may point at. */
  kinds?: readonly string[]
  /** For a column that only shows. */
  shows?: (object: BookObject) => string
}

const TAKES_CALLS = ['user', 'mailbox'] as const

const NUMBER_STATUS = {
  active: 'in service', ordered: 'ordered', reserved: 'reserved', portingIn: 'porting in', temporary: 'lent', portingOut: 'porting out', quarantined: 'resting', cancelled: 'cancelled',
}

function at(path: string): Column['path'] {
  return () => path
}

/** The ring time of the first phone; a user without one has no such field. */
function firstLeg(object: BookObject): string | null {
  const legs = (valueAt(object.fields, 'legs') ?? []) as { item: string }[]
  return legs[0] === undefined ? null : `legs/${legs[0].item}/seconds`
}

/** Kinds without columns have no chapter yet. */
const COLUMNS: Partial<Record<BookObject['kind'], Column[]>> = {
  tenant: [
    { title: 'Name', path: at('name'), type: 'text', required: true },
    { title: 'Main number', path: at('mainNumber'), type: 'reference', kinds: ['number'] },
    { title: 'Time zone', path: at('zone'), type: 'zone', required: true },
    { title: 'Operator', path: at('operator'), type: 'destination', kinds: TAKES_CALLS },
    { title: 'A ring lasts', path: at('secondsPerRing'), type: 'seconds', required: true },
  ],
  site: [
    { title: 'Site', path: at('name'), type: 'text', required: true },
    { title: 'Time zone', path: at('zone'), type: 'zone' },
    { title: 'Street', path: at('address/street'), type: 'text' },
    { title: 'City', path: at('address/city'), type: 'text' },
    { title: 'Postcode', path: at('address/postcode'), type: 'text' },
  ],
  number: [
    { title: 'Number', path: () => null, type: 'text', shows: (object) => object.display ?? object.key },
    { title: 'Label', path: at('label'), type: 'text', required: true },
    { title: 'Leads to', path: at('destination'), type: 'destination', kinds: TAKES_CALLS },
    { title: 'Status', path: at('status'), type: 'choice', choices: NUMBER_STATUS, required: true },
    { title: 'Site', path: at('site'), type: 'reference', kinds: ['site'] },
  ],
  user: [
    { title: 'Ext', path: at('extension'), type: 'extension' },
    { title: 'First name', path: at('name/first'), type: 'text' },
    { title: 'Last name', path: at('name/last'), type: 'text' },
    { title: 'Rings for', path: firstLeg, type: 'seconds', required: true },
    { title: 'Messages in', path: at('mailbox'), type: 'reference', kinds: ['mailbox'] },
    { title: 'Mail', path: at('email'), type: 'text' },
    { title: 'Calls out as', path: at('callerId'), type: 'reference', kinds: ['number'] },
  ],
  mailbox: [
    { title: 'Mailbox', path: at('name'), type: 'text', required: true },
    { title: 'Ext', path: at('extension'), type: 'extension' },
    { title: 'Owner', path: at('owner'), type: 'reference', kinds: ['user'] },
    { title: 'Takes messages', path: at('enabled'), type: 'flag', required: true },
    { title: 'Key 0 leads to', path: at('zero'), type: 'destination', kinds: TAKES_CALLS },
    { title: 'Sound by mail', path: at('attachAudio'), type: 'flag', required: true },
  ],
}

export function columnsOf(kind: BookObject['kind']): Column[] {
  return COLUMNS[kind] ?? []
}
