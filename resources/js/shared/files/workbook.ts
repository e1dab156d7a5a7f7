import readWorkbook, { type CellValue } from 'read-excel-file/web-worker'
import type { TableSheet } from './tableFile'

/** A workbook (.xlsx) as blocks of text, one for each sheet that has something on it. */
export async function sheetsOf(bytes: ArrayBuffer): Promise<TableSheet[]> {
  const sheets = await readWorkbook(bytes)
  return sheets.map(({ sheet, data }) => ({ name: sheet, text: blockOf(data) })).filter((each) => each.text !== '')
}

/** Tabs between cells, as a spreadsheet copies them. */
function blockOf(rows: (CellValue | null)[][]): string {
  const lines = rows.map((row) => row.map(said).join('\t').replace(/\t+$/, ''))
  while (lines.at(-1) === '') lines.pop()
  return lines.join('\n')
}

function said(cell: CellValue | null): string {
  if (cell === null) return ''
  if (cell instanceof Date) return cell.toISOString().slice(0, 10)
  if (typeof cell === 'boolean') return cell ? 'yes' : 'no'
  // A long number is its digits, whatever the sheet showed of it: people see 1.90256E+10 where 19025550123 is.
  if (typeof cell === 'number') return cell.toLocaleString('en', { useGrouping: false, maximumFractionDigits: 10 })
  return typeof cell === 'string' ? cell.replaceAll(/[\t\r\n]+/g, ' ').trim() : ''
}
