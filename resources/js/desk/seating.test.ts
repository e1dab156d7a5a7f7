import { expect, it } from 'vitest'
import { Seating } from './seating'
import { FLOORED, SEATED } from './testing'

const brief = (edits: { object: string; path: string; value: unknown }[]): unknown[] =>
  edits.map((each) => [each.object, each.path, each.value])

it('frees the place somebody had, and tells help services where they sit now and nothing of who left', () => {
  const seating = new Seating(FLOORED, SEATED)

  expect(brief(seating.seat('a', 'user:joss'))).toEqual([
    ['user:ines', 'emergency/floor', null],
    ['user:ines', 'emergency/room', null],
    ['site:office', 'workplaces/c/who', null],
    ['site:office', 'workplaces/a/who', 'user:joss'],
    ['user:joss', 'emergency/floor', 'Ground floor'],
    ['user:joss', 'emergency/room', '1.01'],
  ])
  // What was told of joss is of no plan: it stays as somebody typed it.
  expect(brief(seating.seat('c', null))).toEqual([['site:office', 'workplaces/c/who', null]])
  expect(seating.seat('a', 'user:ines')).toEqual([])
  expect(brief(seating.room('a', '1.02'))).toEqual([
    ['site:office', 'workplaces/a/room', '1.02'],
    ['user:ines', 'emergency/room', '1.02'],
  ])
  expect(brief(seating.removed('a'))).toEqual([
    ['user:ines', 'emergency/floor', null],
    ['user:ines', 'emergency/room', null],
    ['site:office', 'workplaces', FLOORED.fields.workplaces.slice(1)],
  ])
  expect(seating.removed()).toEqual([])
  expect(seating.unplaced.map((each) => each.ref)).toEqual(['user:ana'])
  expect(seating.added('1', 3, 4).item).toBe('place-4')
})
