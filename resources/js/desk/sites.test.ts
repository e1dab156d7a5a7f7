import { afterEach, expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import type { CalledBack, SiteView } from '@/api'
import { close, settle, Refused } from '@/testing'
import SitesChapter from './chapters/SitesChapter.vue'
import { asChange, deskOf, EDITS, INES, object, openPart } from './testing'

let page: VueWrapper
afterEach(() => {
  close(page)
})

const OFFICE = object('site:office', { name: 'Office', address: { street: '14 ardent rd', city: 'Port Merrow' } })
const MILL = object('site:mill', { name: 'Mill', address: {} })
const PLACE: SiteView = {
  ref: 'site:office',
  key: 'office',
  name: 'Office',
  zone: null,
  address: { street: '14 ardent rd', city: 'Port Merrow', subdivision: 'CA-NS', postcode: 'B0X 1X0', country: 'CA' },
  missing: [],
  callback: '+19025550150',
  told: ['desk@inlet.example'],
  check: null,
  test: null,
  line: { ringing: 2, usual: [{ codec: 'G.711', packetMs: 20, kbit: 87.2 }], measured: null },
  plans: [],
  contacts: [],
  people: [
    {
      ref: 'user:ines',
      name: 'Ines Marsh',
      floor: null,
      room: '2.01',
      address: null,
      calls: [{ digits: '911', isLet: true, shown: '+19025550150', whose: 'the callback number of the site' }],
    },
    { ref: 'user:joss', name: 'Joss Arden', floor: null, room: null, address: null, calls: [] },
  ],
}
const BACK: CalledBack = {
  number: '+19025550150',
  kind: 'always',
  ringsAPerson: false,
  outside: null,
  heard: null,
  outcome: 'messageIn',
  target: 'mailbox:front',
  sentence: '902-555-0150 wed 02:00',
}
const BETTER = {
  verdict: 'better',
  remark: 'this is how it stands in the street file',
  better: { ...(PLACE.address as Record<string, string>), street: '14 Ardent Road' },
  at: '2026-12-01T17:00:00Z',
  by: 'Lena Kestrel',
  holds: true,
} as const
const bare: SiteView = {
  ...PLACE,
  ref: 'site:mill',
  key: 'mill',
  name: 'Mill',
  missing: ['street', 'city', 'subdivision', 'postcode', 'country'],
  told: [],
  people: [],
}
const press = (text: string): Promise<void> | undefined =>
  page
    .findAll('button')
    .find((each) => each.text() === text)
    ?.trigger('click')

it('says of each site what is complete, known and tried, and what help services see of each person', async () => {
  page = (
    await openPart(SitesChapter, [OFFICE, MILL, INES], {
      'GET /customers/inlet/sites': { sites: [PLACE, bare] },
      'GET /customers/inlet/sites/callbacks': {
        callbacks: [
          { ...BACK, kind: 'open', ringsAPerson: true, heard: 'attendant:front' },
          { ...BACK, kind: 'closed', heard: 'attendant:front' },
        ],
      },
    })
  ).page
  await settle()

  const [office, mill] = page.findAll('[data-testid=sites] tbody tr').map((each) => each.text())
  expect(office).toContain('all parts')
  expect(mill).toContain('street, town, state or province, postcode, country missing')
  expect(mill).toContain('nobody')
  expect(page.text()).toContain('none is known to the carrier')
  const [ines, joss] = page.findAll('[data-testid=help] tbody tr').map((each) => each.text())
  expect(ines).toContain('the callback number of the site')
  expect(page.get('[data-testid=back]').text()).toMatch(/open: a person rings after .*; closed: .* takes a message/)
  expect(joss).toContain('no telephone of this house')
})

it('asks the carrier, shows its answer beside the book, and writes the address as the carrier does', async () => {
  const opened = await openPart(SitesChapter, [OFFICE, INES], {
    'GET /customers/inlet/sites': { sites: [PLACE] },
    'POST /customers/inlet/sites/office/address-checks': { sites: [{ ...PLACE, check: BETTER }] },
    [EDITS]: asChange(deskOf([OFFICE, INES])),
  })
  page = opened.page
  await settle()
  await press('Ask the carrier about the address')
  await settle()

  expect(page.get('[data-testid=address] .offered').text()).toBe('14 Ardent Road')
  expect(page.findAll('[data-testid=address] .offered')).toHaveLength(1)
  await press('Write it as the carrier does')
  await settle()
  expect(opened.server.asked.find((each) => each.call === EDITS)?.body).toMatchObject({
    edits: [{ object: 'site:office', path: 'address/street', value: '14 Ardent Road' }],
  })
})

it('keeps what was typed of a test call that is refused, and shows what was recorded', async () => {
  let isRight = false
  const test = {
    at: '2026-12-01T17:00:00Z',
    by: 'Lena Kestrel',
    caller: 'user:ines',
    numberShown: '+19025550150',
    addressRead: '14 Ardent Road',
    passed: true,
    note: '',
    isNoted: false,
    changed: ['telephones'],
  }
  const opened = await openPart(SitesChapter, [OFFICE, INES], {
    'GET /customers/inlet/sites': { sites: [PLACE] },
    'POST /customers/inlet/sites/office/tests': () =>
      isRight
        ? { sites: [{ ...PLACE, test }] }
        : new Refused(422, { errors: [{ detail: 'By the book another is shown.', pointer: '/numberShown' }] }),
  })
  page = opened.page
  await settle()
  await press('Record a test call')
  await page.get('input[name=numberShown]').setValue('902 555 0199')
  await page.get('input[name=addressRead]').setValue('14 Ardent Road')
  await page.get('[data-testid=test-call]').trigger('submit')
  await settle()
  expect(page.get('[data-testid=test-call] [role=alert]').text()).toBe('By the book another is shown.')
  expect((page.get('input[name=addressRead]').element as HTMLInputElement).value).toBe('14 Ardent Road')
  expect(opened.server.asked.at(-1)?.body).toMatchObject({ caller: 'user:ines', passed: true })

  isRight = true
  await press('Something was wrong: failed')
  await settle()
  expect(
    opened.server.asked.find((each) => (each.body as { passed?: boolean } | undefined)?.passed === false),
  ).toBeTruthy()
  expect(page.find('[data-testid=test-call]').exists()).toBe(false)
  expect(page.text()).toContain('Changed since: its telephones.')
})

it('says so where it cannot be looked at what meets a call back, and where the number is of no book', async () => {
  page = (
    await openPart(SitesChapter, [OFFICE, INES], {
      'GET /customers/inlet/sites': { sites: [PLACE] },
      'GET /customers/inlet/sites/callbacks': () => new Refused(500),
    })
  ).page
  await settle()
  expect(page.get('[data-testid=back]').text()).toContain('could not be looked at')
  close(page)

  page = (
    await openPart(SitesChapter, [OFFICE, INES], {
      'GET /customers/inlet/sites': { sites: [PLACE] },
      'GET /customers/inlet/sites/callbacks': { callbacks: [] },
    })
  ).page
  await settle()
  expect(page.get('[data-testid=back]').text()).toContain('unknown: the number is not in this book')
})

it('shows what of a line fails and what nobody measured, and sends what was typed as it is read', async () => {
  const figures = [
    { what: 'up', is: 9200, limit: 9300, passes: false },
    { what: 'jitter', is: null, limit: 30, passes: null },
  ]
  const measured = {
    at: '2026-12-01T17:00:00Z',
    by: 'Lena Kestrel',
    note: '',
    said: 80,
    busiest: null,
    calls: 80,
    needed: 6976,
    codec: 'G.711',
    packetMs: 20,
    ownNetwork: null,
    backup: false,
    passes: false,
    figures,
  }
  const opened = await openPart(SitesChapter, [OFFICE, INES], {
    'GET /customers/inlet/sites': { sites: [PLACE] },
    'POST /customers/inlet/sites/office/line': { sites: [{ ...PLACE, line: { ...PLACE.line, measured } }] },
  })
  page = opened.page
  await settle()
  expect(page.get('[data-testid=line]').text()).toContain('It was never measured. 2 calls at once take, each way')
  expect(page.get('[data-testid=line]').text()).toContain('174 kbit/s')
  await press('Record a measurement')
  await page.get('input[name=up]').setValue('9,2')
  await page.get('input[name=loss]').setValue('xx')
  await page.get('[data-testid=line-form]').trigger('submit')
  await settle()
  expect(opened.server.asked.find((each) => each.call.endsWith('/line'))?.body).toMatchObject({
    up: 9.2,
    loss: 'xx',
    down: null,
    ownNetwork: null,
    codec: 'g711',
    packetMs: 20,
  })
  const line = page.get('[data-testid=line]').text()
  expect(line).toContain('It does not carry its calls.')
  expect(line).toContain('80 calls at once, as expected')
  expect(page.get('[data-testid=line] td.fault').text()).toContain('9.2 Mbit/s')
  expect(line).toContain('not measured')
})
