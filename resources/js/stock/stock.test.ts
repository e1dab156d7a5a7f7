import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, fakeServer, LENA, open, Refused, SESSION, settle } from '@/testing'
import StockView from './StockView.vue'

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

const LINE = {
  number: '+19025550110',
  display: '+1 902 555 0110',
  region: 'CA',
  kind: 'local',
  state: 'free',
  since: '2026-12-01T00:00:00Z',
  until: null,
  customer: null,
  customerName: null,
  label: null,
  leadsTo: null,
  cameWith: null,
  onceCents: null,
  monthlyCents: 150,
  currency: 'CAD',
  may: ['give', 'return'],
}
const RESTING = {
  ...LINE,
  number: '+19025550111',
  display: '+1 902 555 0111',
  state: 'resting',
  until: '2027-03-01',
  may: ['rest', 'return'],
}
const OFFER = {
  number: '+19025550120',
  display: '+1 902 555 0120',
  town: 'Port Merrow',
  isTollFree: false,
  onceCents: 0,
  monthlyCents: 150,
  currency: 'CAD',
  run: null,
}
const ORDER = {
  id: 'a',
  numbers: ['+19025550120'],
  onceCents: 0,
  monthlyCents: 150,
  currency: 'CAD',
  state: 'ordered',
  askedBy: 'Lena Kestrel',
  askedAt: '2026-12-01T00:00:00Z',
  decidedBy: 'Lena Kestrel',
  decidedAt: '2026-12-01T00:00:00Z',
  receipt: 'r-1',
  lines: [],
  trouble: null,
  mayDecide: false,
}

async function stock(handlers: Record<string, unknown> = {}): Promise<ReturnType<typeof fakeServer>> {
  const server = fakeServer({
    'GET /session': { ...SESSION, technician: LENA },
    'GET /stock/numbers': { numbers: [LINE, RESTING], next: null, counts: { free: 1, resting: 1 } },
    'GET /stock/orders': { orders: [] },
    'GET /roster/names': { customers: [] },
    ...handlers,
  })
  page = (await open(StockView, '/numbers')).page
  await settle()
  return server
}
async function press(text: string): Promise<void> {
  await page
    .findAll('button')
    .find((each) => each.text() === text)
    ?.trigger('click')
  await settle()
}
const sent = (server: ReturnType<typeof fakeServer>, call: string): unknown[] =>
  server.asked.filter((each) => each.call === call).map((each) => each.body)

it('offers for chosen numbers what all of them allow, and nothing else', async () => {
  await stock()
  const [, free, resting] = page.findAll('table input[type=checkbox]')
  await free?.setValue(true)
  expect(page.text()).toContain('Give to a customer')
  expect(page.text()).toContain('Give back to the carrier')
  expect(page.text()).not.toContain('End their rest')
  await resting?.setValue(true)
  expect(page.text()).not.toContain('Give to a customer')
  expect(page.text()).toContain('Give back to the carrier')
})

it('ends a rest with a reason', async () => {
  const server = await stock({ 'POST /stock/rests/ends': { free: 1 } })
  await page.findAll('table input[type=checkbox]')[2]?.setValue(true)
  await press('End their rest')
  await page.get('input[aria-label=Reason]').setValue('never rung')
  await press('They are free')
  expect(sent(server, 'POST /stock/rests/ends')).toEqual([{ numbers: [RESTING.number], reason: 'never rung' }])
  expect(page.text()).toContain('1 number free.')
})

it('orders at the charge that stands on the button, once however often it is pressed', async () => {
  const server = await stock({
    'GET /stock/offers': { offers: [OFFER, { ...OFFER, number: '+19025550121', onceCents: 1000 }] },
    'POST /stock/orders': new Refused(503),
  })
  await press('Order from the carrier')
  await page.get('input[name=prefix]').setValue('1902')
  await page.get('form').trigger('submit')
  await settle()
  const button = page.findAll('button').find((each) => each.text().startsWith('Order 2 numbers'))
  expect(button?.text()).toBe('Order 2 numbers for $10.00 once and $3.00 a month')
  await button?.trigger('click')
  await settle()
  server.handlers['POST /stock/orders'] = { order: ORDER }
  await button?.trigger('click')
  await settle()
  const bodies = sent(server, 'POST /stock/orders') as { id: string; monthlyCents: number }[]
  expect(bodies).toHaveLength(2)
  expect(bodies[0]).toEqual(bodies[1])
  expect(page.text()).toContain('1 number ordered.')
})

it('shows an order that waits to whoever may confirm it', async () => {
  const server = await stock({
    'GET /stock/orders': {
      orders: [{ ...ORDER, state: 'waiting', decidedBy: null, decidedAt: null, mayDecide: true }],
    },
    'POST /stock/orders/a/decision': { order: ORDER },
  })
  expect(page.get('[data-testid=orders]').text()).toContain('waits to be confirmed')
  await press('Order them')
  expect(sent(server, 'POST /stock/orders/a/decision')).toEqual([{ confirmed: true, reason: null }])
})

it('says what a filter finds nothing for, and an empty house how numbers come', async () => {
  await stock({ 'GET /stock/numbers': { numbers: [], next: null, counts: {} } })
  expect(page.text()).toContain('Order some from the carrier')
})
