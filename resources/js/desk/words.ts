import { shown } from './cells'
import { fieldsAlong } from './catalogue'
import { columnsOf } from './columns'
import type { Kind } from '@/api'
import type { Names } from './names'
import { asText } from './values'

function kindOf(ref: string): Kind {
  return ref.slice(0, ref.indexOf(':')) as Kind
}

/** A title in the middle of a sentence; what is an abbreviation stays one. */
export function inSentence(title: string): string {
  return /^[A-Z]{2}/.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1)
}

/** A field in words: its title, and where it lies in others or in an item, theirs before it. */
export function fieldInWords(ref: string, path: string): string {
  const kind = kindOf(ref)
  const along = fieldsAlong(kind, path)
  const leg = /^legs\/([^/]+)\/seconds$/.exec(path)
  if (leg !== null) return `${inSentence(along.at(-1)?.title ?? '')} (${leg[1] ?? ''})`
  const column = columnsOf(kind).find((each) => each.field === path)
  // The column of an object's own name is headed by its kind, that of an extension shortly; sentences say the field.
  if (column !== undefined && path !== 'name' && path !== 'extension') return inSentence(column.title)
  let next = 0
  return path
    .split('/')
    .map((step) =>
      step === '#order' ? 'order' : step === along[next]?.name ? inSentence(along[next++]?.title ?? step) : step,
    )
    .join(', ')
}

/** A field's value in words, whatever its shape. */
export function valueInWords(ref: string, path: string, value: unknown, names: Names): string {
  if (value === null || value === undefined) return 'unset'
  if (/\/seconds$|^secondsPerRing$/.test(path)) return `${asText(value)} s`
  const column = columnsOf(kindOf(ref)).find((each) => each.field === path)
  return column === undefined ? freely(value, names) : shown(value, column, names)
}

/** Where a condition leads: once for both kinds of call where they go the same way. */
function treatment(value: object, names: Names): string {
  const { outside = null, inside = null } = value as { outside?: unknown; inside?: unknown }
  if (outside === inside) return freely(outside, names)
  const sides = [
    [outside, 'outside'],
    [inside, 'inside'],
  ] as const
  return sides.flatMap(([to, side]) => (to === null ? [] : [`${freely(to, names)} for calls from ${side}`])).join(', ')
}

function freely(value: unknown, names: Names): string {
  if (value === null || value === undefined) return 'unset'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (Array.isArray(value))
    return value.length === 0 ? 'none' : value.map((each: unknown) => freely(each, names)).join(', ')
  if (typeof value === 'object') {
    const entries = Object.entries(value)
    if (entries.length > 0 && entries.every(([key]) => key === 'outside' || key === 'inside'))
      return treatment(value, names)
    return Object.entries(value)
      .filter(([, each]) => each !== null)
      .map(([key, each]) => (key === 'item' ? freely(each, names) : `${spelt(key)} ${freely(each, names)}`))
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
