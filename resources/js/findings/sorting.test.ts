import { expect, it } from 'vitest'
import type { FindingLine } from '@/api'
import { grouped, wanted } from './sorting'

function line(name: string, rule: string, severity: FindingLine['severity'], more: Partial<FindingLine> = {}): FindingLine {
  return { customer: name.toLowerCase(), name, rule, severity, title: `${name}: ${rule}`, detail: '', object: 'group:desk', count: 1, waived: false, fingerprint: `${name} ${rule}`, firstSeen: '2026-12-01T18:05:00Z', ...more }
}

const LINES = [line('Ardent', 'hours.overlap', 'warning'), line('Pier', 'groups.empty', 'error'), line('Pier', 'hours.overlap', 'warning'), line('Osier', 'names.test-left', 'note', { waived: true })]

it('puts the group with the heaviest finding first, and within it the heaviest line', () => {
  expect(grouped(LINES, 'rule').map((group) => [group.title, group.lines.length])).toEqual([['groups.empty', 1], ['hours.overlap', 2], ['names.test-left', 1]])
  expect(grouped(LINES, 'customer').map((group) => [group.title, group.lines.map((each) => each.severity)])).toEqual([['Pier', ['error', 'warning']], ['Ardent', ['warning']], ['Osier', ['note']]])
})

it('keeps what is of a weight or heavier, stands or is waived, and holds every word', () => {
  expect(wanted(LINES, { weight: 'error', waived: false, words: '' }).map((each) => each.name)).toEqual(['Pier'])
  expect(wanted(LINES, { weight: 'any', waived: true, words: '' }).map((each) => each.name)).toEqual(['Osier'])
  expect(wanted(LINES, { weight: 'any', waived: false, words: 'overlap  ARD' }).map((each) => each.name)).toEqual(['Ardent'])
})
