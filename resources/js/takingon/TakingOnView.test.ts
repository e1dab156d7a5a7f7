import type { VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { bookObject, choose, close, fakeServer, key, open, Refused, SESSION, settle } from '@/testing'
import TakingOnView from './TakingOnView.vue'

const PLAIN = { type: 'text', help: null, example: null, optional: false, default: null, options: [], columns: [] }
const SET = '7f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00'
const KEPT = `PUT /taking-on/answers/${SET}`
const READ = {
  isWhole: true,
  findings: [],
  strip: null,
  asked: ['name', 'messages'],
  readAs: {},
  tables: {},
  faults: [],
}
const TEMPLATE = {
  key: 'one-line',
  name: 'One line',
  about: 'One number.',
  version: 2,
  slots: [
    { ...PLAIN, key: 'name', question: 'Name', example: 'Thornback' },
    { ...PLAIN, key: 'messages', question: 'Who takes the message', type: 'person' },
  ],
}
const MADE = {
  ...READ,
  customer: 'inlet',
  objects: [bookObject('site:office', { name: 'Office', zone: 'America/Halifax' })],
}
const PREVIEW = 'POST /taking-on/preview'
const MISSING = {
  ...READ,
  customer: null,
  objects: [],
  faults: [{ detail: 'an answer is needed here', pointer: '/answers/messages' }],
}

let page: VueWrapper
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
})
afterEach(() => {
  close(page)
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

async function takingOn(
  handlers: Record<string, unknown>,
): Promise<{ server: ReturnType<typeof fakeServer>; router: Awaited<ReturnType<typeof open>>['router'] }> {
  const server = fakeServer({
    'GET /templates': {
      templates: [TEMPLATE],
      regions: [
        { code: 'CA-NS', name: 'Nova Scotia', zone: 'America/Halifax' },
        { code: 'CA-ON', name: 'Ontario', zone: 'America/Toronto' },
        { code: 'US', name: 'United States', zone: null },
      ],
    },
    'GET /templates/one-line/sample': { strip: null, map: { nodes: [], arrows: [] }, names: {}, objects: 9 },
    'GET /stock': { numbers: [] },
    'GET /session': SESSION,
    'GET /customers': { customers: [] },
    'GET /taking-on/answers': { kept: [] },
    [KEPT]: null,
    [`DELETE /taking-on/answers/${SET}`]: null,
    ...handlers,
  })
  const opened = await open(TakingOnView, `/taking-on?set=${SET}`)
  page = opened.page
  const choice = page.find('[data-testid=template-one-line] button')
  if (choice.exists()) await choice.trigger('click')
  await settle()
  return { server, router: opened.router }
}

async function answer(slot: string, text: string): Promise<void> {
  await page.get(`input[name=${slot}]`).setValue(text)
  await vi.advanceTimersByTimeAsync(300)
  await settle()
}

it('asks for a preview when somebody pauses, not at every letter', async () => {
  const { server } = await takingOn({ [PREVIEW]: MISSING })
  for (const text of ['I', 'In', 'Inl']) await page.get('input[name=name]').setValue(text)
  expect(server.asked.some((each) => each.call === PREVIEW)).toBe(false)

  await vi.advanceTimersByTimeAsync(300)
  await settle()

  expect(server.asked.filter((each) => each.call === PREVIEW)).toEqual([
    { call: PREVIEW, body: { template: 'one-line', answers: { name: 'Inl' } } },
  ])
})

it('puts the keys into the first question as soon as a template is chosen', async () => {
  await takingOn({ [PREVIEW]: MISSING })
  expect(document.activeElement?.getAttribute('name')).toBe('name')
})

it('sends what is not kept yet when the page is closed, and nothing when all is', async () => {
  const { server } = await takingOn({ [PREVIEW]: MISSING })
  const keptOnes = (): unknown[] => server.asked.filter((each) => each.call === KEPT).map((each) => each.body)
  await answer('name', 'Inlet')
  window.dispatchEvent(new Event('pagehide'))
  await settle()
  expect(keptOnes()).toHaveLength(1)

  await page.get('input[name=name]').setValue('Inlet Care')
  window.dispatchEvent(new Event('pagehide'))
  await settle()
  expect(keptOnes()).toEqual([
    { template: 'one-line', answers: { name: 'Inlet' } },
    { template: 'one-line', answers: { name: 'Inlet Care' } },
  ])
})

it('keeps answers in the order they were given, however long one is under way', async () => {
  let arrive: (() => void) | undefined
  const first = new Promise<null>(
    (resolve) =>
      (arrive = () => {
        resolve(null)
      }),
  )
  let sent = 0
  const { server } = await takingOn({ [PREVIEW]: MISSING, [KEPT]: () => (sent++ === 0 ? first : null) })
  const keptOnes = (): unknown[] => server.asked.filter((each) => each.call === KEPT)
  await answer('name', 'Inlet')
  await answer('name', 'Inlet Care')
  expect(keptOnes()).toHaveLength(1)
  expect(page.text()).toContain('answers are being kept')

  arrive?.()
  await settle()
  expect(keptOnes()).toHaveLength(2)
  expect(page.text()).toContain('answers are kept')
})

it('does not complain of an answer nobody came to yet', async () => {
  await takingOn({ [PREVIEW]: MISSING })
  await answer('name', 'Inlet')

  expect(page.text()).not.toContain('an answer is needed here')
  expect(page.text()).toContain('1 answer to go: who takes the message')

  await page.get('input[name=messages]').trigger('blur')
  expect(page.text()).toContain('An answer is needed here')
})

it('shows what would be made, dims it while answers change, and enters it once', async () => {
  const { server, router } = await takingOn({ [PREVIEW]: MADE, 'POST /taking-on': { customer: 'inlet', revision: 1 } })
  const push = vi.spyOn(router, 'push')
  await answer('name', 'Inlet')
  await answer('messages', 'Ines Marsh')
  expect(page.get('[data-testid=will-be-made]').text()).toContain('Office')
  expect(page.text()).toContain('1 object')

  await page.get('input[name=name]').setValue('Inlet Care')
  expect(page.get('[data-testid=will-be-made]').classes()).toContain('stale')
  await vi.advanceTimersByTimeAsync(300)
  await settle()
  await key('Enter', document.body, { ctrlKey: true })

  expect(server.asked.filter((each) => each.call === 'POST /taking-on')).toEqual([
    {
      call: 'POST /taking-on',
      body: { template: 'one-line', answers: { name: 'Inlet Care', messages: 'Ines Marsh' } },
    },
  ])
  expect(push).toHaveBeenCalledWith({ name: 'desk', params: { customer: 'inlet' } })
  expect(server.asked.map((each) => each.call)).toContain(`DELETE /taking-on/answers/${SET}`)
})

it('keeps answers over a reload, and lets them go when asked', async () => {
  const { server } = await takingOn({ [PREVIEW]: MISSING })
  await answer('name', 'Inlet')
  expect(server.asked.findLast((each) => each.call === KEPT)?.body).toEqual({
    template: 'one-line',
    answers: { name: 'Inlet' },
  })
  expect(page.text()).toContain('answers are kept')
  close(page)

  await takingOn({
    [PREVIEW]: MISSING,
    'GET /taking-on/answers': {
      kept: [{ id: SET, template: 'one-line', answers: { name: 'Inlet' }, keptAt: '2026-12-01T18:05:00Z' }],
    },
  })
  expect((page.get('input[name=name]').element as HTMLInputElement).value).toBe('Inlet')
  await page
    .findAll('button')
    .find((each) => each.text() === 'Throw away')
    ?.trigger('click')
  await settle()
  expect(page.find('input[name=name]').exists()).toBe(false)
  expect(page.text()).toContain('What was answered of Inlet is thrown away.')

  await page
    .findAll('button')
    .find((each) => each.text() === 'Put it back')
    ?.trigger('click')
  await settle()
  expect((page.get('input[name=name]').element as HTMLInputElement).value).toBe('Inlet')
})

it('takes on several at once, each kept as a set of its own', async () => {
  await takingOn({
    [PREVIEW]: MISSING,
    'GET /taking-on/answers': {
      kept: [
        { id: SET, template: 'one-line', answers: { name: 'Inlet' }, keptAt: '2026-12-01T18:05:00Z' },
        {
          id: '8f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00',
          template: 'one-line',
          answers: { name: 'Northgate' },
          keptAt: '2026-12-01T18:00:00Z',
        },
      ],
    },
  })
  const name = (): string => (page.get('input[name=name]').element as HTMLInputElement).value
  expect([name(), page.get('[data-testid=other-sets]').text()]).toEqual(['Inlet', 'Also begun: Northgate'])

  await page
    .findAll('button')
    .find((each) => each.text() === 'Another customer')
    ?.trigger('click')
  await settle()
  expect(page.find('input[name=name]').exists()).toBe(false)
  expect(page.get('[data-testid=other-sets]').text()).toBe('Also begun: Inlet, Northgate')

  await page
    .get('[data-testid=other-sets]')
    .findAll('button')
    .find((each) => each.text() === 'Northgate')
    ?.trigger('click')
  await settle()
  expect(name()).toBe('Northgate')
})

it('shows what can be made while an answer is at fault, and says that it is not whole', async () => {
  await takingOn({
    [PREVIEW]: { ...MADE, isWhole: false, faults: [{ detail: 'not an address', pointer: '/answers/messages' }] },
  })
  await answer('name', 'Inlet')
  await answer('messages', 'ines@')

  expect(page.get('[data-testid=will-be-made]').text()).toContain('Office')
  expect(page.text()).toContain('1 object, without what needs another look')
  expect(page.get('[data-testid=enter]').attributes('disabled')).toBeDefined()
})

it('places a refusal at its answer and keeps everything', async () => {
  await takingOn({
    [PREVIEW]: MADE,
    'POST /taking-on': new Refused(422, {
      errors: [{ detail: 'another customer has this name; add the town or the street', pointer: '/answers/name' }],
    }),
  })
  await answer('name', 'Inlet')
  await answer('messages', 'Ines Marsh')

  await page.get('[data-testid=enter]').trigger('click')
  await settle()

  expect(page.get('[role=alert]').text()).toContain('Another customer has this name')
  expect((page.get('input[name=messages]').element as HTMLInputElement).value).toBe('Ines Marsh')
})

it('is not for somebody who may not take customers on', async () => {
  await takingOn({ 'GET /session': { ...SESSION, technician: { ...SESSION.technician, mayTakeOn: false } } })

  expect(page.text()).toContain('Taking customers on is not granted to you')
})

it('begins by choosing a template by what it gives, and asks no question before', async () => {
  vi.useRealTimers()
  const server = fakeServer({
    'GET /templates': { templates: [TEMPLATE, { ...TEMPLATE, key: 'shop', name: 'Shop' }], regions: [] },
    'GET /templates/one-line/sample': { strip: null, map: null, names: {}, objects: 9 },
    'GET /templates/shop/sample': { strip: null, map: null, names: {}, objects: 23 },
    'GET /stock': { numbers: [] },
    'GET /session': SESSION,
    'GET /customers': { customers: [] },
    'GET /taking-on/answers': { kept: [] },
  })
  page = (await open(TakingOnView, `/taking-on?set=${SET}`)).page
  expect(page.find('input[name=name]').exists()).toBe(false)
  expect(page.findAll('ol li').map((each) => each.text().replace(/\s+/g, ' '))).toEqual([
    expect.stringContaining('2 questions; its example makes 9 objects'),
    expect.stringContaining('23 objects'),
  ])

  await page.get('[data-testid=template-shop] button').trigger('click')
  await settle()
  expect(page.find('input[name=name]').exists()).toBe(true)
  expect(server.asked.filter((each) => each.call.startsWith('PUT'))).toEqual([])
})

it('takes the zone along with the region, until somebody chose another', async () => {
  const slots = [
    { ...PLAIN, key: 'region', question: 'Whose holidays', type: 'region' },
    { ...PLAIN, key: 'zone', question: 'Time zone', type: 'zone' },
  ]
  const { server } = await takingOn({
    'GET /templates': {
      templates: [{ ...TEMPLATE, slots }],
      regions: [
        { code: 'CA-NS', name: 'Nova Scotia', zone: 'America/Halifax' },
        { code: 'CA-ON', name: 'Ontario', zone: 'America/Toronto' },
        { code: 'US', name: 'United States', zone: null },
      ],
    },
    [PREVIEW]: { ...MISSING, asked: ['region', 'zone'], faults: [] },
  })
  const said = async (list: string, option: string): Promise<unknown> => {
    vi.useRealTimers()
    await choose(page, list, option)
    await new Promise((over) => setTimeout(over, 300))
    await settle()
    return (server.asked.findLast((each) => each.call === KEPT)?.body as { answers: unknown }).answers
  }
  expect(await said('input[name=region]', 'Nova Scotia')).toEqual({ region: 'CA-NS', zone: 'America/Halifax' })
  expect(await said('input[name=region]', 'Ontario')).toEqual({ region: 'CA-ON', zone: 'America/Toronto' })
  expect(await said('input[name=region]', 'United States')).toEqual({ region: 'US', zone: 'America/Toronto' })
  expect(await said('input[name=zone]', 'America/Vancouver')).toEqual({ region: 'US', zone: 'America/Vancouver' })
  expect(await said('input[name=region]', 'Nova Scotia')).toEqual({ region: 'CA-NS', zone: 'America/Vancouver' })
})

it('keeps what is being typed when another page is opened in the middle of it', async () => {
  const { server, router } = await takingOn({ [PREVIEW]: MISSING })
  await answer('name', 'Inlet')
  const field = page.get('input[name=name]')
  ;(field.element as HTMLInputElement).focus()
  await field.setValue('Inlet Ca')
  await router.push('/elsewhere')
  page.unmount()
  await settle()
  expect(server.asked.findLast((each) => each.call === KEPT)?.body).toEqual({
    template: 'one-line',
    answers: { name: 'Inlet Ca' },
  })
})
