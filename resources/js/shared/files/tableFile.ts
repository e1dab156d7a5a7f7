/** A sheet of a file as text, as if it had been copied: a line for each row, tabs or whatever the file has between. */
export interface TableSheet {
  name: string
  text: string
}

/** Why nothing of a file can be taken, for whoever chose it. */
export class UnreadableTable extends Error {}

export const MOST_MEGABYTES = 5
/** What a workbook may become once it is unpacked. */
const MOST_UNPACKED = 100_000_000
const PATIENCE = 20_000

const starts = (bytes: Uint8Array, ...signature: number[]): boolean => signature.every((byte, at) => bytes[at] === byte)

/**
 * A list that somebody has as a file: CSV or text in any usual encoding, or a workbook. Known by what is in it.
 *
 * @throws UnreadableTable
 */
export async function readTableFile(file: File, workbook = inWorker): Promise<TableSheet[]> {
  if (file.size > MOST_MEGABYTES * 1_000_000)
    throw new UnreadableTable(`The file is larger than ${MOST_MEGABYTES} MB: take out what is no list of people.`)
  const buffer = await file.arrayBuffer()
  const bytes = new Uint8Array(buffer)
  if (bytes.length === 0) throw new UnreadableTable('The file is empty.')
  if (starts(bytes, 0xd0, 0xcf, 0x11, 0xe0))
    throw new UnreadableTable('This is a workbook of the old kind, or one with a password: save it as .xlsx or as CSV.')
  if (starts(bytes, 0x50, 0x4b, 0x03, 0x04)) {
    if (unpacked(bytes) > MOST_UNPACKED) throw new UnreadableTable('Unpacked, this workbook is too large to be read.')
    const sheets = await workbook(buffer)
    if (sheets === null) throw new UnreadableTable('This is no workbook that can be read: save it as .xlsx or as CSV.')
    if (sheets.length === 0) throw new UnreadableTable('There is nothing on any sheet of it.')
    return sheets
  }
  const text = decoded(bytes)
  if (text.includes('\0') || starts(bytes, 0x25, 0x50, 0x44, 0x46))
    throw new UnreadableTable('This is no list: a CSV or text file is, or a workbook (.xlsx).')
  if (text.trim() === '') throw new UnreadableTable('The file is empty.')
  return [{ name: file.name, text }]
}

/** Text by its mark, as UTF-8 where that can be, else as older Windows programs write it. */
function decoded(bytes: Uint8Array): string {
  if (starts(bytes, 0xff, 0xfe)) return new TextDecoder('utf-16le').decode(bytes)
  if (starts(bytes, 0xfe, 0xff)) return new TextDecoder('utf-16be').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

/**
 * How large all files in a ZIP become, as its directory says (PKWARE APPNOTE 4.3.12); what lies is found when it is
 * unpacked, by the time it takes.
 */
function unpacked(bytes: Uint8Array): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let sum = 0
  for (let at = 0; at + 46 <= bytes.length; at++) {
    if (view.getUint32(at, true) === 0x02014b50) sum += view.getUint32(at + 24, true)
  }
  return sum
}

/** Null where it is no workbook, or takes too long. */
function inWorker(bytes: ArrayBuffer): Promise<TableSheet[] | null> {
  return new Promise((done) => {
    const worker = new Worker(new URL('./workbook.worker.ts', import.meta.url), { type: 'module' })
    const end = (sheets: TableSheet[] | null): void => {
      clearTimeout(patience)
      worker.terminate()
      done(sheets)
    }
    const patience = setTimeout(() => {
      end(null)
    }, PATIENCE)
    worker.addEventListener('message', (event: MessageEvent<{ sheets: TableSheet[] | null }>) => {
      end(event.data.sheets)
    })
    worker.addEventListener('error', () => {
      end(null)
    })
    worker.postMessage(bytes, [bytes])
  })
}
