import type { Column } from './columns'
import type { Names } from './names'
import { asText } from './values'

const YES = ['yes', 'y', 'true', 'on', '1']
const NO = ['no', 'n', 'false', 'off', '0']
export const UNSET = '—'

/** A field's value as its cell shows it. */
export function shown(value: unknown, column: Column, names: Names): string {
  if (value === null || value === undefined) return UNSET
  switch (column.type) {
    case 'seconds':
      return `${asText(value)} s`
    case 'flag':
      return value === true ? 'yes' : 'no'
    case 'choice':
      return column.choices?.[asText(value)] ?? asText(value)
    case 'reference':
    case 'destination':
      return names.of(asText(value))
    default:
      return asText(value)
  }
}

/** What stands in the editor when it opens: as shown, but without units and empty where unset. */
export function typedOf(value: unknown, column: Column, names: Names): string {
  if (value === null || value === undefined) return ''
  return column.type === 'seconds' ? asText(value) : shown(value, column, names)
}

/** Reads what somebody typed or pasted into a cell; what only the server can judge is left to it. */
export function read(typed: string, column: Column, names: Names): { value: unknown } | { fault: string } {
  const text = typed.trim()
  if (text === '' || text === UNSET) return column.required === true ? { fault: 'this cannot be left empty' } : { value: null }
  switch (column.type) {
    case 'seconds':
      return /^\d{1,5}( ?s(ec(onds?)?)?)?$/i.test(text) ? { value: Number.parseInt(text, 10) } : { fault: `whole seconds are wanted here, not "${text}"` }
    case 'extension':
      return /^\d{1,15}$/.test(text) ? { value: text } : { fault: `an extension is digits only, not "${text}"` }
    case 'flag':
      if (YES.includes(text.toLowerCase())) return { value: true }
      return NO.includes(text.toLowerCase()) ? { value: false } : { fault: `yes or no is wanted here, not "${text}"` }
    case 'choice': {
      const found = Object.entries(column.choices ?? {}).find(([key, said]) => [key.toLowerCase(), said].includes(text.toLowerCase()))
      return found === undefined ? { fault: `one of ${Object.values(column.choices ?? {}).join(', ')} is wanted here` } : { value: found[0] }
    }
    case 'reference':
    case 'destination':
      return names.find(text, column.kinds ?? [], column.type === 'destination')
    case 'zone':
      return { value: text.replaceAll(' ', '_') }
    case 'text':
      return { value: text }
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
