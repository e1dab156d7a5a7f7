import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, fakeServer, open, SESSION, settle } from '@/testing'
import ActivityView from './ActivityView.vue'

const ENTRY = {
  id: 7,
  at: '2026-12-01T18:05:00Z',
  who: 'Lena Kestrel',
  customer: 'inlet',
  customerName: 'Inlet Property Care',
  what: 'edited the draft',
  told: [{ name: 'revision', said: '4' }],
  changes: [{ object: 'user:ines', path: 'email', op: 'set', before: 'old@inlet.example', after: null }],
  count: null,
}
const PAGE = { whats: ['edited the draft', 'signed in'], people: [{ code: 'sol@x.example', name: 'Sol Ormerod' }] }

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

it('tells before and after, goes on to older entries, and narrows by the address', async () => {
  const asked: string[] = []
  fakeServer({
    'GET /session': SESSION,
    'GET /customers': { customers: [] },
    'GET /activity': (_: unknown, url: URL) => {
      asked.push(url.search)
      const isFirst = url.searchParams.get('before') === null
      return { ...PAGE, entries: [{ ...ENTRY, id: isFirst ? 7 : 3 }], next: isFirst ? 7 : null }
    },
  })
  const opened = await open(ActivityView, '/activity?customer=inlet')
  page = opened.page
  await settle()

  expect(page.get('del').text()).toBe('old@inlet.example')
  expect(page.get('[data-testid=activity]').text()).toContain('user:ines email')
  expect(page.get('a[download]').attributes('href')).toBe('/api/activity.csv?customer=inlet')
  await page
    .findAll('button')
    .find((each) => each.text() === 'Show older')
    ?.trigger('click')
  await settle()
  expect(page.findAll('tbody tr')).toHaveLength(2)
  expect(page.text()).toContain('That is all.')
  expect(asked).toEqual(['?customer=inlet', '?customer=inlet&before=7'])
})

it('says so where nothing of the kind was done', async () => {
  fakeServer({
    'GET /session': SESSION,
    'GET /customers': { customers: [] },
    'GET /activity': { ...PAGE, entries: [], next: null },
  })
  page = (await open(ActivityView, '/activity?words=nothing')).page
  await settle()

  expect(page.text()).toContain('Nothing of the kind was done')
})

it('looks further back where nothing of the kind is among the latest', async () => {
  fakeServer({
    'GET /session': SESSION,
    'GET /customers': { customers: [] },
    'GET /activity': (_: unknown, url: URL) =>
      url.searchParams.has('before')
        ? { ...PAGE, entries: [{ ...ENTRY, id: 3 }], next: null }
        : { ...PAGE, entries: [], next: 100 },
  })
  page = (await open(ActivityView, '/activity?words=ines')).page
  await settle()
  expect(page.text()).toContain('there are older ones')

  await page
    .findAll('button')
    .find((each) => each.text() === 'Show older')
    ?.trigger('click')
  await settle()
  expect(page.findAll('[data-testid=activity] tbody tr')).toHaveLength(1)
})
