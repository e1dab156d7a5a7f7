import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import type { CustomerLine } from '@/api'
import { setClock } from '@/shared'
import { choose, close, fakeServer, key, NOTHING_LIVE, open, PRACTICE, Refused, SESSION, settle } from '@/testing'
import RosterView from './RosterView.vue'
import { onTour, rosterAsLeft } from './tour'

function line(name: string, more: Partial<CustomerLine> = {}): CustomerLine {
  return {
    key: name.toLowerCase(),
    name,
    stage: 'building',
    zone: 'America/Halifax',
    mainNumber: '+1 902 555 0110',
    leadsTo: 'Ines',
    objects: 4,
    revision: 3,
    differences: 0,
    liveReadAt: '2026-12-01T17:51:00Z',
    pushedRevision: 3,
    pushedAt: '2026-12-01T15:00:00Z',
    place: null,
    region: 'CA',
    strip: null,
    findings: { blocker: 0, error: 0, warning: 0, note: 0 },
    callersNotice: null,
    next: null,
    lookedAfterBy: 'LK',
    ...more,
  }
}

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

/** What the server answers: these lines, or those that it finds for what narrows and sorts them. */
function rosterOf(customers: CustomerLine[], found: Record<string, string[]> = {}) {
  return (_: unknown, address: URL) => {
    const order = found[address.search.slice(1)] ?? customers.map(({ key: each }) => each)
    return {
      customers: order.flatMap((each) => customers.filter((one) => one.key === each)).slice(0, 60),
      order,
      total: customers.length,
      stages: ['building'],
      regions: ['CA'],
      people: ['LK'],
      at: SESSION.now,
    }
  }
}

const NO_CHANGE = { customers: [], isMany: false, total: 1, at: SESSION.now }

async function roster(
  customers: CustomerLine[] | Refused,
  at = '/',
  found: Record<string, string[]> = {},
): ReturnType<typeof open> {
  setClock(SESSION.now, true)
  fakeServer({
    'GET /customers': customers instanceof Refused ? customers : rosterOf(customers, found),
    'GET /roster/changes': { ...NO_CHANGE, total: Array.isArray(customers) ? customers.length : 0 },
    'GET /session': SESSION,
  })
  const opened = await open(RosterView, at, '/')
  page = opened.page
  return opened
}

const names = (): string[] => page.findAll('tbody .name').map((cell) => cell.text())

it('says of each customer what differs, how old that reading is, and how far the book is ahead', async () => {
  await roster([
    line('Ardent', {
      differences: 2,
      revision: 5,
      callersNotice: true,
      findings: { blocker: 1, error: 0, warning: 2, note: 0 },
      next: { on: '2026-12-14', what: '1 number ports' },
    }),
    line('Pier', { differences: null, liveReadAt: null, pushedAt: null, pushedRevision: null, mainNumber: null }),
  ])

  const [ardent, pier] = page.findAll('tbody tr').map((row) => row.text())
  expect(ardent).toContain('2 fields · callers notice')
  expect(ardent).toContain('Mon 14 Dec: 1 number ports')
  expect(
    Array.from(document.body.querySelectorAll('tbody tr:first-child .bars'), (bars) => bars.getAttribute('aria-label')),
  ).toEqual(['blocker', 'warning'])
  expect(page.find('[title="read from the switch 14 min ago"]').exists()).toBe(true)
  expect(ardent).toContain('2 behind')
  expect(pier).toContain('sound')
  expect(pier).toContain('not on the switch')
  expect(pier).toContain('never')
})

it('opens what the keys stand on, and the keys stay within the list', async () => {
  const { router } = await roster([line('Ardent'), line('Boatyard'), line('Cannery')])
  const push = vi.spyOn(router, 'push')

  for (const name of ['j', 'j', 'j', 'j', 'k']) await key(name)
  expect(page.findAll('tbody tr').findIndex((row) => row.classes('here'))).toBe(1)
  await key('Enter')

  expect(push).toHaveBeenCalledWith({ name: 'desk', params: { customer: 'boatyard' } })
})

it('narrows by the sentence and opens the first that fits from the search field', async () => {
  const { router } = await roster(
    [line('Ardent'), line('Boatyard', { differences: 3 }), line('Cannery', { differences: 1 })],
    '/',
    { 'drift=some': ['boatyard', 'cannery'], 'drift=some&words=cann': ['cannery'] },
  )
  const push = vi.spyOn(router, 'push')

  await choose(page, 'input[aria-label=Drift]', 'some drift')
  expect(names()).toEqual(['Boatyard', 'Cannery'])
  // Enter comes before what was typed has been asked for.
  await page.get('input[type=search]').setValue('cann')
  await page.get('input[type=search]').trigger('keydown', { key: 'Enter' })
  await settle()
  expect(page.text()).toContain('1 of 3 customers')

  expect(push).toHaveBeenCalledWith({ name: 'desk', params: { customer: 'cannery' } })
})

