import { describe, expect, it } from 'vitest'
import type { CustomerLine } from '@/api'
import { filtered, OPEN, sorted } from './filter'

function line(name: string, more: Partial<CustomerLine> = {}): CustomerLine {
  return {
    key: name.toLowerCase(),
    name,
    stage: 'building',
    zone: 'America/Halifax',
    mainNumber: null,
    leadsTo: null,
    objects: 4,
    revision: 1,
    differences: null,
    liveReadAt: null,
    pushedRevision: null,
    pushedAt: null,
    place: null,
    region: 'CA',
    strip: null,
    findings: { blocker: 0, error: 0, warning: 0, note: 0 },
    callersNotice: null,
    next: null,
    lookedAfterBy: null,
    ...more,
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

  it('finds what was entered and not pushed yet, also where nothing ever was', () => {
    const pushed = line('Dunes', { revision: 3, pushedRevision: 3 })
    const behind = line('Ebb', { revision: 3, pushedRevision: 2 })
    expect(names(filtered([pushed, behind, line('Ferry')], { ...OPEN, drift: 'behind' }))).toEqual(['Ebb', 'Ferry'])
  })

  it('finds a number however it is written', () => {
    expect(names(filtered(lines, { ...OPEN, words: '902 5550110' }))).toEqual(['Ardent'])
    expect(names(filtered(lines, { ...OPEN, words: '902-555' }))).toEqual(['Ardent'])
    expect(filtered(lines, { ...OPEN, words: '0199' })).toEqual([])
  })

  it('holds every part at once', () => {
    expect(filtered(lines, { ...OPEN, stage: 'in-service', drift: 'some' })).toEqual([])
    expect(names(filtered(lines, { ...OPEN, stage: 'building', drift: 'some', who: 'LK', words: 'ard' }))).toEqual([
      'Ardent',
    ])
  })
})

describe('findings and regions', () => {
  const of = (blocker: number, error: number, warning: number, note: number): Partial<CustomerLine> => ({
    findings: { blocker, error, warning, note },
  })
  const lines = [
    line('Lost', of(1, 0, 0, 0)),
    line('Wrong', of(0, 2, 0, 0)),
    line('Trap', { ...of(0, 0, 1, 5), region: 'GB', callersNotice: true }),
    line('Sound'),
  ]

  it('takes a weight and what is heavier', () => {
    expect(names(filtered(lines, { ...OPEN, findings: 'error' }))).toEqual(['Lost', 'Wrong'])
    expect(names(filtered(lines, { ...OPEN, findings: 'warning' }))).toEqual(['Lost', 'Wrong', 'Trap'])
    expect(names(filtered(lines, { ...OPEN, findings: 'none' }))).toEqual(['Sound'])
    expect(names(filtered(lines, { ...OPEN, region: 'GB' }))).toEqual(['Trap'])
    expect(names(filtered(lines, { ...OPEN, drift: 'noticed' }))).toEqual(['Trap'])
  })

  it('sorts one heavy finding over many light ones', () => {
    expect(names(sorted(lines, { by: 'findings', down: true }))).toEqual(['Lost', 'Wrong', 'Trap', 'Sound'])
  })
})

describe('sorting', () => {
  it('keeps lines with nothing to sort by at the end, up or down', () => {
    const lines = [line('A'), line('B', { differences: 10 }), line('C', { differences: 9 })]
    expect(names(sorted(lines, { by: 'differences', down: false }))).toEqual(['C', 'B', 'A'])
    expect(names(sorted(lines, { by: 'differences', down: true }))).toEqual(['B', 'C', 'A'])
  })
})
