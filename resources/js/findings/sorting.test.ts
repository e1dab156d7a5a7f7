import { expect, it } from 'vitest'
import type { FindingLine } from '@/api'
import { isDue, wanted, type Wanted } from './sorting'

function line(
  name: string,
  rule: string,
  severity: FindingLine['severity'],
  more: Partial<FindingLine> = {},
): FindingLine {
  return {
    customer: name.toLowerCase(),
    name,
    zone: 'America/Halifax',
    rule,
    severity,
    title: `${name}: ${rule}`,
    detail: '',
    object: 'group:desk',
    count: 1,
    waived: false,
    fingerprint: `${name} ${rule}`,
    fix: null,
    revision: null,
    assignee: null,
    due: null,
    firstSeen: '2026-11-01T18:05:00Z',
    lastSeen: '2026-12-01T18:05:00Z',
    ...more,
  }
}

const LINES = [
  line('Ardent', 'hours.overlap', 'warning'),
  line('Pier', 'groups.empty', 'error'),
  line('Pier', 'hours.overlap', 'warning'),
  line('Osier', 'names.test-left', 'note', { waived: true }),
]

const NOW = new Date('2026-12-01T18:05:00Z')
const names = (asked: Partial<Wanted>, lines = LINES): string[] =>
  wanted(lines, { weight: 'any', kind: 'standing', words: '', ...asked }, 'me', NOW).map((each) => each.name)

it('keeps what is of a weight or heavier, and holds every word', () => {
  expect(names({ weight: 'error' })).toEqual(['Pier'])
  expect(names({ words: 'overlap  ARD' })).toEqual(['Ardent'])
})

it('keeps what is of a kind; what is waived is of no other', () => {
  const lines = [
    line('Fresh', 'a.b', 'note', { firstSeen: '2026-11-30T18:05:00Z' }),
    line('Older', 'a.b', 'note', { firstSeen: '2026-11-30T18:04:59Z', fix: 'Do it' }),
    line('Mine', 'a.b', 'note', { assignee: 'me', due: '2026-12-02' }),
    line('Due', 'a.b', 'note', { assignee: 'other', due: '2026-12-01' }),
    line('Waived', 'a.b', 'note', { waived: true, fix: 'Do it', due: '2026-01-01' }),
  ]
  expect(names({ kind: 'fresh' }, lines)).toEqual(['Fresh'])
  expect(names({ kind: 'mine' }, lines)).toEqual(['Mine'])
  expect(names({ kind: 'nobodys' }, lines)).toEqual(['Fresh', 'Older'])
  expect(names({ kind: 'due' }, lines)).toEqual(['Due'])
  expect(names({ kind: 'mendable' }, lines)).toEqual(['Older'])
  expect(names({ kind: 'waived' }, lines)).toEqual(['Waived'])
})

it("counts a finding as due by the day at the customer's, not by that of Greenwich", () => {
  const due = (day: string): FindingLine => line('Due', 'a.b', 'note', { due: day })
  // Eight in the evening at Halifax; in UTC it is the next day already.
  const evening = new Date('2026-12-02T00:00:00Z')
  expect(isDue(due('2026-12-01'), evening)).toBe(true)
  expect(isDue(due('2026-12-02'), evening)).toBe(false)
})
