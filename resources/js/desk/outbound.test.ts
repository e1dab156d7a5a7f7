import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, Refused, settle } from '@/testing'
import OutboundChapter from './chapters/OutboundChapter.vue'
import CopyObject from './CopyObject.vue'
import type { NewObject } from './desk'
import { FRONT_DESK, meaning, MEANT, object, OBJECTS, openPart } from './testing'

const TENANT = object('tenant:inlet', { name: 'Inlet' })
const INES = object('user:ines', { display: 'Ines Marsh', extension: '201' })
const MAIN = object('trunk:main', {
  name: 'Main trunk',
  enabled: true,
  carrier: 'Harbour',
  channels: 24,
  outboundChannels: 16,
})
const HELP = object('route:help', {
  name: 'Help',
  position: 9,
  digits: '911',
  strip: 0,
  prepend: '',
  class: 'local',
  emergency: true,
  trunks: ['trunk:main'],
  blocked: [],
})
const LOCAL = object('route:local', {
  name: 'Local',
  position: 2,
  digits: '1902xxxxxxx',
  strip: 0,
  prepend: '',
  class: 'national',
  emergency: false,
  trunks: ['trunk:main'],
  blocked: [],
})
const NATIONAL = object('route:national', {
  name: 'National',
  position: 1,
  digits: '1xxxxxxxxxx',
  strip: 0,
  prepend: '',
  class: 'national',
  emergency: false,
  trunks: ['trunk:main'],
  blocked: [],
})
const DESK = object('group:desk', { name: 'Front Desk', extension: '300' })
/** Leads to a mobile, and dials nothing. */
const ON_CALL = object('user:on-call', { display: 'Ines Marsh (on call)', extension: null })
const BOOK = [TENANT, ON_CALL, INES, DESK, MAIN, LOCAL, NATIONAL, HELP]

const CLAIM = {
  isKnown: true,
  shortest: '10000000000',
  least: 11,
  most: 11,
  shadowedBy: [],
  overlaps: [],
  left: '10000000000',
  cutShort: null,
  extensions: [],
  help: [],
  shortCodes: [],
}
const CELL = {
  words: 'goes out',
  reason: 'National takes it',
  sent: '15062345678',
  number: '+15062345678',
  asksPin: false,
}
const OUTBOUND = {
  routes: [
    { ...CLAIM, route: 'route:help', shortest: '911', least: 3, most: 3 },
    { ...CLAIM, route: 'route:national' },
    { ...CLAIM, route: 'route:local', left: null, shadowedBy: ['route:national'] },
  ],
  samples: [
    {
      kind: 'national',
      said: 'national',
      digits: '15062345678',
      classes: [
        { ...CELL, class: 'local', end: 'nowhere', route: null },
        { ...CELL, class: 'national', end: 'outside', route: 'route:national' },
      ],
    },
    {
      kind: 'misdialled',
      said: 'a zero too many',
      digits: '0011',
      classes: [
        { ...CELL, class: 'local', end: 'outside', route: 'route:local' },
        { ...CELL, class: 'national', end: 'nowhere', route: null },
      ],
    },
  ],
}
const DIALLED = {
  ...CELL,
  end: 'outside',
  route: 'route:national',
  read: '+1 506 234 5678',
  inside: null,
  trunk: 'trunk:main',
  callerId: { shown: '+1 902 555 0110', whose: 'the main number' },
  remarks: ['a PIN is asked for first'],
  routes: [
    { route: 'route:help', verdict: 'otherDigits', words: 'other digits', why: 'other digits' },
    { route: 'route:national', verdict: 'takes', words: 'takes it', why: 'the digits fit' },
  ],
}
const CHOICES = {
  prefix: '9',
  choices: [
    { key: 'national', said: 'national, 10 digits', digits: '9[2-9]xxxxxxxxx', class: 'national', strip: 1 },
    { key: 'national-1', said: 'national, 11 digits', digits: '91[2-9]xxxxxxxxx', class: 'national', strip: 1 },
    { key: 'emergency', said: 'emergency: 911', digits: '911', class: 'internal', strip: 0 },
  ],
}

/** The server's answer where one object is made. */
const making = (ref: string): Record<string, unknown> => ({
  gone: [],
  order: {},
  key: 'inlet',
  revision: 3,
  numbers: {},
  objects: BOOK,
  draft: { changes: [], clashes: [] },
  margin: { findings: [], waived: [], strip: null },
  made: [ref],
})

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

async function chapter(handlers: Record<string, unknown> = {}, at = ''): ReturnType<typeof openPart> {
  const opened = await openPart(
    OutboundChapter,
    BOOK,
    {
      'GET /customers/inlet/outbound': OUTBOUND,
      'GET /customers/inlet/outbound/choices': CHOICES,
      'POST /customers/inlet/outbound/dial': DIALLED,
      [MEANT]: meaning({ 'Front Desk': 'group:desk' }),
      ...handlers,
    },
    { at },
  )
  page = opened.page
  await settle()
  return opened
}

async function press(label: string): Promise<void> {
  await page
    .findAll('button')
    .find((each) => each.text() === label)
    ?.trigger('click')
  await settle()
}

async function dial(digits: string): Promise<void> {
  await page.get('[data-testid=dialled]').setValue(digits)
  await new Promise((later) => {
    setTimeout(later, 200)
  })
  await settle()
}

it('lists routes as they are asked, help first, and strikes out what is never used', async () => {
  await chapter()

  const rows = page.findAll('[data-testid^="row-route"]')
  expect(rows.map((row) => row.attributes('data-testid'))).toEqual([
    'row-route:help',
    'row-route:national',
    'row-route:local',
  ])
  expect(rows.map((row) => row.classes().includes('struck'))).toEqual([false, false, true])
  const through = page.findAll('.claims dd').map((each) => each.text())
  expect(through[0]).toContain('emergency calls, before all others: 3 digits, such as 911')
  expect(through[2]).toContain('never used: National takes all of it')
})

