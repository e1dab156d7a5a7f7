import schema from '../../../contract/objects.json'
import type { BookObject, Kind, ObjectOf } from '@/api'

interface Shape {
  $ref?: string
  type?: string | string[]
  default?: unknown
  enum?: unknown[]
  anyOf?: Shape[]
  items?: Shape
  properties?: Record<string, Shape>
}

type Values = Record<string, unknown>

const DEFS = schema.$defs as unknown as Record<string, Shape>

/** What a test leaves out: only what it is about is written in it. */
export type Some<T> = T extends readonly (infer Each)[]
  ? readonly Some<Each>[]
  : T extends object
    ? { [Name in keyof T]?: Some<T[Name]> }
    : T

/** An object of the book as the API gives it: every field stands, with its default where the test says nothing. */
export function bookObject<K extends Kind>(
  ref: `${K}:${string}`,
  fields?: Some<ObjectOf<K>['fields']>,
  more: Partial<Omit<BookObject, 'kind' | 'fields'>> = {},
): ObjectOf<K> {
  const [kind = '', key = ''] = ref.split(/:(.*)/)
  const whole = completed(DEFS[kind] ?? {}, {
    key,
    name: key,
    ...(kind === 'user' ? { name: {} } : {}),
    ...(fields as Values | undefined),
  }) as Values
  const { extension = null, name, display } = whole
  return {
    ref,
    kind,
    key,
    label: [display, name].find((each) => typeof each === 'string') ?? key,
    display: null,
    extension,
    fields: whole,
    refersTo: [],
    ...more,
  } as unknown as ObjectOf<K>
}

function completed(of: Shape, value: unknown): unknown {
  const shape = of.$ref === undefined ? of : (DEFS[of.$ref.replace('#/$defs/', '')] ?? {})
  if (shape.anyOf !== undefined) {
    const inner = shape.anyOf.find((each) => each.type !== 'null')
    return value === undefined || value === null ? (mayBeNull(shape) ? null : 'all') : completed(inner ?? {}, value)
  }
  if (shape.properties !== undefined) {
    const given = (value ?? {}) as Values
    return Object.fromEntries(
      Object.entries(shape.properties).map(([name, each]) => [name, completed(each, given[name])]),
    )
  }
  if (Array.isArray(value))
    return shape.items === undefined ? value : value.map((each) => completed(shape.items ?? {}, each))
  if (value !== undefined) return value
  if (shape.default !== undefined) return shape.default
  if (mayBeNull(shape)) return null
  if (shape.type === 'array') return []
  const type = [shape.type ?? 'string'].flat()[0] ?? 'string'
  return { object: {}, boolean: false, integer: 1, number: 1 }[type] ?? 'x'
}

function mayBeNull(shape: Shape): boolean {
  return (
    [shape.type ?? []].flat().includes('null') ||
    shape.enum?.includes(null) === true ||
    shape.anyOf?.some((each) => each.type === 'null') === true
  )
}
