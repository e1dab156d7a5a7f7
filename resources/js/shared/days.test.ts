import { expect, it } from 'vitest'
import { readDay } from './days'

const ZONE = 'America/Halifax'
/** Tuesday the 1st of December 2026, ten in the evening there: already Wednesday in UTC. */
const NOW = new Date('2026-12-02T02:00:00Z')

it.each([
  ['2026-12-24', '2026-12-24'],
  ['2026/1/5', '2026-01-05'],
  ['today', '2026-12-01'],
  ['Tomorrow', '2026-12-02'],
  ['in 2 weeks', '2026-12-15'],
  ['in a month', '2027-01-01'],
  ['24 Dec', '2026-12-24'],
  ['24th of December', '2026-12-24'],
  ['Dec 24, 2027', '2027-12-24'],
  ['Thu 24 Dec 2026', '2026-12-24'],
  ['1 dec', '2026-12-01'],
  ['30 nov', '2027-11-30'],
  ['29 Feb', '2028-02-29'],
  ['31.12.', '2026-12-31'],
  ['1. 2. 27', '2027-02-01'],
  ['24/12', '2026-12-24'],
  ['12/24/2026', '2026-12-24'],
  ['5/5', '2027-05-05'],
  ['fri', '2026-12-04'],
  ['next Tuesday', '2026-12-08'],
])('reads %s', (typed, day) => {
  expect(readDay(typed, ZONE, NOW)).toBe(day)
})

it.each([
  'xx',
  '',
  '5/6',
  '31 Feb 2026',
  '2026-02-30',
  '32.1.',
  'Wed 24 Dec 2026',
  '12',
  'someday',
  'friyay',
  '24 Smarch',
])('takes %s for no day, or for more than one', (typed) => {
  expect(readDay(typed, ZONE, NOW)).toBeUndefined()
})

it.each([
  ['30 nov', '2026-11-30'],
  ['1 dec', '2026-12-01'],
  ['2 dec', '2025-12-02'],
  ['29 Feb', '2024-02-29'],
  ['24.12.', '2025-12-24'],
  ['fri', '2026-11-27'],
  ['tue', '2026-12-01'],
  ['last tue', '2026-11-24'],
  ['next fri', '2026-12-04'],
  ['yesterday', '2026-11-30'],
  ['2 weeks ago', '2026-11-17'],
  ['20 Nov 2027', '2027-11-20'],
])('reads %s of something that was', (typed, day) => {
  expect(readDay(typed, ZONE, NOW, 'last')).toBe(day)
})

it('reads what was even where something is to come', () => {
  expect(['yesterday', 'a week ago', 'last fri'].map((typed) => readDay(typed, ZONE, NOW))).toEqual([
    '2026-11-30',
    '2026-11-24',
    '2026-11-27',
  ])
})
