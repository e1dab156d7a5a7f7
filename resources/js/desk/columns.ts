import type { BookObject } from '@/api'
import { valueAt } from './values'

export type CellType = 'text' | 'extension' | 'seconds' | 'rings' | 'whole' | 'date' | 'time' | 'choice' | 'flag' | 'zone' | 'reference' | 'destination' | 'list' | 'spans' | 'counts'

/** How a field is read and shown. */
export interface FieldType {
  type: CellType
  /** Set where the field cannot be emptied. */
  required?: boolean
  choices?: Record<string, string>
  /** Kinds a reference may point at. */
  kinds?: readonly BookObject['kind'][]
  /** What an unset field says, where a dash does not say it. */
  unset?: string
}

/** A column of a sheet: one field of each object in it, with how it is read and shown. */
export interface Column extends FieldType {
  title: string
  /** The field's path; null for an object that has no such field, and for a column that only shows. */
  path: (object: BookObject) => string | null
  /** For a column that only shows. */
  shows?: (object: BookObject) => string
}

export const TAKES_CALLS = ['user', 'group', 'chain', 'attendant', 'menu', 'mailbox', 'announcement', 'line'] as const

export const DESTINATION: FieldType = { type: 'destination', kinds: TAKES_CALLS }

/** By what they do, with the trade's word beside (design 01). */
export const ORDERS = { simultaneous: 'all at once', sequential: 'top down', roundRobin: 'taking turns', longestIdle: 'longest rested', weighted: 'by share' }

const CLASSES = { internal: 'internal', local: 'local', national: 'national', international: 'international' }

export const FORMS = { e164: 'with plus and country code', national: 'as dialled in the country', withoutPlus: 'country code, no plus' }

const STAGES = { draft: 'draft', building: 'building', testing: 'testing', 'in-service': 'in service', suspended: 'suspended', leaving: 'leaving', archived: 'archived' }

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

function queueOf(object: BookObject): string {
  const queue = valueAt(object.fields, 'queue') as { most: number; longestWait: number | null } | null
  return queue === null ? '—' : `${queue.most} waiting, ${queue.longestWait === null ? 'no end' : `${queue.longestWait} s`}`
}

/** Kinds without columns have no chapter yet. */
const COLUMNS: Partial<Record<BookObject['kind'], Column[]>> = {
  tenant: [
    { title: 'Name', path: at('name'), type: 'text', required: true },
    { title: 'Main number', path: at('mainNumber'), type: 'reference', kinds: ['number'] },
    { title: 'Time zone', path: at('zone'), type: 'zone', required: true },
    { title: 'Operator', path: at('operator'), type: 'destination', kinds: TAKES_CALLS },
    { title: 'Stage', path: at('state'), type: 'choice', choices: STAGES, required: true },
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
    { title: 'May call', path: at('callingClass'), type: 'choice', choices: CLASSES, required: true },
    { title: 'Site', path: at('site'), type: 'reference', kinds: ['site'] },
  ],
  group: [
    { title: 'Group', path: at('name'), type: 'text', required: true },
    { title: 'Ext', path: at('extension'), type: 'extension' },
    { title: 'Ring order', path: at('order'), type: 'choice', choices: ORDERS, required: true },
    { title: 'Members', path: () => null, type: 'text', shows: (object) => String(((valueAt(object.fields, 'members') ?? []) as unknown[]).length) },
    { title: 'Rings each', path: at('ringsEach'), type: 'rings', required: true },
    { title: 'No-answer limit', path: at('noAnswerSeconds'), type: 'seconds' },
    { title: 'Then', path: at('otherwise/noAnswer'), ...DESTINATION },
    { title: 'Queue', path: () => null, type: 'text', shows: queueOf },
  ],
  schedule: [
    { title: 'Hours', path: at('name'), type: 'text', required: true },
    { title: 'Read at', path: at('fixedZone'), type: 'zone', unset: 'local time' },
    { title: 'Shifts past midnight', path: at('finishShift'), type: 'choice', choices: { true: 'are finished', false: 'stop at a closed date' } },
  ],
  chain: [
    { title: 'Fallback chain', path: at('name'), type: 'text', required: true },
    { title: 'Says first', path: at('announcement'), type: 'reference', kinds: ['announcement'] },
    { title: 'Places', path: () => null, type: 'text', shows: (object) => String(((valueAt(object.fields, 'places') ?? []) as unknown[]).length) },
  ],
  trunk: [
    { title: 'Trunk', path: at('name'), type: 'text', required: true },
    { title: 'On', path: at('enabled'), type: 'flag', required: true },
    { title: 'Carrier', path: at('carrier'), type: 'text' },
    { title: 'Channels', path: at('channels'), type: 'whole', unset: 'no limit' },
    { title: 'of these outward', path: at('outboundChannels'), type: 'whole', unset: 'all' },
    { title: 'Shows', path: at('callerId'), type: 'reference', kinds: ['number'] },
    { title: 'Lets callers out again', path: at('outsideCallersOut'), type: 'flag', required: true },
    { title: 'Numbers come as', path: at('deliversAs'), type: 'choice', choices: FORMS, required: true },
  ],
  route: [
    { title: 'Tried', path: at('position'), type: 'whole', required: true },
    { title: 'Route', path: at('name'), type: 'text', required: true },
    { title: 'Digits', path: at('digits'), type: 'text', required: true },
    { title: 'Strip', path: at('strip'), type: 'whole', required: true },
    { title: 'In front', path: at('prepend'), type: 'text' },
    { title: 'May use', path: at('class'), type: 'choice', choices: CLASSES, required: true },
    { title: 'Trunks', path: at('trunks'), type: 'list', kinds: ['trunk'] },
    { title: 'Not for', path: at('blocked'), type: 'list', kinds: ['user', 'group', 'mailbox'] },
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
