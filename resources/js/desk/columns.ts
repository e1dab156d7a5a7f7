import type { BookObject, Kind, ObjectOf } from '@/api'
import { fieldAt, fieldsOf, typeAt, type Field, type FieldType } from './catalogue'

/** A column of a sheet: one field of each object in it, with how it is read and shown. */
export interface Column extends FieldType {
  /** The field it shows, or its title where it shows none. */
  id: string
  title: string
  /** The field's path; null for an object that has no such field, and for a column that only shows. */
  path: (object: BookObject) => string | null
  /** The path where it is the same for every object. */
  field?: string
  /** For a column that only shows. */
  shows?: (object: BookObject) => string
  /** What holds while the field itself says nothing. */
  lent?: (object: BookObject) => string | null
  /** Shown until somebody chooses. */
  isUsual: boolean
}

/** A field's column; its title stands at its head where nothing shorter does. */
function column(kind: Kind, field: string, head?: string, type?: Partial<FieldType>): Column {
  return {
    ...typeAt(kind, field),
    ...type,
    id: field,
    title: head ?? fieldAt(kind, field)?.title ?? field,
    field,
    path: () => field,
    isUsual: true,
  }
}

function columns(
  kind: Kind,
  ...fields: (string | [field: string, head: string, type?: Partial<FieldType>])[]
): Column[] {
  return fields.map((each) => (typeof each === 'string' ? column(kind, each) : column(kind, ...each)))
}

function shows<K extends Kind>(kind: K, title: string, says: (object: ObjectOf<K>) => string): Column {
  return {
    type: 'text',
    id: title,
    title,
    path: () => null,
    isUsual: true,
    shows: (object) => (object.kind === kind ? says(object as ObjectOf<K>) : ''),
  }
}

/** The ring time of the first phone; a user without one has no such field. */
function firstLeg(object: BookObject): string | null {
  const leg = object.kind === 'user' ? object.fields.legs[0] : undefined
  return leg === undefined ? null : `legs/${leg.item}/seconds`
}

function queueOf({ fields: { queue } }: ObjectOf<'group'>): string {
  return queue === null
    ? '—'
    : `${queue.most} waiting, ${queue.longestWait === null ? 'no end' : `${queue.longestWait} s`}`
}

