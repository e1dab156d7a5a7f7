import { expect, it } from 'vitest'
import { setClock } from '@/shared'
import { clockMoved } from './clockMoves'
import { object } from './testing'

const TENANT = object('tenant:inlet', { name: 'Inlet', zone: 'America/Halifax' })
const EAST = object('site:east', { name: 'East', zone: null })
const WEST = object('site:west', { name: 'West', zone: 'America/Vancouver' })
const NEAR = object('site:near', { name: 'Near', zone: 'America/Moncton' })
const GREETING = object('attendant:main', { name: 'Main greeting', schedule: 'schedule:hours', zone: null })
const BOOK = [TENANT, EAST, WEST, NEAR, GREETING]
const moved = (to: string, from: string, book = BOOK): string | undefined =>
  clockMoved(
    book,
    [{ object: 'attendant:main', path: 'site', value: to }],
    [{ object: 'attendant:main', path: 'site', value: from }],
  )?.text

setClock('2026-12-01T18:05:00Z', true)
it('tells by how much the hours of what moved to another clock shift, and what to look at', () => {
  expect(moved('site:west', 'site:east')).toBe(
    'Main greeting reads its hours by the clock of Vancouver now: it opens and closes 4 hours later than at Halifax. ' +
      'Look over what callers notice before you enter it.',
  )
  expect(moved('site:east', 'site:west')).toContain('4 hours earlier than at Vancouver')
})

it('says nothing where the clocks agree, where there are no hours, or where it has a clock of its own', () => {
  expect(moved('site:near', 'site:east')).toBeUndefined()
  const without = object('attendant:main', { name: 'Main greeting', schedule: null, zone: null })
  expect(moved('site:west', 'site:east', [TENANT, EAST, WEST, without])).toBeUndefined()
  const own = object('attendant:main', { name: 'Main greeting', schedule: 'schedule:hours', zone: 'America/Toronto' })
  expect(moved('site:west', 'site:east', [TENANT, EAST, WEST, own])).toBeUndefined()
})

it('tells of clocks that agree for half of the year only', () => {
  const desert = object('site:desert', { name: 'Desert', zone: 'America/Phoenix' })
  const mountain = object('site:mountain', { name: 'Mountain', zone: 'America/Denver' })
  expect(moved('site:desert', 'site:mountain', [TENANT, desert, mountain, GREETING])).toContain(
    'as before now, and 1 hour later than at Denver in the other half of the year',
  )
})

it('tells how many moved at once', () => {
  const second = object('attendant:night', { name: 'Night greeting', schedule: 'schedule:hours', zone: null })
  const refs = ['attendant:main', 'attendant:night']
  const told = clockMoved(
    [...BOOK, second],
    refs.map((each) => ({ object: each, path: 'site', value: 'site:west' })),
    refs.map((each) => ({ object: each, path: 'site', value: 'site:east' })),
  )
  expect(told?.text).toContain('So does one other.')
})