it('says what becomes of what is typed, with every route’s reason, and takes numbers as they are written', async () => {
  const { server } = await chapter()
  await dial('1 (902) 555-0199')

  expect(server.asked.findLast((each) => each.call === 'POST /customers/inlet/outbound/dial')?.body).toMatchObject({
    who: 'user:ines',
    digits: '19025550199',
    at: null,
    full: [],
  })
  const said = page.get('[data-testid=dial-result]').text()
  for (const each of [
    'goes out',
    '+1 902 555 0110, the main number',
    'Mind: a PIN is asked for first',
    'takes it National the digits fit',
  ])
    expect(said.replace(/\s+/g, ' ')).toContain(each)
})

it('says what is wrong with what was typed, and asks for nobody who is not there', async () => {
  const { server } = await chapter({
    'POST /customers/inlet/outbound/dial': new Refused(422, { detail: 'Only digits, * and # can be dialled.' }),
  })
  await dial('call me')
  expect(page.get('[role=alert]').text()).toBe('Only digits, * and # can be dialled.')

  const before = server.asked.length
  await page.get('input[aria-label="Who dials"]').setValue('Nobody Such')
  await dial('911')
  expect(page.get('[role=alert]').text()).toBe('Nothing here is called "Nobody Such"')
  expect(server.asked.slice(before).filter((each) => each.call.endsWith('/dial'))).toEqual([])
})

it('says that it is not known who dials, and no answer to what was asked before stands under it', async () => {
  const { server } = await chapter()
  await dial('911')
  expect(page.find('[data-testid=dial-result]').exists()).toBe(true)

  await page.get('input[aria-label="Who dials"]').setValue('Nobody Such')
  await dial('911')
  expect(page.find('[data-testid=dial-result]').exists()).toBe(false)

  server.handlers[MEANT] = new Refused(503, { detail: 'The server is being restarted.' })
  await page.get('input[aria-label="Who dials"]').setValue('Front Desk')
  await dial('911')
  expect(page.get('[role=alert]').text()).toBe('The server is being restarted.')
  expect(page.find('[data-testid=dial-result]').exists()).toBe(false)
})

it('asks for a group as who leads callers on, with the number’s own digits', async () => {
  const { server } = await chapter()
  await page.get('input[aria-label="Who dials"]').setValue('Front Desk')
  await dial('+1 902 555 0199')

  expect(page.get('.tester').text()).toContain('leads callers from outside on to')
  expect(server.asked.findLast((each) => each.call === 'POST /customers/inlet/outbound/dial')?.body).toMatchObject({
    who: 'group:desk',
    digits: '19025550199',
    led: 'outside',
  })
})

it('dials a sample, and marks a mistake that goes out', async () => {
  await chapter()
  expect(page.findAll('[data-testid=samples] td.bad').map((each) => each.text())).toEqual(['Local'])

  await page.get('[aria-label="Dial 15062345678"]').trigger('click')

  expect((page.get('[data-testid=dialled]').element as HTMLInputElement).value).toBe('15062345678')
})

it('makes a route of what was ticked, the prefix stripped, and keeps help apart', async () => {
  const { server } = await chapter({ [OBJECTS]: making('route:long-distance') })
  await press('Another route')
  await page.get('[aria-label="Name of the route"]').setValue('Long distance')
  const tick = page.findAll('.choices input')
  await tick[0]?.setValue(true)
  await tick[2]?.setValue(true)
  expect(page.get('[role=alert]').text()).toContain('a route of their own')
  await tick[2]?.setValue(false)
  await tick[1]?.setValue(true)
  expect(page.get('[data-testid=built]').text()).toBe('9[2-9]xxxxxxxxx|91[2-9]xxxxxxxxx')
  await page.get('form.builder').trigger('submit')
  await settle()

  expect(server.asked.findLast((each) => each.call === OBJECTS)?.body).toEqual({
    objects: [
      {
        kind: 'route',
        name: 'Long distance',
        fields: {
          name: 'Long distance',
          digits: '9[2-9]xxxxxxxxx|91[2-9]xxxxxxxxx',
          strip: 1,
          class: 'national',
          emergency: false,
          position: 10,
          trunks: ['trunk:main'],
        },
      },
    ],
  })
})

it('copies a trunk with all its settings under another name', async () => {
  const { server } = await chapter({ [OBJECTS]: making('trunk:main-trunk-copy') }, 'trunk:main')
  await press('Copy Main trunk')

  const settings = Object.fromEntries(Object.entries(MAIN.fields).filter(([field]) => field !== 'key'))
  expect(server.asked.findLast((each) => each.call === OBJECTS)?.body).toEqual({
    objects: [{ kind: 'trunk', name: 'Main trunk copy', fields: { ...settings, name: 'Main trunk copy' } }],
  })
})

it('copies what a group is set to, and not what only one can have', async () => {
  const opened = await openPart(
    CopyObject,
    [FRONT_DESK],
    { [OBJECTS]: new Refused(422) },
    { props: { object: FRONT_DESK } },
  )
  page = opened.page
  await press('Copy Front Desk')
  const [made] = (opened.server.asked.find((each) => each.call === OBJECTS)?.body as { objects: NewObject[] }).objects

  expect(made).toMatchObject({ kind: 'group', name: 'Front Desk copy', fields: { order: 'sequential', ringsEach: 3 } })
  expect(Object.keys(made?.fields ?? {})).not.toContain('extension')
  expect(Object.keys(made?.fields ?? {})).not.toContain('key')
})
