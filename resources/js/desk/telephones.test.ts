import { afterEach, expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import type { ObjectOf } from '@/api'
import { close, Refused, settle } from '@/testing'
import FeaturesChapter from './chapters/FeaturesChapter.vue'
import TelephonesChapter from './chapters/TelephonesChapter.vue'
import { exchanged, withKey, withLamps } from './keyPlan'
import { asChange, deskOf, EDITS, INES, JOSS, MEANT, meaning, object, openPart, sent } from './testing'

let page: VueWrapper
afterEach(() => {
  close(page)
})

const HALL = object('parkPlace:hall', { name: 'Hall', extension: '701' })
const SET: ObjectOf<'device'> = object('device:front', {
  name: 'Front desk',
  model: 'harbour-12',
  hardware: '020000000001',
  lines: [{ item: 'own', user: 'user:ines' }],
  keys: [
    { item: 'hall', at: 2, kind: 'park', to: 'parkPlace:hall' },
    { item: 'far', at: 40, kind: 'lamp', to: 'user:joss' },
  ],
})
const OTHER = object('device:back', { name: 'Back office', model: 'harbour-12' })
const MODELS = {
  models: [{ key: 'harbour-12', name: 'Harbour 12', lines: 12, keys: 12, pages: 3, can: ['page'] }],
  codes: { pickUp: '*8', intercom: '*5' },
  heard: [],
  readAt: '2026-12-01T18:05:00Z',
  trouble: null,
  secrets: {},
}
const BOOK = [SET, OTHER, INES, JOSS, HALL]
const HANDLERS = { 'GET /customers/inlet/telephones': MODELS, [EDITS]: asChange(deskOf(BOOK)) }

async function opened(handlers: Record<string, unknown> = HANDLERS): Promise<() => unknown> {
  const made = await openPart(TelephonesChapter, BOOK, handlers, { at: 'device:front' })
  page = made.page
  await settle()
  return () => sent(made.server)
}
const keysOf = (edits: unknown): unknown =>
  (edits as { value: ObjectOf<'device'>['fields']['keys'] }[])[0]?.value.map((each) => [each.at, each.kind, each.to])

it('lays keys out by hand: filled, exchanged with the next, copied and cleared, one edit each', async () => {
  const edits = await opened()
  const key = (at: number): ReturnType<typeof page.get> => page.get(`[data-at="${at}"]`)
  expect(key(2).text()).toContain('Hall')
  expect(page.get('[data-testid=key-plan]').text()).toContain('Beyond the last key of this model')

  await key(1).trigger('keydown', { key: 'Enter' })
  await settle()
  expect(keysOf(edits())).toEqual([
    [1, 'lamp', null],
    [2, 'park', 'parkPlace:hall'],
    [40, 'lamp', 'user:joss'],
  ])
  await key(2).trigger('keydown', { key: 'ArrowDown', altKey: true })
  await settle()
  expect(keysOf(edits())).toEqual([
    [3, 'park', 'parkPlace:hall'],
    [40, 'lamp', 'user:joss'],
  ])
  await key(2).trigger('keydown', { key: 'c', ctrlKey: true })
  await key(5).trigger('keydown', { key: 'v', ctrlKey: true })
  await settle()
  expect(keysOf(edits())).toContainEqual([5, 'park', 'parkPlace:hall'])
  await key(2).trigger('keydown', { key: 'Delete' })
  await settle()
  expect(keysOf(edits())).toEqual([[40, 'lamp', 'user:joss']])
})

it('goes from key to key by arrows, to the other column and to the next page', async () => {
  await opened()
  const focused = (): string | null => document.activeElement?.getAttribute('data-at') ?? null
  await page.get('[data-at="2"]').trigger('keydown', { key: 'ArrowRight' })
  await settle()
  expect(focused()).toBe('8')
  await page.get('[data-at="8"]').trigger('keydown', { key: 'PageDown' })
  await settle()
  expect(focused()).toBe('20')
  expect(page.find('[data-at="2"]').exists()).toBe(false)
  await page.get('[data-at="20"]').trigger('keydown', { key: 'ArrowLeft' })
  await settle()
  expect(focused()).toBe('14')
})

it('gives a line to somebody together with a telephone of theirs that rings, and keeps who is nobody', async () => {
  const edits = await opened({ ...HANDLERS, [MEANT]: meaning({ '202': 'user:joss' }) })
  await page.get('input[aria-label="Whose calls ring at it"]').setValue('202; xx')
  await page.get('[data-testid=owners] + form').trigger('submit')
  await settle()
  expect(edits()).toMatchObject([
    { object: 'device:front', path: 'lines', value: [{ user: 'user:ines' }, { user: 'user:joss' }] },
    { object: 'user:joss', path: 'legs', value: [{ kind: 'desk', device: 'device:front' }] },
  ])
  expect(page.get<HTMLInputElement>('input[aria-label="Whose calls ring at it"]').element.value).toBe('xx')
})

it('shows no keys where it is not known which models there are', async () => {
  await opened({ ...HANDLERS, 'GET /customers/inlet/telephones': () => new Refused(503, { detail: 'down' }) })
  expect(page.find('[data-testid=key-plan]').exists()).toBe(false)
  expect(page.get('[role=alert]').text()).toContain('could not be asked')
})

it('takes the codes of the switch over that are otherwise, and adds a speed dial that can be read', async () => {
  const tenant = object('tenant:inlet', { features: { codes: { pickUp: '*7', intercom: '*5' } } })
  const made = await openPart(FeaturesChapter, [tenant, INES], {
    ...HANDLERS,
    [EDITS]: asChange(deskOf([tenant, INES])),
    [MEANT]: (body: unknown) => meaning({ '902 555 0181': 'outside:+19025550181' })(body),
  })
  page = made.page
  await settle()
  const press = async (text: string): Promise<void> => {
    await page
      .findAll('button')
      .find((each) => each.text() === text)
      ?.trigger('click')
    await settle()
  }
  await press('Use the switch’s codes')
  expect(sent(made.server)).toMatchObject([{ path: 'features/codes/pickUp', value: '*8' }])

  await page.get('[aria-label="Digits of a speed dial"]').setValue('1x')
  await page.get('[aria-label="Number of a speed dial"]').setValue('902 555 0181')
  await page.get('[data-testid=codes] form').trigger('submit')
  await settle()
  expect(page.get('[data-testid=codes] [role=alert]').text()).toBe('A speed dial is one to four digits, not “1x”.')
  await page.get('[aria-label="Digits of a speed dial"]').setValue('1')
  await page.get('[data-testid=codes] form').trigger('submit')
  await settle()
  expect(sent(made.server)).toMatchObject([
    { path: 'features/speedDials', value: [{ item: 'dial-1', digits: '1', number: '+19025550181' }] },
  ])
})

it('never lays two keys on one place, and loses none', () => {
  let keys = SET.fields.keys
  for (let step = 0; step < 200; step++) {
    const [one, other] = [1 + ((step * 7) % 12), 1 + ((step * 5) % 12)]
    const before = new Set(keys.map((each) => each.to))
    keys =
      step % 3 === 0
        ? withKey(keys, one, { kind: 'lamp', to: `user:u${step}` })
        : step % 3 === 1
          ? exchanged(keys, one, other)
          : withLamps(keys, ['user:ines', 'user:joss'], 12).keys
    expect(new Set(keys.map((each) => each.at)).size).toBe(keys.length)
    expect(new Set(keys.map((each) => each.item)).size).toBe(keys.length)
    if (step % 3 !== 0) for (const to of before) expect(keys.some((each) => each.to === to)).toBe(true)
  }
  expect(withLamps(keys, ['user:new', 'user:newer'], 0).left).toBe(2)
})
