import { timeInWords } from '@/shared'
import { shown } from './cells'
import { fieldAt, fieldsAlong } from './catalogue'
import { columnsOf } from './columns'
import type { Kind } from '@/api'
import type { Names } from './names'
import { asText, same, valueAt } from './values'

function kindOf(ref: string): Kind {
  return ref.slice(0, ref.indexOf(':')) as Kind
}

/** A title in the middle of a sentence; what is an abbreviation stays one. */
export function inSentence(title: string): string {
  return /^[A-Z]{2}/.test(title) ? title : title.charAt(0).toLowerCase() + title.slice(1)
}

type Item = Record<string, unknown> & { item: string }

export function inItems(value: unknown): Item[] {
  return Array.isArray(value)
    ? value.filter((each: unknown): each is Item => typeof each === 'object' && each !== null && 'item' in each)
    : []
}

/** Fields that say what an item is about: they are told first, and without their title. */
const ABOUT = ['who', 'name', 'key', 'when', 'number', 'kind', 'to', 'days', 'from', 'phrase', 'text']

/**
 * An item of a list in words: whom or what it is about, then what is not as it mostly is.
 *
 * @param path of the list
 * @param isShort whether the first of it is enough
 */
export function itemInWords(ref: string, path: string, value: unknown, names: Names, isShort = false): string {
  const item = value as Item
  const along = fieldsAlong(kindOf(ref), path).at(-1)
  const fields = along !== undefined && 'fields' in along ? along.fields : []
  const inside = (name: string): string => valueInWords(ref, `${path}/${item.item}/${name}`, item[name], names)
  if (Array.isArray(item['days']) && typeof item['from'] === 'string' && typeof item['to'] === 'string')
    return (
      `${item['days'].map((day: unknown) => dayTitle(String(day))).join(', ')} ` +
      `${timeInWords(item['from'])}–${timeInWords(item['to'])}`
    )
  const set = fields.filter(
    ({ name, default: usual }) =>
      name !== 'item' &&
      item[name] !== null &&
      item[name] !== undefined &&
      !(usual !== undefined && same(item[name], usual)) &&
      !(Array.isArray(item[name]) && item[name].length === 0),
  )
  const first = ABOUT.map((name) => set.find((field) => field.name === name)).find((field) => field !== undefined)
  const lead = first === undefined ? item.item : inside(first.name)
  if (isShort) return lead
  const rest = set
    .filter((field) => field !== first)
    .map((field) =>
      item[field.name] === true
        ? inSentence(field.title)
        : item[field.name] === false
          ? `not ${inSentence(field.title)}`
          : `${inSentence(field.title)} ${inside(field.name)}`,
    )
  return rest.length === 0 ? lead : `${lead} (${rest.join(', ')})`
}

const dayTitle = (day: string): string => day.charAt(0).toUpperCase() + day.slice(1)

/**
 * A field in words: its title, and where it lies in others or in an item, theirs before it.
 *
 * @param names of the book, for items to be called as people call them
 */
export function fieldInWords(ref: string, path: string, names?: Names): string {
  const kind = kindOf(ref)
  const along = fieldsAlong(kind, path)
  const leg = /^legs\/([^/]+)\/seconds$/.exec(path)
  if (leg !== null) return `${inSentence(along.at(-1)?.title ?? '')} (${leg[1] ?? ''})`
  const column = columnsOf(kind).find((each) => each.field === path)
  // The column of an object's own name is headed by its kind, that of an extension shortly; sentences say the field.
  if (column !== undefined && path !== 'name' && path !== 'extension') return inSentence(column.title)
  let next = 0
  const steps = path.split('/')
  return steps
    .map((step, index) => {
      if (step === '#order') return 'order'
      if (step === along[next]?.name) return inSentence(along[next++]?.title ?? step)
      const list = steps.slice(0, index).join('/')
      const item = inItems(valueAt(names?.get(ref)?.fields, list)).find((each) => each.item === step)
      return item === undefined || names === undefined ? step : itemInWords(ref, list, item, names, true)
    })
    .join(', ')
}

/** A field's value in words, whatever its shape. */
export function valueInWords(ref: string, path: string, value: unknown, names: Names): string {
  if (value === null || value === undefined) return 'unset'
  if (/\/seconds$|^secondsPerRing$/.test(path)) return `${asText(value)} s`
  const column = columnsOf(kindOf(ref)).find((each) => each.field === path)
  if (column !== undefined) return shown(value, column, names)
  const items = inItems(value)
  if (items.length > 0) return items.map((each) => itemInWords(ref, path, each, names)).join('; ')
  const field = fieldAt(kindOf(ref), path)
  if (field?.sort === 'items' && typeof value === 'object' && 'item' in value)
    return itemInWords(ref, path.slice(0, path.lastIndexOf('/')), value, names)
  if (field?.sort === 'group' && typeof value === 'object' && !Array.isArray(value)) {
    const parts = Object.entries(value)
      .filter(([, each]) => each !== null && !(typeof each === 'string' && FINGERPRINT.test(each)))
      .map(([name, each]) => {
        const title = field.fields.find((inner) => inner.name === name)?.title ?? name
        return `${inSentence(title)} ${valueInWords(ref, `${path}/${name}`, each, names)}`
      })
    return parts.length === 0 ? 'unset' : parts.join(', ')
  }
  // What is chosen, counted or timed is said as sheets say it.
  if (field?.sort === 'one' && SAID_BY_TYPE.has(field.type.type)) {
    const { unset = 'unset' } = field.type
    const text = shown(value, field.type, names)
    return text === '—' ? unset : text
  }
  return freely(value, names)
}

/** Of a recording: it tells two apart, and says nothing to anybody. */
const FINGERPRINT = /^[0-9a-f]{64}$/

const SAID_BY_TYPE = new Set(['choice', 'seconds', 'rings', 'flag', 'date', 'time', 'zone', 'reference', 'destination'])

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
