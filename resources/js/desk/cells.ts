import { dayInWords, now, readDay, readTime, timeInWords } from '@/shared'
import { WORDS, type FieldType } from './catalogue'
import type { Names } from './names'
import { asText } from './values'

const YES = ['yes', 'y', 'true', 'on', '1']
const NO = ['no', 'n', 'false', 'off', '0']
export const UNSET = '—'
const DATE = /^\d{4}-\d{2}-\d{2}$/

/** A field's value as its cell shows it. */
export function shown(value: unknown, column: FieldType, names: Names): string {
  if (value === null || value === undefined) return column.unset ?? UNSET
  switch (column.type) {
    case 'seconds':
      return `${asText(value)} s`
    case 'rings':
      return value === 1 ? '1 ring' : `${asText(value)} rings`
    case 'spans':
      return (
        (value as { from: string; to: string }[])
          .map((each) => `${timeInWords(each.from)} to ${timeInWords(each.to)}`)
          .join(', ') ||
        (column.unset ?? UNSET)
      )
    case 'counts':
      return (
        Object.entries(value as Record<string, number>)
          .map(([name, count]) => `${name} ${count}`)
          .join(', ') || UNSET
      )
    case 'list':
      if (!Array.isArray(value)) return asText(value)
      return (value as unknown[]).length === 0
        ? (column.unset ?? UNSET)
        : (value as unknown[])
            .map((each) => (column.kinds === undefined ? asText(each) : names.of(asText(each))))
            .join(', ')
    case 'date':
      return DATE.test(asText(value)) ? dayInWords(asText(value)) : asText(value)
    case 'time':
      return timeInWords(asText(value))
    case 'flag':
      return value === true ? 'yes' : 'no'
    case 'choice':
      return column.choices?.[asText(value)] ?? asText(value)
    case 'hardware':
      return asText(value).replace(/(..)(?=.)/g, '$1:')
    case 'reference':
    case 'destination':
      return names.of(asText(value))
    default:
      return asText(value)
  }
}

/** What stands in the editor when it opens: as shown, but without units and empty where unset. */
export function typedOf(value: unknown, column: FieldType, names: Names): string {
  if (value === null || value === undefined) return ''
  return column.type === 'seconds' || column.type === 'rings'
    ? asText(value)
    : Array.isArray(value) && value.length === 0
      ? ''
      : shown(value, column, names)
}

function wholeOf(text: string, pattern: RegExp): { value: number } | { fault: string } {
  return pattern.test(text)
    ? { value: Number.parseInt(text, 10) }
    : { fault: `a whole number is wanted here, not "${text}"` }
}

/** Reads what somebody typed or pasted into a cell; what only the server can judge is left to it. */
export function read(
  typed: string,
  column: FieldType,
  zone = Intl.DateTimeFormat().resolvedOptions().timeZone,
): { value: unknown } | { fault: string } {
  const text = typed.trim()
  if (text === '' || text === UNSET || text === column.unset)
    return column.type === 'list' || column.type === 'spans'
      ? { value: column.unset === 'all' ? 'all' : [] }
      : column.type === 'counts'
        ? { value: {} }
        : column.required === true
          ? { fault: 'this cannot be left empty' }
          : { value: null }
  switch (column.type) {
    case 'seconds':
      return /^\d{1,5}( ?s(ec(onds?)?)?)?$/i.test(text)
        ? { value: Number.parseInt(text, 10) }
        : { fault: `whole seconds are wanted here, not "${text}"` }
    case 'rings':
      return wholeOf(text, /^\d{1,6}( ?rings?)?$/i)
    case 'whole':
      return wholeOf(text, /^\d{1,6}( ?%)?$/)
    case 'date': {
      const day = readDay(text, zone, now())
      return day === undefined
        ? { fault: `a day such as ${dayInWords('2026-12-24')} is wanted here, not "${text}"` }
        : { value: day }
    }
    case 'time': {
      const time = readTime(text)
      return time === undefined
        ? { fault: `a time such as ${timeInWords('08:00')} is wanted here, not "${text}"` }
        : { value: time }
    }
    case 'spans': {
      const spans = text.split(/[,;]/).map((part) => {
        const [from, to, ...more] = part.split(/\s*(?:-|–|\bto\b)\s*/).map(readTime)
        return from === undefined || to === undefined || more.length > 0 ? undefined : { from, to }
      })
      return spans.includes(undefined)
        ? { fault: `hours such as 08:00 to 12:00, 13:00 to 17:00 are wanted here, not "${text}"` }
        : { value: spans }
    }
    case 'counts': {
      const counts = text.split(/[,;]/).map((part) => /^\s*(\S.*?)\s+(\d{1,6})\s*$/.exec(part))
      return counts.includes(null)
        ? { fault: `names with numbers such as user 20, fax 1 are wanted here, not "${text}"` }
        : { value: Object.fromEntries(counts.map((count) => [count?.[1] ?? '', Number(count?.[2])])) }
    }
    case 'list':
      return {
        value: text
          .split(',')
          .map((part) => part.trim())
          .filter((part) => part !== ''),
      }
    case 'extension':
      return /^\d{1,15}$/.test(text) ? { value: text } : { fault: `an extension is digits only, not "${text}"` }
    case 'flag':
      if (YES.includes(text.toLowerCase())) return { value: true }
      return NO.includes(text.toLowerCase()) ? { value: false } : { fault: `yes or no is wanted here, not "${text}"` }
    case 'choice': {
      const found = Object.entries(column.choices ?? {}).find(([key, said]) =>
        [key.toLowerCase(), said].includes(text.toLowerCase()),
      )
      return found === undefined
        ? { fault: `one of ${Object.values(column.choices ?? {}).join(', ')} is wanted here` }
        : { value: found[0] === 'true' ? true : found[0] === 'false' ? false : found[0] }
    }
    // Whom or what a name means is the server's to say.
    case 'reference':
    case 'destination':
    case 'hardware':
    case 'text':
      return { value: text }
    case 'zone':
      return { value: text.replaceAll(' ', '_') }
  }
}

/** What a spreadsheet puts on the clipboard: lines of cells, a cell with tabs or line ends in it quoted. */
export function pastedCells(text: string): string[][] {
  const rows: string[][] = [[]]
  const cell = /"((?:[^"]|"")*)"(?=[\t\r\n]|$)|([^\t\r\n]*)/y
  let at = 0
  while (at <= text.length) {
    cell.lastIndex = at
    const found = cell.exec(text)
    if (found === null) break
    rows.at(-1)?.push(found[1] === undefined ? (found[2] ?? '') : found[1].replaceAll('""', '"'))
    at = cell.lastIndex
    if (at >= text.length) break
    const isLineEnd = text[at] !== '\t'
    at += text.startsWith('\r\n', at) ? 2 : 1
    if (isLineEnd && at < text.length) rows.push([])
    else if (isLineEnd) break
  }
  return rows
}

/** What may be typed there, for whoever does not know it by heart. */
export function suggested({ type, choices, kinds }: FieldType, names: Names): string[] {
  switch (type) {
    case 'flag':
      return ['yes', 'no']
    case 'choice':
      return Object.values(choices ?? {})
    case 'zone':
      return Intl.supportedValuesOf('timeZone')
    default:
      return [
        ...(kinds === undefined ? [] : names.choices(kinds)),
        ...(type === 'destination' ? Object.values(WORDS) : []),
      ]
  }
}
