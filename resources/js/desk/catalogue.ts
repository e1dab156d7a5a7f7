import schema from '../../../contract/objects.json'
import type { Kind } from '@/api'

/**
 * The fields of the book as core declares them: what each is called, takes, counts and begins with. Nothing of it is
 * said here again.
 */

export type CellType =
  | 'text'
  | 'extension'
  | 'seconds'
  | 'rings'
  | 'whole'
  | 'date'
  | 'time'
  | 'choice'
  | 'flag'
  | 'zone'
  | 'reference'
  | 'destination'
  | 'list'
  | 'spans'
  | 'counts'
  | 'hardware'

/** How a field is read and shown. */
export interface FieldType {
  type: CellType
  /** Set where the field cannot be emptied. */
  required?: boolean
  choices?: Record<string, string>
  /** Kinds a reference may point at. */
  kinds?: readonly Kind[]
  /** What an unset field says, where a dash does not say it. */
  unset?: string
}

interface About {
  name: string
  title: string
  help?: string
  /** What it is where a book says nothing of it. */
  default?: unknown
}

/** A field, and where it has fields inside, those. */
export type Field = About &
  (
    | { sort: 'one'; type: FieldType }
    | { sort: 'treatment' }
    | { sort: 'group'; fields: Field[]; mayBeUnset: boolean }
    | { sort: 'items'; fields: Field[]; begins: Record<string, unknown> }
  )

interface Shape {
  $ref?: string
  type?: string | string[]
  pattern?: string
  title?: string
  description?: string
  default?: unknown
  enum?: (string | null)[]
  anyOf?: Shape[]
  items?: Shape
  properties?: Record<string, Shape>
  additionalProperties?: boolean | Shape
  'x-begins'?: Record<string, unknown>
  'x-destination'?: boolean
  'x-kinds'?: Kind[]
  'x-unit'?: string
  'x-unset'?: string
  'x-words'?: Record<string, string>
}

const DEFS = schema.$defs as unknown as Record<string, Shape>
const HARDWARE = '^[0-9a-f]{12}$'
const OF_DEF: Record<string, CellType> = { date: 'date', clock: 'time', zone: 'zone', extension: 'extension' }
const OF_UNIT: Record<string, CellType> = { seconds: 'seconds', rings: 'rings' }

const known = new Map<Kind, Field[]>()

/** Every field of objects of a kind, in the order of the open format. */
export function fieldsOf(kind: Kind): Field[] {
  const fields = known.get(kind) ?? fieldsIn(DEFS[kind])
  known.set(kind, fields)
  return fields
}

/** The fields a path leads through, an item of a list left out; empty where it leads nowhere. */
export function fieldsAlong(kind: Kind, path: string): Field[] {
  const along: Field[] = []
  let fields = fieldsOf(kind)
  let isItem = false
  for (const step of path.split('/')) {
    if (isItem) {
      isItem = false
      continue
    }
    const field = fields.find((each) => each.name === step)
    if (field === undefined) return along.at(-1)?.sort === 'treatment' ? along : []
    along.push(field)
    fields = 'fields' in field ? field.fields : []
    isItem = field.sort === 'items'
  }
  return along
}

/** The field at a path. */
export function fieldAt(kind: Kind, path: string): Field | undefined {
  return fieldsAlong(kind, path).at(-1)
}

const TEXT: FieldType = { type: 'text' }

/** How the field at a path is read and shown; what takes a destination on either side of a treatment as well. */
export function typeAt(kind: Kind, path: string): FieldType {
  const field = fieldAt(kind, path)
  if (field?.sort === 'treatment') return DESTINATION
  return field?.sort === 'one' ? field.type : TEXT
}

/** What a destination may be besides an object or a number, in words. */
export const WORDS: Record<string, string> = DEFS['destination']?.['x-words'] ?? {}

export const DESTINATION: FieldType = { type: 'destination', kinds: DEFS['destination']?.['x-kinds'] ?? [] }

/** Kinds of objects that a call can be sent to. */
export const TAKES_CALLS: readonly Kind[] = DESTINATION.kinds ?? []

function fieldsIn(shape: Shape | undefined): Field[] {
  return Object.entries(shape?.properties ?? {}).map(([name, each]) => field(name, each))
}

/** The same with what a definition says of it, and whether it may be null. */
function resolved(shape: Shape): { shape: Shape; def: string | undefined; mayBeUnset: boolean } {
  const choices = shape.anyOf?.filter((each) => each.type !== 'null')
  const isOpen =
    choices?.length === 1 || [shape.type ?? []].flat().includes('null') || shape.enum?.includes(null) === true
  const { anyOf, ...alone } = shape
  const inner = choices?.length === 1 && anyOf !== undefined ? { ...alone, ...choices[0] } : shape
  const def = inner.$ref?.replace('#/$defs/', '')
  return { shape: def === undefined ? inner : { ...DEFS[def], ...inner }, def, mayBeUnset: isOpen }
}

function field(name: string, of: Shape): Field {
  const { shape, def, mayBeUnset } = resolved(of)
  const about: About = {
    name,
    title: of.title ?? name,
    ...(of.description === undefined ? {} : { help: of.description }),
    ...(of.default === undefined && shape.default === undefined ? {} : { default: of.default ?? shape.default }),
  }
  if (def === 'treatment') return { ...about, sort: 'treatment' }
  if (shape.properties !== undefined) return { ...about, sort: 'group', fields: fieldsIn(shape), mayBeUnset }
  const each = shape.items === undefined ? undefined : resolved(shape.items).shape
  if (each?.properties?.['item'] !== undefined)
    return { ...about, sort: 'items', fields: fieldsIn(each), begins: of['x-begins'] ?? {} }
  // What is '' where nothing is set can be emptied, and a list always.
  const required = !mayBeUnset && shape.default !== '' && each === undefined && shape.additionalProperties === undefined
  const unset = of['x-unset'] === undefined ? {} : { unset: of['x-unset'] }
  return {
    ...about,
    sort: 'one',
    type: { ...(each === undefined ? plain(shape, def) : list(each)), ...unset, ...(required ? { required } : {}) },
  }
}

function list(each: Shape): FieldType {
  if (each.properties !== undefined) return { type: 'spans' }
  const kinds = each['x-kinds']
  return { type: 'list', ...(kinds === undefined ? {} : { kinds }) }
}

function plain(shape: Shape, def: string | undefined): FieldType {
  // Phones of a state: all of them, or a list.
  if (shape.anyOf !== undefined) return { type: 'list', unset: 'all' }
  if (typeof shape.additionalProperties === 'object') return { type: 'counts' }
  if (shape.enum !== undefined) return { type: 'choice', choices: shape['x-words'] ?? {} }
  if (shape['x-kinds'] !== undefined)
    return { type: shape['x-destination'] === true ? 'destination' : 'reference', kinds: shape['x-kinds'] }
  if (shape.pattern === HARDWARE) return { type: 'hardware' }
  const types = [shape.type ?? []].flat()
  if (types.includes('boolean')) return { type: 'flag' }
  if (types.includes('integer') || types.includes('number')) return { type: OF_UNIT[shape['x-unit'] ?? ''] ?? 'whole' }
  return { type: OF_DEF[def ?? ''] ?? 'text' }
}
