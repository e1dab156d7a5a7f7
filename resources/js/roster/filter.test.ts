import { describe, expect, it } from 'vitest'
import type { CustomerLine } from '@/api'
import { filtered, OPEN, sorted } from './filter'

function line(name: string, more: Partial<CustomerLine> = {}): CustomerLine {
  return {
    key: name.toLowerCase(), name, stage: 'building', zone: 'America/Halifax', mainNumber: null, leadsTo: null, objects: 4, revision: 1,
    differences: null, liveReadAt: null, pushedRevision: null, pushedAt: null, lookedAfterBy: null, ...more,
  }
}

const names = (lines: CustomerLine[]): string[] => lines.map((each) => each.name)

describe('the filter sentence', () => {
  const lines = [
    line('Ardent', { differences: 2, lookedAfterBy: 'LK', mainNumber: '+1 902-555-0110' }),
    line('Boatyard', { differences: 0, stage: 'in-service' }),
    line('Cannery'),
  ]

  it('tells drift, none and never read apart', () => {
    expect(names(filtered(lines, { ...OPEN, drift: 'some' }))).toEqual(['Ardent'])
    expect(names(filtered(lines, { ...OPEN, drift: 'none' }))).toEqual(['Boatyard'])
    expect(names(filtered(lines, { ...OPEN, drift: 'unread' }))).toEqual(['Cannery'])
  })

  it('finds a number however it is written', () => {
    expect(names(filtered(lines, { ...OPEN, words: '902 5550110' }))).toEqual(['Ardent'])
    expect(names(filtered(lines, { ...OPEN, words: '902-555' }))).toEqual(['Ardent'])
    expect(filtered(lines, { ...OPEN, words: '0199' })).toEqual([])
  })

  it('holds every part at once', () => {
    expect(filtered(lines, { stage: 'in-service', drift: 'some', who: '', words: '' })).toEqual([])
    expect(names(filtered(lines, { stage: 'building', drift: 'some', who: 'LK', words: 'ard' }))).toEqual(['Ardent'])
  })
})

describe('sorting', () => {
  it('keeps lines with nothing to sort by at the end, up or down', () => {
    const lines = [line('A'), line('B', { differences: 10 }), line('C', { differences: 9 })]
    expect(names(sorted(lines, { by: 'differences', down: false }))).toEqual(['C', 'B', 'A'])
    expect(names(sorted(lines, { by: 'differences', down: true }))).toEqual(['B', 'C', 'A'])
  })
})
