import type { Change, Kind } from '@/api'
import { kindsInWords } from '@/shared'
import type { Names } from './names'
import { fieldInWords, inItems, itemInWords, valueInWords } from './words'
import { fieldAt } from './catalogue'
import { columnsOf } from './columns'
import { shown } from './cells'
import { valueAt } from './values'

/** A change, or several that are alike, as one sentence. */
export interface Sentence {
  key: string
  /** Whom or what it is about: a name, or how many of a kind. */
  subject: string
  says: string
  was: string
  changes: Change[]
}

/** More differing values of before are not listed one by one. */
const MOST_NAMED = 3

const kindOf = (ref: string): Kind => ref.slice(0, ref.indexOf(':')) as Kind
const isItem = (value: unknown): boolean => typeof value === 'object' && value !== null && 'item' in value

/** What a change makes of an object, said without its name, and what was before. */
export function said(change: Change, names: Names): { says: string; was: string } {
  const { op, object, path, before, after } = change
  if (path === null) return { says: op === 'create' ? asNew(object, names) : 'taken out of the book', was: '' }
  const list = path.slice(0, Math.max(0, path.lastIndexOf('/')))
  const field = fieldInWords(object, path, names)
  if (path.endsWith('/#order'))
    return { says: `${fieldInWords(object, list)} in the order ${inOrder(change, list, names)}`, was: '' }
  if (isItem(after) && before === null)
    return { says: `${fieldInWords(object, list)}: ${itemInWords(object, list, after, names)} added`, was: '' }
  if (isItem(before) && after === null)
    return { says: `${fieldInWords(object, list)}: ${itemInWords(object, list, before, names)} taken out`, was: '' }
  const value = valueInWords(object, path, after, names)
  const joint = /^\d+(?:\.\d+)? (?:s|rings?)$/.test(value) ? ' ' : ': '
  return {
    says: after === null ? `${field}: nothing` : `${field}${joint}${value}`,
    was: before === null ? 'was empty' : `was ${valueInWords(object, path, before, names)}`,
  }
}

/** What a new object begins with: what its sheet shows of it. */
function asNew(ref: string, names: Names): string {
  const object = names.get(ref)
  if (object === undefined) return 'new in the book'
  const parts = columnsOf(kindOf(ref)).flatMap((column) => {
    const path = column.path(object)
    const value = path === null ? (column.shows?.(object) ?? '—') : shown(valueAt(object.fields, path), column, names)
    const isName = value === object.label || value === object.display
    const isPartOfIt = object.label.split(' ').includes(value)
    return value === '—' || value === '0' || isName || isPartOfIt ? [] : [`${column.title.toLowerCase()} ${value}`]
  })
  return parts.length === 0 ? 'new in the book' : `new in the book: ${parts.join(', ')}`
}

function inOrder({ object, after }: Change, list: string, names: Names): string {
  const items = inItems(valueAt(names.get(object)?.fields, list))
  return (Array.isArray(after) ? after : [])
    .map((key: unknown) => {
      const item = items.find((each) => each.item === key)
      return item === undefined ? String(key) : itemInWords(object, list, item, names, true)
    })
    .join(', ')
}

/** Changes as sentences; what is done alike to several objects of a kind is one. */
export function sentencesOf(changes: Change[], names: Names): Sentence[] {
  const groups = new Map<string, { change: Change; says: string; was: string }[]>()
  for (const change of changes) {
    const { says, was } = said(change, names)
    const field = change.path === null ? '' : (fieldAt(kindOf(change.object), change.path)?.name ?? change.path)
    // Each new object is one of its own.
    const alike = change.path === null && change.op === 'create' ? change.object : kindOf(change.object)
    const key = `${alike} ${change.op} ${field} ${says}`
    groups.set(key, [...(groups.get(key) ?? []), { change, says, was }])
  }
  return [...groups].map(([key, all]) => {
    const objects = new Set(all.map((each) => each.change.object))
    const [first] = all
    const befores = [...new Set(all.map((each) => each.was.replace(/^was /, '')))]
    return {
      key,
      subject:
        objects.size === 1
          ? (first?.change.label ?? '')
          : `${objects.size} ${kindsInWords(kindOf(first?.change.object ?? '')).many.toLowerCase()}`,
      says: first?.says ?? '',
      was:
        befores.length === 1
          ? (first?.was ?? '')
          : `was ${befores.length <= MOST_NAMED ? befores.join(' or ') : 'another for each'}`,
      changes: all.map((each) => each.change),
    }
  })
}
