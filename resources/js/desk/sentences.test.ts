import { expect, it } from 'vitest'
import type { Change, Difference } from '@/api'
import { driftLines } from './driftLines'
import { Names } from './names'
import { said, sentencesOf } from './sentences'
import { object } from './testing'

const INES = object('user:ines', { display: 'Ines Marsh' })
const BO = object('user:bo', { display: 'Bo Fell' })
const HALL = object('group:hall', {
  name: 'Hall',
  members: [
    { item: 'ines', who: 'user:ines', tier: 1 },
    { item: 'bo', who: 'user:bo', tier: 2 },
  ],
})
const LINE = object('number:+19025550112', { label: 'Billing line', destination: 'group:hall' })
const NAMES = new Names([INES, BO, HALL, { ...LINE, label: 'Billing line', display: '+1 902 555 0112' }])

function set(ref: string, path: string, before: unknown, after: unknown): Change {
  return { op: 'set', object: ref, label: NAMES.of(ref), path, before, after }
}

const says = (change: Change): string[] => Object.values(said(change, NAMES))

it('says a field as its sheet does, with its unit, and what it was', () => {
  expect(says(set('user:ines', 'legs/desk/seconds', 25, 20))).toEqual(['rings for (desk) 20 s', 'was 25 s'])
  expect(says(set('group:hall', 'order', 'simultaneous', 'sequential'))).toEqual([
    'ring order: top down',
    'was all at once',
  ])
  expect(says(set('user:ines', 'mailbox', null, 'group:hall'))).toEqual(['messages in: Hall', 'was empty'])
  expect(says(set('user:ines', 'email', 'ines@inlet.example', null))).toEqual([
    'mail: nothing',
    'was ines@inlet.example',
  ])
})

it('says who joins and who leaves a list, and what is not as it mostly is', () => {
  const bo = { item: 'bo', who: 'user:bo', tier: 2, share: null, signedIn: true, confirm: true }
  expect(says(set('group:hall', 'members/bo', null, bo))[0]).toBe('members: Bo Fell (tier 2, asks for a key) added')
  expect(says(set('group:hall', 'members/bo', bo, null))[0]).toContain('taken out')
  expect(says(set('group:hall', 'members/bo/tier', 1, 2))).toEqual(['members, Bo Fell, tier: 2', 'was 1'])
  expect(says({ ...set('group:hall', 'members/#order', ['ines', 'bo'], ['bo', 'ines']), op: 'move' })[0]).toBe(
    'members in the order Bo Fell, Ines Marsh',
  )
  const fair = { item: 'fair', name: 'Regatta day', from: '2026-08-08', to: '2026-08-09' }
  expect(says(set('schedule:day', 'exceptions/fair', fair, null))[0]).toMatch(/^exceptions: Regatta day \(.*taken out$/)
  const piece = { item: 'hours-3', days: ['sat'], from: '09:00', to: '12:00', span: null }
  expect(says(set('schedule:day', 'weekly/hours-3', null, piece))[0]).toContain('Sat 09:00–12:00 added')
})

it('says of what is new what its sheet shows of it', () => {
  const made = { op: 'create' as const, object: LINE.ref, label: 'Billing line', path: null, before: null, after: null }
  expect(says(made)[0]).toBe('new in the book: leads to Hall, status in service')
})

it('makes one sentence of what is done alike to several', () => {
  const sentences = sentencesOf(
    [
      set('user:ines', 'legs/desk/seconds', 25, 20),
      set('user:bo', 'legs/desk/seconds', 30, 20),
      set('user:bo', 'email', null, 'bo@inlet.example'),
    ],
    NAMES,
  )
  expect(sentences.map(({ subject, says: what, was }) => [subject, what, was])).toEqual([
    ['2 users', 'rings for (desk) 20 s', 'was 25 s or 30 s'],
    ['Bo Fell', 'mail: bo@inlet.example', 'was empty'],
  ])
})

it('says what differs on the switch, alike things as one line, and what is only there or only here', () => {
  const differs = (
    object: string,
    path: string | null,
    book: unknown,
    live: unknown,
    what: Difference['what'],
  ): Difference => ({
    object,
    label: NAMES.of(object),
    what,
    whose: 'theirs',
    path,
    book,
    live,
    signed: book,
    since: null,
    by: null,
  })
  const rings = [
    differs('user:ines', 'legs/desk/seconds', 20, 25, 'field'),
    differs('user:bo', 'legs/desk/seconds', 20, 25, 'field'),
  ]
  const told = (of: 'switch' | 'book' | 'signed', differences: Difference[]): string[] =>
    driftLines(differences, of, NAMES).map(({ subject, says, against }) => [subject, says, against].join(' | '))

  expect(told('switch', [...rings, differs('group:hall', 'order', 'simultaneous', 'sequential', 'field')])).toEqual([
    '2 users | rings for (desk) 25 s | the book says 20 s',
    'Hall | ring order: top down | the book says all at once',
  ])
  expect(driftLines(rings, 'switch', NAMES)[0]?.differences).toEqual(rings)
  expect(told('book', rings)).toEqual(['2 users | rings for (desk) 20 s | the switch says 25 s'])
  expect(told('signed', rings.slice(0, 1))).toEqual(['Ines Marsh | rings for (desk) 25 s | signed was 20 s'])
  expect(told('switch', [differs('user:bo', 'mailbox', null, 'group:hall', 'field')])).toEqual([
    'Bo Fell | messages in: Hall | the book says nothing',
  ])
  expect(
    told('switch', [
      differs('user:ines', null, null, null, 'missing'),
      differs('group:hall', null, null, null, 'unknown'),
    ]),
  ).toEqual(['Ines Marsh | not on the switch | ', 'Hall | on the switch, and not in the book | '])
  // Of one kind, too: what is missing is not what is unknown.
  expect(
    told('switch', [
      differs('user:ines', null, null, null, 'missing'),
      differs('user:bo', null, null, null, 'unknown'),
    ]),
  ).toEqual(['Ines Marsh | not on the switch | ', 'Bo Fell | on the switch, and not in the book | '])
})