/** Kinds without columns have no chapter yet. */
const COLUMNS: Partial<Record<Kind, Column[]>> = {
  tenant: columns('tenant', 'name', 'mainNumber', 'zone', 'operator', 'state'),
  site: columns('site', ['name', 'Site'], 'zone', 'address/street', 'address/city', 'address/postcode'),
  number: [
    shows('number', 'Number', (object) => object.display ?? object.key),
    ...columns('number', 'label', 'destination', 'status', 'site'),
  ],
  user: [
    ...columns('user', ['extension', 'Ext'], 'name/first', 'name/last'),
    { ...column('user', 'legs/desk/seconds'), path: firstLeg },
    ...columns('user', 'mailbox', 'email', 'callerId', 'callingClass', 'site'),
  ],
  group: [
    ...columns('group', ['name', 'Group'], ['extension', 'Ext'], 'order'),
    shows('group', 'Members', (object) => String(object.fields.members.length)),
    ...columns('group', 'ringsEach', 'noAnswerSeconds'),
    {
      ...column('group', 'otherwise/noAnswer', 'Then'),
      lent: (object) => (object.kind === 'group' ? object.fields.mailbox : null),
    },
    shows('group', 'Queue', queueOf),
  ],
  device: [
    ...columns('device', ['name', 'Telephone'], 'model', 'hardware'),
    {
      ...column('device', 'lines/own/user', 'Whose'),
      path: (object) => {
        const line = object.kind === 'device' ? object.fields.lines[0] : undefined
        return line === undefined ? null : `lines/${line.item}/user`
      },
    },
    ...columns('device', 'status', 'site', 'hotDesk'),
    shows('device', 'Keys', (object) => String(object.fields.keys.length)),
  ],
  sharedLine: [
    ...columns('sharedLine', ['name', 'Shared line'], ['extension', 'Ext'], 'rings', 'busy', 'noAnswer', 'mailbox'),
    shows('sharedLine', 'Members', (object) => String(object.fields.members.length)),
  ],
  conference: columns('conference', ['name', 'Conference room'], ['extension', 'Ext'], 'most', 'enabled', 'site'),
  pickUpGroup: [
    ...columns('pickUpGroup', ['name', 'Pick-up group']),
    shows('pickUpGroup', 'Members', (object) => String(object.fields.members.length)),
  ],
  parkPlace: columns(
    'parkPlace',
    ['name', 'Park place'],
    ['extension', 'Ext'],
    'comesBackAfter',
    'comesBackTo',
    'site',
  ),
  pageZone: [
    ...columns('pageZone', ['name', 'Page zone'], ['extension', 'Ext'], 'site'),
    shows('pageZone', 'Heard at', (object) => String(object.fields.members.length)),
  ],
  line: columns('line', ['name', 'Line'], ['extension', 'Ext'], 'purpose', 'site'),
  schedule: columns('schedule', ['name', 'Hours'], 'fixedZone', [
    'finishShift',
    'Shifts past midnight',
    { type: 'choice', choices: { true: 'are finished', false: 'stop at a closed date' } },
  ]),
  chain: [
    ...columns('chain', ['name', 'Fallback chain'], 'announcement'),
    shows('chain', 'Places', (object) => String(object.fields.places.length)),
  ],
  trunk: columns(
    'trunk',
    ['name', 'Trunk'],
    'enabled',
    'carrier',
    'channels',
    ['outboundChannels', 'of these outward'],
    'callerId',
    'outsideCallersOut',
    'deliversAs',
  ),
  route: columns('route', 'position', ['name', 'Route'], 'digits', 'strip', 'prepend', 'class', 'trunks', [
    'blocked',
    'Not for',
    { kinds: ['user', 'group', 'mailbox'] },
  ]),
  mailbox: columns(
    'mailbox',
    ['name', 'Mailbox'],
    ['extension', 'Ext'],
    'owner',
    'notify',
    'enabled',
    'zero',
    'attachAudio',
  ),
}

export function columnsOf(kind: Kind): Column[] {
  return COLUMNS[kind] ?? []
}

/** Columns at the left of a sheet that stay in view. */
const STAY: Partial<Record<Kind, string[]>> = {
  user: ['extension', 'name/first', 'name/last'],
  route: ['position', 'name'],
}

export function staysOf(kind: Kind): string[] {
  return (
    STAY[kind] ??
    columnsOf(kind)
      .slice(0, 1)
      .map((each) => each.id)
  )
}

const known = new Map<Kind, Column[]>()

/** Every column a sheet of the kind can have: the usual ones, then each other field that a cell can hold. */
export function allColumnsOf(kind: Kind): Column[] {
  const found = known.get(kind) ?? [...columnsOf(kind), ...others(kind)]
  known.set(kind, found)
  return found
}

function others(kind: Kind): Column[] {
  const titles = new Set(columnsOf(kind).map((each) => each.title))
  const shown = new Set(columnsOf(kind).map((each) => each.field))
  return plain(fieldsOf(kind)).flatMap(({ path, titles: along }) => {
    if (shown.has(path) || path === 'key') return []
    const own = along.at(-1) ?? path
    const title = titles.has(own) ? along.join(', ') : own
    if (titles.has(title)) return []
    titles.add(title)
    return [{ ...column(kind, path, title), isUsual: false }]
  })
}

/** Fields that hold one value, those inside others too; items of lists have no place in a cell. */
function plain(fields: Field[], before = '', along: string[] = []): { path: string; titles: string[] }[] {
  return fields.flatMap((field) => {
    const path = `${before}${field.name}`
    const titles = [...along, field.title]
    if (field.sort === 'group') return plain(field.fields, `${path}/`, titles)
    return field.sort === 'one' ? [{ path, titles }] : []
  })
}