it('is found as it was left, sentence, order and line, and the tour goes along them', async () => {
  const { router } = await roster(
    [line('Ardent'), line('Boatyard', { differences: 3 }), line('Cannery', { differences: 1 }), line('Dunes')],
    '/?drift=some&sort=-differences&at=cannery&findings=xx',
    { 'drift=some&sort=-differences': ['boatyard', 'cannery'] },
  )

  expect(names()).toEqual(['Boatyard', 'Cannery'])
  expect(page.get('tr.here .name').text()).toBe('Cannery')
  await key('k')
  await key('Enter')
  await settle()

  router.back()
  await settle()
  expect(router.currentRoute.value.query).toEqual({ drift: 'some', sort: '-differences', at: 'boatyard' })
  expect(onTour()).toEqual(['boatyard', 'cannery'])
  expect(rosterAsLeft()).toMatchObject({ query: { drift: 'some', sort: '-differences', at: 'boatyard' } })
  // From wherever `]` led, and not from a customer that was not among them.
  expect(rosterAsLeft(onTour()[1])).toMatchObject({ query: { drift: 'some', at: onTour()[1] } })
  expect(rosterAsLeft('elsewhere')).toMatchObject({ query: { at: 'boatyard' } })
})

it('sorts by a head, and the other way by the same head again', async () => {
  await roster(
    [line('Ardent', { differences: 1 }), line('Boatyard', { differences: 3 }), line('Cannery', { differences: null })],
    '/',
    { 'sort=-differences': ['boatyard', 'ardent', 'cannery'] },
  )
  const head = page.findAll('.sorter').find((each) => each.text().startsWith('Drift'))

  await head?.trigger('click')
  await settle()
  expect(names()).toEqual(['Ardent', 'Boatyard', 'Cannery'])
  await head?.trigger('click')
  await settle()
  expect(names()).toEqual(['Boatyard', 'Ardent', 'Cannery'])
  expect(head?.element.closest('th')?.getAttribute('aria-sort')).toBe('descending')
})

const MAIL_THERE = {
  object: 'user:ines',
  label: 'Ines',
  what: 'field',
  whose: 'theirs',
  path: 'email',
  book: 'a',
  live: 'b',
  signed: null,
  since: null,
  by: 'their admin',
}

it('does one thing for the customers that were chosen by key, and says what came of each', async () => {
  await roster([line('Ardent'), line('Boatyard'), line('Cannery')])
  await key('x')
  await key('j')
  await key('j')
  await key('x')
  expect(page.text()).toContain('2 customers chosen')

  const server = fakeServer({
    'POST /customers/ardent/live/read': { ...NOTHING_LIVE, onSwitch: true },
    'POST /customers/cannery/live/read': new Refused(502, { detail: 'The switch did not answer.' }),
    'GET /customers': rosterOf([line('Ardent')]),
    'GET /roster/changes': NO_CHANGE,
  })
  await page
    .findAll('button')
    .find((each) => each.text() === 'Read from the switch')
    ?.trigger('click')
  await settle()

  expect(server.asked.map((each) => each.call).filter((call) => call.startsWith('POST'))).toEqual([
    'POST /customers/ardent/live/read',
    'POST /customers/cannery/live/read',
  ])
  expect(page.text()).toContain('2 customers done, 1 failed')
  expect(page.text()).toContain('Cannery: The switch did not answer.')
})

it('says first what went otherwise than with most', async () => {
  const all = ['Ardent', 'Boatyard', 'Cannery', 'Dunlin', 'Eastpier', 'Fenwright']
  await roster(all.map((name) => line(name)))
  for (const name of all) {
    await key('x')
    if (name !== 'Fenwright') await key('j')
  }
  const drifted = { ...NOTHING_LIVE, onSwitch: true, differences: [MAIL_THERE] }
  fakeServer({
    ...Object.fromEntries(
      all.map((name) => [
        `POST /customers/${name.toLowerCase()}/live/read`,
        name === 'Fenwright' ? drifted : { ...NOTHING_LIVE, onSwitch: true },
      ]),
    ),
    'GET /customers': rosterOf(all.map((name) => line(name))),
    'GET /roster/changes': NO_CHANGE,
  })
  await page
    .findAll('button')
    .find((each) => each.text() === 'Read from the switch')
    ?.trigger('click')
  await settle()

  expect(page.findAll('.came li').map((each) => each.text())).toEqual([
    'Fenwright: 1 place changed there',
    'Ardent, Boatyard, Cannery and 2 more: the same',
  ])
})

