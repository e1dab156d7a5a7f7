import { expect, it } from 'vitest'
import type { BookObject } from '@/api'
import { kindsIn, whatItSays } from './preview'

function object(ref: string, fields: Record<string, unknown>, refersTo: Record<string, string> = {}): BookObject {
  const [kind, key] = ref.split(':') as [BookObject['kind'], string]
  return { ref, kind, key, label: key, display: null, extension: null, fields, refersTo }
}

it('says where a number leads by name, and when it leads nowhere', () => {
  const number = object('number:+19025550150', { destination: 'user:ines' }, { 'user:ines': 'Ines Marsh' })
  expect(whatItSays(number)).toBe('+19025550150 leads to Ines Marsh')
  expect(whatItSays(object('number:+19025550150', { destination: null }))).toBe('+19025550150 leads to nowhere')
})

it('says of a user every phone and where messages go', () => {
  const user = object('user:ines', { legs: [{ item: 'desk', kind: 'desk', seconds: 20 }], mailbox: 'mailbox:ines' }, { 'mailbox:ines': "Ines Marsh's mailbox" })
  expect(whatItSays(user)).toBe("desk phone rings 20 s; messages in Ines Marsh's mailbox")
  expect(whatItSays(object('user:x', { legs: [], mailbox: null }))).toBe('no phone')
})

it('keeps each kind together', () => {
  const kinds = kindsIn([object('user:a', {}), object('number:+1', {}), object('user:b', {})])
  expect(kinds.map(({ one, objects, inOne }) => [one, objects.length, inOne])).toEqual([['User', 2, undefined], ['Number', 1, undefined]])
})

it('says many of a kind in one line', () => {
  const users = ['a', 'b', 'c', 'd', 'e'].map((key, index) => ({ ...object(`user:${key}`, {}), extension: String(index === 4 ? 99 : 201 + index) }))
  expect(kindsIn(users)[0]?.inOne).toBe('a to e, 99 to 204')
})
