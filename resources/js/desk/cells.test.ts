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
  const leadsTo = column('number', 'Leads to')

  it('takes a destination by name, extension, beginning of a name, word or outside number', () => {
    expect(read('Ines Marsh', leadsTo, names)).toEqual({ value: 'user:ines' })
    expect(read('201', leadsTo, names)).toEqual({ value: 'user:ines' })
    expect(read('ina', leadsTo, names)).toEqual({ value: 'user:ina' })
    expect(read('hang up', leadsTo, names)).toEqual({ value: 'release' })
    expect(read('+1 (902) 555-0177', leadsTo, names)).toEqual({ value: 'outside:+19025550177' })
    expect(read('902 555 0177', leadsTo, names)).toEqual({ value: 'outside:902 555 0177' })
    expect(read('outside 555-0177', leadsTo, names)).toEqual({ value: 'outside:555-0177' })
    expect(read('outside +19025550177', leadsTo, names)).toEqual({ value: 'outside:+19025550177' })
  })

  it('takes what is written just like one of them for that one', () => {
    const both = new Names([
      object('group:desk', 'Reception', '300'),
      object('mailbox:reception', "Reception's mailbox"),
      object('group:reception', 'Reception north', '301'),
      object('number:+19025550150', 'Main number'),
    ])
    expect(read('Reception', leadsTo, both)).toEqual({ value: 'group:desk' })
    expect(read('receptio', leadsTo, both)).toHaveProperty('fault')
    expect(read('+1 902 555 0150', leadsTo, both)).toHaveProperty(
      'fault',
      '+1 902 555 0150 is a number of this customer; say where its calls go instead',
    )
    expect(read('9025550150', column('user', 'Calls out as'), both)).toEqual({ value: 'number:+19025550150' })
  })

  it('says when a name may be several, and when it is none', () => {
    expect(read('in', leadsTo, names)).toHaveProperty(
      'fault',
      '"in" may be Ines Marsh or Ina Lunn or Ines Marsh\'s mailbox; say more',
    )
    expect(read('Petra', leadsTo, names)).toHaveProperty('fault', 'nothing here is called "Petra"')
  })

  it('only takes kinds the field can hold', () => {
    expect(read('Main number', leadsTo, names)).toHaveProperty('fault')
    expect(read('+1 902-555-0150', column('user', 'Calls out as'), names)).toEqual({ value: 'number:+19025550150' })
  })

  it('reads seconds with or without the unit, and refuses anything else with what was typed', () => {
    const rings = column('user', 'Rings for')
    expect(read('25', rings, names)).toEqual({ value: 25 })
    expect(read('25 s', rings, names)).toEqual({ value: 25 })
    expect(read('2.5', rings, names)).toEqual({ fault: 'whole seconds are wanted here, not "2.5"' })
    expect(read('', rings, names)).toEqual({ fault: 'this cannot be left empty' })
  })

  it('empties a field that may be empty', () => {
    expect(read('  ', column('user', 'Mail'), names)).toEqual({ value: null })
    expect(read('—', leadsTo, names)).toEqual({ value: null })
  })

  it('reads back what it shows', () => {
    for (const [value, col] of [
      ['user:ines', leadsTo],
      ['outside:+19025550177', leadsTo],
      ['again', leadsTo],
      [true, column('mailbox', 'Takes messages')],
      [20, column('user', 'Rings for')],
      [null, column('user', 'Mail')],
    ] as const) {
      expect(read(shown(value, col, names), col, names)).toEqual({ value })
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
    expect(fieldInWords('user:ines', 'handling/open/noAnswer')).toBe('handling, open, no answer')
    expect(valueInWords('user:ines', 'legs/desk/seconds', 20, names)).toBe('20 s')
    expect(valueInWords('user:ines', 'handling/open/noAnswer', { outside: 'mailbox:ines', inside: null }, names)).toBe(
      "Ines Marsh's mailbox for calls from outside",
    )
    expect(valueInWords('user:ines', 'mailbox', null, names)).toBe('unset')
  })
})
