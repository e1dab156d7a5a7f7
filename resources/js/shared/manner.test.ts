import { afterEach, expect, it } from 'vitest'
import { readDay } from './days'
import { dateThere, dayThere, timeThere } from './format'
import {
  count,
  dayInWords,
  figure,
  hourInWords,
  inManner,
  readFigure,
  readHours,
  readTime,
  setManner,
  timeInWords,
  USUAL,
  type Manner,
} from './manner'

afterEach(() => {
  setManner(USUAL)
})

const AMERICAN: Manner = { clock: '12', days: 'monthFirst', numbers: 'comma' }

it('says times and days as the technician reads them', () => {
  const at = new Date('2026-12-01T18:05:00Z')
  const said = (): string[] => [
    timeInWords('00:00'),
    timeInWords('12:30'),
    timeInWords('17:00'),
    timeInWords('24:00'),
    hourInWords(8),
    dayInWords('2026-12-24'),
    dayInWords('2026-12-24', false),
    timeThere(at, 'America/Halifax'),
    dateThere('2026-12-01T04:30:00Z', 'America/Vancouver'),
    dayThere('2026-12-01T17:00:00Z', 'America/Halifax', at),
    dayThere('2026-11-24T17:00:00Z', 'America/Halifax', at),
    dayThere('2025-11-24T17:00:00Z', 'America/Halifax', at),
  ]
  expect(said().join(' | ')).toBe(
    '00:00 | 12:30 | 17:00 | 24:00 | 08 | Thu 24 Dec 2026 | Thu 24 Dec | Tue 14:05 | 30 Nov 2026, 20:30 | 13:00 | ' +
      '24 Nov | 24 Nov 2025',
  )
  setManner(AMERICAN)
  expect(said().join(' | ')).toBe(
    '12:00 am | 12:30 pm | 5:00 pm | 12:00 am | 8a | Thu Dec 24, 2026 | Thu Dec 24 | Tue 2:05 pm | ' +
      'Nov 30, 2026, 8:30 pm | 1:00 pm | Nov 24 | Nov 24, 2025',
  )
  setManner({ ...AMERICAN, days: 'yearFirst' })
  expect([dayInWords('2026-12-24'), dayInWords('2026-12-24', false)]).toEqual(['Thu 2026-12-24', 'Thu 12-24'])
})

it('says them so in sentences of the server, and leaves alone what is no time', () => {
  const sentence = 'Open from Mon 08:00 to Fri 17:00 until Thu 24 Dec 2026; device 00:1b:2c:10:20:30, 24:10:00'
  expect(inManner(sentence)).toBe(sentence)
  setManner(AMERICAN)
  expect(inManner(sentence)).toBe(
    'Open from Mon 8:00 am to Fri 5:00 pm until Thu Dec 24, 2026; device 00:1b:2c:10:20:30, 24:10:00',
  )
})

it('says thousands apart', () => {
  const said = (numbers: Manner['numbers']): string => {
    setManner({ ...USUAL, numbers })
    return [count(999), count(8760), count(1234567)].join(' ')
  }
  expect([said('comma'), said('dot'), said('space')]).toEqual([
    '999 8,760 1,234,567',
    '999 8.760 1.234.567',
    '999 8\u202f760 1\u202f234\u202f567',
  ])
})

it('reads times as people type them, and refuses what is none', () => {
  const times = ['8', '8:00', '08:00', '8.30', '0830', '17h30', '8am', '8:15 a.m.', '12am', '12 pm', '5:30PM', 'noon']
  expect(times.map(readTime)).toEqual(
    '08:00 08:00 08:00 08:30 08:30 17:30 08:00 08:15 00:00 12:00 17:30 12:00'.split(' '),
  )
  expect(['24:00', 'midnight'].map(readTime)).toEqual(['24:00', '00:00'])
  for (const none of ['', 'xx', '25', '24:30', '8:60', '13 pm', '0 am', '8:5', '8 oclock', '-1'])
    expect(readTime(none), none).toBeUndefined()
})

it('reads back whatever it says, in every manner', () => {
  const now = new Date('2026-12-01T18:05:00Z')
  for (const clock of ['24', '12'] as const)
    for (const days of ['dayFirst', 'monthFirst', 'yearFirst'] as const) {
      setManner({ ...USUAL, clock, days })
      for (let minute = 0; minute < 1440; minute += 7) {
        const time = new Date(minute * 60_000).toISOString().slice(11, 16)
        expect(readTime(timeInWords(time)), time).toBe(time)
      }
      for (let day = 0; day < 800; day += 13) {
        const date = new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10)
        expect(readDay(dayInWords(date), 'America/Halifax', now), date).toBe(date)
      }
    }
})

it('reads a measured number as people write it, and leaves what is none to be refused', () => {
  expect(['9.2', '9,2', ' 48 Mbit/s', '1 %', '31ms', '0', '', '-'].map(readFigure)).toEqual([
    9.2,
    9.2,
    48,
    1,
    31,
    0,
    null,
    null,
  ])
  expect(['xx', '1,395', 'ms', '9.2.1', '∞'].map(readFigure)).toEqual(['xx', '1,395', 'ms', '9.2.1', '∞'])
  expect([figure(1395.25), figure(0.1 + 0.2), figure(48)]).toEqual(['1,395.25', '0.3', '48'])
})

it('reads hours as people write them, and leaves what are none to be refused', () => {
  expect(['9-12', '9 to noon', '9:00 – 11:30', '8 am until 5pm', '09:00-12:00'].map(readHours)).toEqual([
    '09:00-12:00',
    '09:00-12:00',
    '09:00-11:30',
    '08:00-17:00',
    '09:00-12:00',
  ])
  expect(['', 'xx', '9', '9-12-15', '9 to 25'].map(readHours)).toEqual(['', 'xx', '9', '9-12-15', '9 to 25'])
})
