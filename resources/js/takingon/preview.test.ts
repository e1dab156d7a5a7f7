import { expect, it } from 'vitest'
import { bookObject } from '@/testing'
import { kindsIn, whatItSays } from './preview'

const LABELS = new Map([
  ['user:ines', 'Ines Marsh'],
  ['mailbox:ines', "Ines Marsh's mailbox"],
])

it('says where a number leads by name, and when it leads nowhere', () => {
  const number = bookObject('number:+19025550150', { destination: 'user:ines' })
  expect(whatItSays(number, LABELS)).toBe('+19025550150 leads to Ines Marsh')
  expect(whatItSays(bookObject('number:+19025550150', { destination: null }), LABELS)).toBe(
    '+19025550150 leads to nowhere',
  )
})

it('says of a user every phone and where messages go', () => {
  const user = bookObject('user:ines', { legs: [{ item: 'desk', kind: 'desk', seconds: 20 }], mailbox: 'mailbox:ines' })
  expect(whatItSays(user, LABELS)).toBe("desk phone rings 20 s; messages in Ines Marsh's mailbox")
  expect(whatItSays(bookObject('user:x', { legs: [], mailbox: null }), LABELS)).toBe('no phone')
})

it('keeps each kind together', () => {
  const kinds = kindsIn([bookObject('user:a', {}), bookObject('number:+1', {}), bookObject('user:b', {})])
  expect(kinds.map(({ one, objects, inOne }) => [one, objects.length, inOne])).toEqual([
    ['User', 2, undefined],
    ['Number', 1, undefined],
  ])
})

it('says many of a kind in one line', () => {
  const users = ['a', 'b', 'c', 'd', 'e'].map((key, index) => ({
    ...bookObject(`user:${key}`, {}),
    extension: String(index === 4 ? 99 : 201 + index),
  }))
  expect(kindsIn(users)[0]?.inOne).toBe('a to e, 99 to 204')
})
