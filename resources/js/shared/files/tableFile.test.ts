import { expect, it } from 'vitest'
import writeExcelFile from 'write-excel-file/node'
import { readTableFile } from './tableFile'
import { sheetsOf } from './workbook'

const file = (...parts: BlobPart[]): File => new File(parts, 'people.csv')
const bytes = (...of: number[]): Uint8Array<ArrayBuffer> => new Uint8Array(of)
const read = async (...parts: BlobPart[]): Promise<string[]> =>
  (await readTableFile(file(...parts), sheetsOf)).map((each) => each.text)

it('reads text in the encodings that programs write', async () => {
  expect(await read('Name;Ext\nZoë;201')).toEqual(['Name;Ext\nZoë;201'])
  expect(await read(bytes(0xef, 0xbb, 0xbf), 'Zoë')).toEqual(['Zoë'])
  expect(await read(bytes(0xff, 0xfe, 0x5a, 0, 0x6f, 0, 0xeb, 0))).toEqual(['Zoë'])
  expect(await read(bytes(0xfe, 0xff, 0, 0x5a, 0, 0x6f, 0, 0xeb))).toEqual(['Zoë'])
  expect(await read(bytes(0x5a, 0x6f, 0xeb)), 'windows-1252').toEqual(['Zoë'])
})

it('reads every sheet of a workbook that says something, long numbers as their digits', async () => {
  const written = await writeExcelFile([
    {
      sheet: 'People',
      data: [
        [{ value: 'Name' }, { value: 'Ext' }, { value: 'Mobile' }, { value: 'Since' }],
        [
          { value: 'Ines\tMarsh\n' },
          { value: 201 },
          { value: 19025550123 },
          { value: new Date('2026-12-01T00:00:00Z'), type: Date, format: 'yyyy-mm-dd' },
        ],
        [{ value: 'Zoë' }, null, { value: '0044 7700 900123' }, null],
        [null, null, null, null],
      ],
    },
    { sheet: 'Empty', data: [] },
    { sheet: 'More', data: [[{ value: true }, { value: 1.5 }]] },
  ]).toBuffer()

  const sheets = await readTableFile(file(new Uint8Array(written)), sheetsOf)
  expect(sheets).toEqual([
    {
      name: 'People',
      text: 'Name\tExt\tMobile\tSince\nInes Marsh\t201\t19025550123\t2026-12-01\nZoë\t\t0044 7700 900123',
    },
    { name: 'More', text: 'yes\t1.5' },
  ])
})

it('says why nothing of a file can be taken', async () => {
  const why = async (...parts: BlobPart[]): Promise<string> => {
    try {
      await readTableFile(file(...parts), (of) => sheetsOf(of).catch(() => null))
      return 'taken'
    } catch (error) {
      return (error as Error).message
    }
  }
  expect(await why('')).toBe('The file is empty.')
  expect(await why(' \n ')).toBe('The file is empty.')
  expect(await why(bytes(0xd0, 0xcf, 0x11, 0xe0, 1))).toContain('of the old kind')
  expect(await why('%PDF-1.7')).toContain('This is no list')
  expect(await why(bytes(0x89, 0x50, 0x4e, 0x47, 0, 0))).toContain('This is no list')
  expect(await why(bytes(0x50, 0x4b, 3, 4), 'and nothing more')).toContain('no workbook that can be read')
  expect(await why('x'.repeat(5_000_001))).toContain('larger than 5 MB')
  // A directory that says 200 MB of what is a few bytes.
  const entry = new Uint8Array(46)
  new DataView(entry.buffer).setUint32(0, 0x02014b50, true)
  new DataView(entry.buffer).setUint32(24, 200_000_000, true)
  expect(await why(bytes(0x50, 0x4b, 3, 4), entry)).toContain('too large to be read')
})