it('looks at a push to several before it begins, and leaves out who would lose what was changed there', async () => {
  await roster([line('Ardent'), line('Boatyard')])
  await key('x')
  await key('j')
  await key('x')
  const live = {
    onSwitch: true,
    readAt: null,
    left: [],
    waived: [],
    signed: null,
    pinsToTell: [],
    switch: PRACTICE,
    numbers: {},
    runSheet: [{ kind: 'update', object: 'user:ines', label: 'Ines', fields: ['email'] }],
  }
  const server = fakeServer({
    'POST /customers/ardent/live/read': { ...live, differences: [{ ...MAIL_THERE, whose: 'ours' }] },
    'POST /customers/boatyard/live/read': { ...live, differences: [MAIL_THERE] },
    'POST /customers/ardent/pushes': {
      id: 'p1',
      revision: 3,
      whole: true,
      status: 'queued',
      reason: null,
      by: 'Lena Kestrel',
      requestedAt: '2026-12-01T18:05:00Z',
      endedAt: null,
      steps: [],
    },
    'GET /customers': rosterOf([line('Ardent'), line('Boatyard')]),
    'GET /roster/changes': NO_CHANGE,
  })
  await page
    .findAll('button')
    .find((each) => each.text() === 'Push …')
    ?.trigger('click')
  await settle()

  expect(server.asked.some((each) => each.call.endsWith('/pushes'))).toBe(false)
  const rows = page.get('[data-testid=fleet-push]').findAll('tbody tr')
  expect(rows.map((row) => (row.get('input').element as HTMLInputElement).checked)).toEqual([true, false])
  expect(rows[1]?.text()).toContain('Ines · mail by their admin')
  await page.get('[data-testid=push-chosen]').trigger('click')
  await settle()
  expect(server.asked.filter((each) => each.call.endsWith('/pushes')).map((each) => each.call)).toEqual([
    'POST /customers/ardent/pushes',
  ])
})

it('says what to do where there is no customer, and where none fits', async () => {
  await roster([])
  expect(page.text()).toContain('No customer is yours yet')
  close(page)

  await roster([line('Ardent')], '/?words=zzz', { 'words=zzz': [] })
  expect(page.text()).toContain('No customer fits this sentence')
  await page
    .findAll('button')
    .find((each) => each.text() === 'Show all 1')
    ?.trigger('click')
  await settle()
  expect(names()).toEqual(['Ardent'])
})

it("says what went wrong in the server's words and tries again when asked", async () => {
  await roster(new Refused(503, { title: 'Too busy', detail: 'The database rests for a moment.' }))

  expect(page.get('[role=alert]').text()).toContain('The database rests for a moment.')
  fakeServer({
    'GET /customers': rosterOf([line('Ardent')]),
    'GET /roster/changes': NO_CHANGE,
    'GET /session': SESSION,
  })
  await page
    .findAll('button')
    .find((each) => each.text() === 'Try again')
    ?.trigger('click')
  await settle()
  expect(names()).toEqual(['Ardent'])
})

it('reads lines that did not come with the order, and once more where that failed', async () => {
  const many = Array.from({ length: 90 }, (_, number) => line(`C${number}`))
  await roster(many)
  expect(names()).toHaveLength(60)
  fakeServer({ 'GET /roster/lines': new Refused(503), 'GET /roster/changes': { ...NO_CHANGE, total: 90 } })
  await vi.waitFor(() => {
    expect(page.text()).toContain('could not be read again')
  })

  const server = fakeServer({
    'GET /roster/lines': (_: unknown, address: URL) => ({
      customers: address.searchParams.getAll('keys[]').map((each) => line(each.toUpperCase())),
    }),
    'GET /roster/changes': { ...NO_CHANGE, total: 90 },
  })
  window.dispatchEvent(new Event('visibilitychange'))
  await vi.waitFor(() => {
    expect(names()).toHaveLength(90)
  })
  expect(page.text()).not.toContain('could not be read again')
  expect(server.asked.filter((each) => each.call === 'GET /roster/lines')).toHaveLength(1)
})

it('says that lines changed meanwhile and leaves them where they are until asked', async () => {
  await roster([line('Ardent', { differences: 1 }), line('Boatyard', { differences: 2 })], '/?sort=-differences', {
    'sort=-differences': ['boatyard', 'ardent'],
  })
  const changed = line('Ardent', { differences: 9 })
  fakeServer({
    'GET /roster/changes': { ...NO_CHANGE, total: 2, customers: [changed] },
    'GET /customers': rosterOf([changed, line('Boatyard', { differences: 2 })]),
  })
  window.dispatchEvent(new Event('visibilitychange'))
  await settle()

  expect(names()).toEqual(['Boatyard', 'Ardent'])
  expect(page.text()).toContain('9 fields')
  await page
    .findAll('button')
    .find((each) => each.text().includes('1 changed meanwhile'))
    ?.trigger('click')
  await settle()
  expect(names()).toEqual(['Ardent', 'Boatyard'])
})
