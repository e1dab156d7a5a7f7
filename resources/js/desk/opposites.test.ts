import { expect, it } from 'vitest'
import { opposites } from './opposites'
import { INES, object } from './testing'

it('takes back what has come, once nothing names it any more, and leaves alone what is as it was', () => {
  const desk = object('group:desk', { name: 'Desk', members: [{ item: 'ines', who: 'user:ines' }] })
  const now = object('group:desk', {
    name: 'Desk',
    members: [
      { item: 'ines', who: 'user:ines' },
      { item: 'ann', who: 'user:ann' },
    ],
  })

  expect(
    opposites([INES, desk], [INES, now, object('user:ann', {}), object('mailbox:ann', {})]).map((each) => [
      each.op,
      each.object,
      each.path,
      each.value,
    ]),
  ).toEqual([
    [undefined, 'group:desk', 'members', desk.fields.members],
    ['delete', 'user:ann', '', null],
    ['delete', 'mailbox:ann', '', null],
  ])
  expect(opposites([INES], [INES])).toEqual([])
})
