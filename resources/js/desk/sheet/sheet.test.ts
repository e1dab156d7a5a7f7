import { beforeEach, describe, expect, it } from 'vitest'
import { bookObject } from '@/testing'
import { blockOf, continued, filledBy, ledTo, type Spot } from './block'
import { keepColumns, keptColumns } from './chosen'
import { inOrder, wantedIn } from './lines'

const EXTENT = { rows: 100, columns: 6, page: 20 }

describe('where keys lead', () => {
  it.each<[string, boolean, Spot, Spot]>([
    ['ArrowDown', false, { row: 3, column: 2 }, { row: 4, column: 2 }],
    ['ArrowDown', false, { row: 99, column: 2 }, { row: 99, column: 2 }],
    ['ArrowUp', true, { row: 50, column: 2 }, { row: 0, column: 2 }],
    ['ArrowRight', true, { row: 50, column: 2 }, { row: 50, column: 5 }],
    ['PageDown', false, { row: 90, column: 1 }, { row: 99, column: 1 }],
    ['PageUp', false, { row: 30, column: 1 }, { row: 10, column: 1 }],
    ['Home', false, { row: 30, column: 4 }, { row: 30, column: 0 }],
    ['Home', true, { row: 30, column: 4 }, { row: 0, column: 0 }],
    ['End', true, { row: 30, column: 4 }, { row: 99, column: 5 }],
  ])('%s, Ctrl held: %s', (key, isFar, from, to) => {
    expect(ledTo(key, from, EXTENT, isFar)).toEqual(to)
  })

  it('leads nowhere by a letter', () => {
    expect(ledTo('a', { row: 0, column: 0 }, EXTENT, false)).toBeUndefined()
  })
})

describe('the fill handle', () => {
  const block = blockOf({ row: 4, column: 2 }, { row: 3, column: 1 })

  it.each<[string, Spot, ReturnType<typeof filledBy>]>([
    ['down', { row: 7, column: 2 }, { top: 5, bottom: 7, left: 1, right: 2 }],
    ['up', { row: 0, column: 1 }, { top: 0, bottom: 2, left: 1, right: 2 }],
    ['right', { row: 4, column: 5 }, { top: 3, bottom: 4, left: 3, right: 5 }],
    ['left', { row: 3, column: 0 }, { top: 3, bottom: 4, left: 0, right: 0 }],
    ['the farther of two ways', { row: 9, column: 3 }, { top: 5, bottom: 9, left: 1, right: 2 }],
    ['nowhere', { row: 3, column: 2 }, undefined],
  ])('%s', (_, to, filled) => {
    expect(filledBy(block, to)).toEqual(filled)
  })

  it.each<[string[], number, boolean, string]>([
    [['20 s'], 3, false, '20 s'],
    [['201'], 1, true, '202'],
    [['201'], 1, false, '201'],
    [['201', '203'], 2, false, '205'],
    [['201', '203'], -1, false, '199'],
    [['008', '009'], 2, false, '010'],
    [['Desk 1', 'Desk 2'], 3, false, 'Desk 4'],
    [['201', '202', '204'], 3, true, '201'],
    [['a', 'b'], 5, false, 'b'],
    [['a', 'b'], -1, false, 'b'],
    [['3', '2'], 4, false, '3'],
  ])('continues %j at %i, counted: %s', (texts, offset, counts, text) => {
    expect(continued(texts, offset, counts)).toBe(text)
  })
})

describe('lines', () => {
  const people = [
    { name: 'Joss Arden', ext: '210', town: 'Port Merrow' },
    { name: 'ines marsh', ext: '9', town: '' },
    { name: 'Petra Lunn', ext: '21', town: 'Inlet' },
  ]
  const objects = people.map((each) => bookObject(`user:${each.name}`, {}, { label: each.name }))
  const TITLES = ['Name', 'Ext', 'Town']
  const textOf = (object: { label: string }, title: string): string => {
    const one = people.find((each) => each.name === object.label)
    return (title === 'Name' ? one?.name : title === 'Ext' ? one?.ext : one?.town) ?? ''
  }
  const found = (said: string, order?: { by: string; isDown: boolean }): string[] =>
    inOrder(objects, TITLES, textOf, wantedIn(said), order).map((each) => each.label)

  it('are narrowed by words of any column, by a column, by words kept together', () => {
    expect(found('21')).toEqual(['Joss Arden', 'Petra Lunn'])
    expect(found('PORT arden')).toEqual(['Joss Arden'])
    expect(found('ext: 21 name:petra')).toEqual(['Petra Lunn'])
    expect(found('"port merrow"')).toEqual(['Joss Arden'])
    expect(found('town:"merrow inlet"')).toEqual([])
    expect(found('  ')).toHaveLength(3)
    expect(found('"')).toHaveLength(3)
  })

  it('are sorted by what they say, numbers as numbers, and what says nothing stays last', () => {
    expect(found('', { by: 'Ext', isDown: false })).toEqual(['ines marsh', 'Petra Lunn', 'Joss Arden'])
    expect(found('', { by: 'Name', isDown: true })).toEqual(['Petra Lunn', 'Joss Arden', 'ines marsh'])
    expect(found('', { by: 'Town', isDown: false }).at(-1)).toBe('ines marsh')
    expect(found('', { by: 'Town', isDown: true }).at(-1)).toBe('ines marsh')
  })
})

describe('the chosen columns', () => {
  beforeEach(() => {
    localStorage.clear()
  })

  it('are remembered for each kind, forgotten on request, and a spoiled memory is none', () => {
    keepColumns('user', ['name', 'extension'])
    expect(keptColumns('user')).toEqual(['name', 'extension'])
    expect(keptColumns('group')).toBeUndefined()
    keepColumns('user', undefined)
    expect(keptColumns('user')).toBeUndefined()
    keepColumns('user', ['name'])
    for (const name of Object.keys(localStorage)) localStorage.setItem(name, '{"user')
    expect(keptColumns('user')).toBeUndefined()
  })
})
