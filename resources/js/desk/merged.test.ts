import { expect, it } from 'vitest'
import type { BookObject, Desk, DeskChange } from '@/api'
import { merged } from './merged'
import { object } from './testing'

const [INES, JOSS, PETRA] = [object('user:ines'), object('user:joss'), object('user:petra')]
const [DESK, NIGHT] = [object('group:desk'), object('group:night')]

function deskOf(...objects: BookObject[]): Desk {
  return {
    key: 'inlet',
    revision: 3,
    may: 'push',
    numbers: { '+19025550178': '+1 902 555 0178' },
    objects,
    draft: NO_DRAFT,
  }
}

const NO_DRAFT = { changes: [], clashes: [] }

function change(more: Partial<DeskChange>): DeskChange {
  return { key: 'inlet', revision: 3, objects: [], gone: [], order: {}, numbers: {}, draft: NO_DRAFT, ...more }
}

const refs = (desk: Desk | undefined): string[] | undefined => desk?.objects.map((each) => each.ref)

it('puts another object in the place of the one it was, and leaves the others as they are', () => {
  const joss = object('user:joss', { display: 'Joss A.' })
  const desk = merged(deskOf(INES, JOSS, DESK), change({ objects: [joss], numbers: { '+1902': '+1 902' } }))
  expect(desk?.objects).toEqual([INES, joss, DESK])
  expect([desk?.objects[0] === INES, desk?.numbers]).toEqual([
    true,
    { '+19025550178': '+1 902 555 0178', '+1902': '+1 902' },
  ])
})

it('takes out what is gone', () => {
  expect(refs(merged(deskOf(INES, JOSS, DESK), change({ gone: ['user:joss', 'user:nobody'] })))).toEqual([
    'user:ines',
    'group:desk',
  ])
})

it('puts what came where the book has it, among those of its kind', () => {
  const desk = merged(
    deskOf(INES, PETRA, DESK),
    change({
      objects: [JOSS, NIGHT],
      order: { user: ['user:ines', 'user:joss', 'user:petra'], group: ['group:desk', 'group:night'] },
    }),
  )
  expect(refs(desk)).toEqual(['user:ines', 'user:joss', 'user:petra', 'group:desk', 'group:night'])
})

it('puts the first of a kind at the end', () => {
  expect(refs(merged(deskOf(INES), change({ objects: [DESK], order: { group: ['group:desk'] } })))).toEqual([
    'user:ines',
    'group:desk',
  ])
})

it('knows nothing of a book that somebody entered meanwhile', () => {
  expect(merged(deskOf(INES), change({ revision: 4, objects: [JOSS] }))).toBeUndefined()
})
