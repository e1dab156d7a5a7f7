import schema from '../../../docs/tenant-book.schema.json'
import type { BookObject } from '@/api'
import { DESTINATION, type CellType, type FieldType } from './columns'
import { spelt } from './words'

/** A field of an object as the open format has it, for a form that shows every one. */
export type Field =
  | { sort: 'one'; name: string; type: FieldType }
  | { sort: 'treatment'; name: string }
  | { sort: 'group'; name: string; fields: Field[]; mayBeUnset: boolean }
  | { sort: 'items'; name: string; fields: Field[] }

interface Shape {
  $ref?: string
  type?: string | string[]
  enum?: (string | null)[]
  pattern?: string
  anyOf?: Shape[]
  items?: Shape
  properties?: Record<string, Shape>
  patternProperties?: Record<string, Shape>
  additionalProperties?: boolean | Shape
  required?: string[]
}

const LISTS: Record<BookObject['kind'], string> = {
  tenant: 'tenant', site: 'sites', number: 'numbers', user: 'users', group: 'groups', chain: 'chains', attendant: 'attendants', menu: 'menus', schedule: 'schedules', calendar: 'calendars', mailbox: 'mailboxes',
  announcement: 'announcements', prompt: 'prompts', line: 'lines', trunk: 'trunks', route: 'routes', team: 'teams', contact: 'contacts', promise: 'promises',
}

/** Fields in other people's hands: identity, and what a screen of its own edits. */
const ELSEWHERE = new Set(['key', 'id', 'item', 'call'])

const DEFS = schema.$defs as unknown as Record<string, Shape>
const OF_DEF: Record<string, CellType> = { date: 'date', clock: 'time', zone: 'zone', extension: 'extension' }

export function fieldsOf(kind: BookObject['kind']): Field[] {
  const shape = (schema.properties as unknown as Record<string, Shape>)[LISTS[kind]]
  return fields(kind === 'tenant' ? shape : shape?.items)
}

function fields(shape: Shape | undefined): Field[] {
  const required = new Set(shape?.required ?? [])
  return Object.entries(shape?.properties ?? {}).flatMap(([name, each]) => (ELSEWHERE.has(name) ? [] : [field(name, each, required.has(name))]))
}

function field(name: string, shape: Shape, required: boolean): Field {
  const choices = shape.anyOf?.filter((each) => each.type !== 'null')
  if (choices?.[0] !== undefined && choices.length < (shape.anyOf?.length ?? 0)) {
    const inner = field(name, choices[0], required)
    return inner.sort === 'group' ? { ...inner, mayBeUnset: true } : inner
  }
  const def = shape.$ref?.replace('#/$defs/', '')
  if (def === 'treatment') return { sort: 'treatment', name }
  if (def === 'destination') return { sort: 'one', name, type: { ...DESTINATION, required } }
  if (def !== undefined && DEFS[def]?.properties !== undefined) return { sort: 'group', name, fields: fields(DEFS[def]), mayBeUnset: false }
  if (def !== undefined) return { sort: 'one', name, type: { type: OF_DEF[def] ?? 'text', required } }
  // Phones of a state: all of them, or a list.
  if (choices !== undefined) return { sort: 'one', name, type: { type: 'list', unset: 'all' } }
  if (shape.patternProperties !== undefined) return { sort: 'items', name, fields: fields(Object.values(shape.patternProperties)[0]) }
  if (shape.properties !== undefined) return { sort: 'group', name, fields: fields(shape), mayBeUnset: false }
  if (typeof shape.additionalProperties === 'object') return { sort: 'one', name, type: { type: 'counts' } }
  if (shape.items !== undefined) return list(name, shape.items)
  return { sort: 'one', name, type: { ...plain(shape), required } }
}

function list(name: string, each: Shape): Field {
  if (each.properties?.['item'] !== undefined) return { sort: 'items', name, fields: fields(each) }
  if (each.properties !== undefined) return { sort: 'one', name, type: { type: 'spans' } }
  const kinds = kindsIn(each.pattern)
  return { sort: 'one', name, type: { type: 'list', ...(kinds === undefined ? {} : { kinds }) } }
}

function plain(shape: Shape): FieldType {
  const types = [shape.type ?? []].flat()
  if (shape.enum !== undefined) return { type: 'choice', choices: Object.fromEntries(shape.enum.flatMap((each) => (each === null ? [] : [[each, spelt(each)]]))) }
  if (types.includes('boolean')) return { type: 'flag' }
  if (types.includes('integer') || types.includes('number')) return { type: 'whole' }
  const kinds = kindsIn(shape.pattern)
  if (kinds === undefined) return { type: 'text' }
  return { type: shape.pattern?.includes('outside:') === true ? 'destination' : 'reference', kinds }
}

function kindsIn(pattern: string | undefined): BookObject['kind'][] | undefined {
  const found = [...(pattern ?? '').matchAll(/\b([a-z]+):\.\+/g)].flatMap((match) => match[1] ?? [])
  return found.length === 0 ? undefined : (found as BookObject['kind'][])
}
