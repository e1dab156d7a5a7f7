import { shown } from './cells'
import { columnsOf } from './columns'
import type { BookObject } from '@/api'
import type { Names } from './names'
import { asText } from './values'

const STEPS: Record<string, string> = {
  noAnswer: 'no answer', onACall: 'on a call', doNotDisturb: 'do not disturb', legs: 'phones', callerId: 'calls out as', mainNumber: 'main number', secondsPerRing: 'a ring lasts',
  '#order': 'order',
}

function kindOf(ref: string): BookObject['kind'] {
  return ref.slice(0, ref.indexOf(':')) as BookObject['kind']
}

/** A field in words: its column's title where a sheet has it, else its path spelt out. */
export function fieldInWords(ref: string, path: string): string {
  const leg = /^legs\/([^/]+)\/seconds$/.exec(path)
  if (leg !== null) return `rings for (${leg[1] ?? ''})`
  const column = columnsOf(kindOf(ref)).find((each) => each.path({ fields: {} } as BookObject) === path)
  // Heads are short, and the column of an object's own name is headed by its kind; sentences say the field.
  if (column !== undefined && path !== 'name' && path !== 'extension') return column.title.charAt(0).toLowerCase() + column.title.slice(1)
  return path
    .split('/')
    .map((step) => STEPS[step] ?? spelt(step))
    .join(', ')
}

/** A field's value in words, whatever its shape. */
export function valueInWords(ref: string, path: string, value: unknown, names: Names): string {
  if (value === null || value === undefined) return 'unset'
  if (/\/seconds$|^secondsPerRing$/.test(path)) return `${asText(value)} s`
  const column = columnsOf(kindOf(ref)).find((each) => each.path({ fields: {} } as BookObject) === path)
  return column === undefined ? freely(value, names) : shown(value, column, names)
}

/** Where a condition leads: once for both kinds of call where they go the same way. */
function treatment(value: object, names: Names): string {
  const { outside = null, inside = null } = value as { outside?: unknown; inside?: unknown }
  if (outside === inside) return freely(outside, names)
  const sides = [[outside, 'outside'], [inside, 'inside']] as const
  return sides.flatMap(([to, side]) => (to === null ? [] : [`${freely(to, names)} for calls from ${side}`])).join(', ')
}

function freely(value: unknown, names: Names): string {
  if (value === null || value === undefined) return 'unset'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map((each: unknown) => freely(each, names)).join(', ')
  if (typeof value === 'object') {
    const entries = Object.entries(value)
    if (entries.length > 0 && entries.every(([key]) => key === 'outside' || key === 'inside')) return treatment(value, names)
    return Object.entries(value)
      .filter(([, each]) => each !== null)
      .map(([key, each]) => (key === 'item' ? freely(each, names) : `${fieldInWords('tenant:', key)} ${freely(each, names)}`))
      .join(' ')
  }
  return names.of(asText(value))
}

/** What the server could not read of something said, with why. */
export function notUnderstood(faults: { text: string; why: string }[]): string {
  return faults.map(({ text, why }) => (text === '' ? why : `“${text}”: ${why}`)).join('; ')
}

/** `ringsEach` as people write it. */
export function spelt(name: string): string {
  return name.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`)
}
