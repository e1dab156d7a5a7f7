import { describe, expect, it } from 'vitest'
import type { BookObject, Kind } from '@/api'
import { bookObject } from '@/testing'
import { pastedCells, read, shown } from './cells'
import { columnsOf, type Column } from './columns'
import { Names } from './names'
import { valueAt } from './values'
import { fieldInWords, valueInWords } from './words'

function object(
  ref: `${Kind}:${string}`,
  label: string,
  extension: string | null = null,
  display: string | null = null,
): BookObject {
  return bookObject(ref, {}, { label, extension, display })
}

const names = new Names([
  object('user:ines', 'Ines Marsh', '201'),
  object('user:ina', 'Ina Lunn', '202'),
  object('mailbox:ines', "Ines Marsh's mailbox"),
  object('number:+19025550150', 'Main number', null, '+1 902-555-0150'),
])

function column(kind: BookObject['kind'], title: string): Column {
  const found = columnsOf(kind).find((each) => each.title === title)
  if (found === undefined) throw new Error(`no column ${title}`)
  return found
}

describe('reading a cell', () => {
  it('leaves names, extensions and outside numbers to the server, which knows whom they mean', () => {
    expect(read(' Ines Marsh ', column('number', 'Leads to'))).toEqual({ value: 'Ines Marsh' })
    expect(read('outside 555-0177', column('number', 'Leads to'))).toEqual({ value: 'outside 555-0177' })
    expect(read('9025550150', column('user', 'Calls out as'))).toEqual({ value: '9025550150' })
    expect(read('—', column('user', 'Calls out as'))).toEqual({ value: null })
  })

  it('reads seconds with or without the unit, and refuses anything else with what was typed', () => {
    const rings = column('user', 'Rings for')
    expect(read('25', rings)).toEqual({ value: 25 })
    expect(read('25 s', rings)).toEqual({ value: 25 })
    expect(read('2.5', rings)).toEqual({ fault: 'whole seconds are wanted here, not "2.5"' })
    expect(read('', rings)).toEqual({ fault: 'this cannot be left empty' })
  })

  it('empties a field that may be empty', () => {
    expect(read('  ', column('user', 'Mail'))).toEqual({ value: null })
    expect(read('—', column('number', 'Leads to'))).toEqual({ value: null })
  })

  it('reads days, times and hours as people type them, and refuses what is none or may be two', () => {
    const halifax = (typed: string, type: 'date' | 'time' | 'spans'): ReturnType<typeof read> =>
      read(typed, { type }, 'America/Halifax')
    for (const typed of ['2026-12-24', '24 Dec 2026', 'Thu Dec 24, 2026', '24/12/2026'])
      expect(halifax(typed, 'date'), typed).toEqual({ value: '2026-12-24' })
    for (const typed of ['xx', '4/5/2027', '31 Feb 2027', '20261224'])
      expect(halifax(typed, 'date'), typed).toEqual({
        fault: `a day such as Thu 24 Dec 2026 is wanted here, not "${typed}"`,
      })
    for (const typed of ['17', '17:00', '5 pm']) expect(halifax(typed, 'time'), typed).toEqual({ value: '17:00' })
    expect(halifax('25:00', 'time')).toEqual({ fault: 'a time such as 08:00 is wanted here, not "25:00"' })
    expect(halifax('8-12, 1 pm to 5pm', 'spans')).toEqual({
      value: [
        { from: '08:00', to: '12:00' },
        { from: '13:00', to: '17:00' },
      ],
    })
    for (const typed of ['8', '8-12-17', 'till 3', '8 to xx'])
      expect(halifax(typed, 'spans'), typed).toEqual({
        fault: `hours such as 08:00 to 12:00, 13:00 to 17:00 are wanted here, not "${typed}"`,
      })
  })

  it('reads back what it shows', () => {
    for (const [value, col] of [
      [true, column('mailbox', 'Takes messages')],
      [20, column('user', 'Rings for')],
      [null, column('user', 'Mail')],
    ] as const) {
      expect(read(shown(value, col, names), col)).toEqual({ value })
    }
  })
})

describe('a pasted block', () => {
  it('keeps quoted cells whole and drops the last line end', () => {
    expect(pastedCells('201\tInes\tMarsh\r\n202\t"Ina ""Ivy"""\t"Lunn\tJr"\r\n')).toEqual([
      ['201', 'Ines', 'Marsh'],
      ['202', 'Ina "Ivy"', 'Lunn\tJr'],
    ])
  })

  it('keeps empty cells, so that columns stay in line', () => {
    expect(pastedCells('a\t\tb\n\tc\t')).toEqual([
      ['a', '', 'b'],
      ['', 'c', ''],
    ])
  })
})

describe('values in words', () => {
  it('finds items by their key', () => {
    expect(
      valueAt(
        {
          legs: [
            { item: 'soft', seconds: 5 },
            { item: 'desk', seconds: 20 },
          ],
        },
        'legs/desk/seconds',
      ),
    ).toBe(20)
    expect(valueAt({ legs: [{ item: 'desk', seconds: 20 }] }, 'legs/gone/seconds')).toBeNull()
  })

  it('speaks of fields as the sheets do', () => {
    expect(fieldInWords('number:+1', 'destination')).toBe('leads to')
    expect(fieldInWords('user:ines', 'legs/desk/seconds')).toBe('rings for (desk)')
    expect(fieldInWords('user:ines', 'handling/open/noAnswer')).toBe('handling, in open hours, no answer')
    expect(valueInWords('user:ines', 'legs/desk/seconds', 20, names)).toBe('20 s')
    expect(valueInWords('user:ines', 'handling/open/noAnswer', { outside: 'mailbox:ines', inside: null }, names)).toBe(
      "Ines Marsh's mailbox for calls from outside",
    )
    expect(valueInWords('user:ines', 'mailbox', null, names)).toBe('unset')
  })
})
