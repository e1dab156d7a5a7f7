import type { VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { close, fakeServer, LENA, open, PORT, Refused, SESSION, settle } from '@/testing'
import { placeOf, WAY } from './ports'
import CalendarAddress from './CalendarAddress.vue'
import PortsView from './PortsView.vue'
import PortView from './PortView.vue'

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

const AT = `/customers/inlet/ports/${PORT.id}`

async function port(
  otherwise: Partial<typeof PORT>,
  handlers: Record<string, unknown> = {},
): Promise<ReturnType<typeof fakeServer>> {
  const server = fakeServer({
    'GET /session': { ...SESSION, technician: LENA },
    'GET /customers/inlet/ports': { ports: [{ ...PORT, ...otherwise }] },
    [`GET ${AT}/cut-over`]: { lines: [] },
    ...handlers,
  })
  page = (await open(PortView, AT, '/customers/:customer/ports/:port')).page
  await settle()
  return server
}
const button = (text: string): ReturnType<VueWrapper['find']> | undefined =>
  page.findAll('button').find((each) => each.text() === text)

describe('a port', () => {
  it('shows what is missing at its field, and is sent only once nothing is', async () => {
    await port({ state: 'open', mayMend: true, account: '', lacks: [{ at: 'account', why: 'It does not say which.' }] })
    expect(page.text()).toContain('It does not say which.')
    expect(page.get('[data-testid=send]').attributes('disabled')).toBeDefined()
    expect(page.text()).toContain('1 thing missing')
  })

  it('says at its field what the losing carrier took amiss, and is mended and sent again', async () => {
    const turned = {
      state: 'rejected',
      mayMend: true,
      remark: 'the postal is not on the bill',
      remarkAt: 'postcode',
    } as const
    const server = await port(turned, {
      [`PUT ${AT}`]: (body: { postcode: string }) => ({ port: { ...PORT, ...turned, postcode: body.postcode } }),
      [`POST ${AT}/sending`]: { port: { ...PORT, postcode: 'B0X 9X9' } },
    })
    expect(page.get('[role=alert]').text()).toContain('turned it down')
    const field = page.get('input[name=postcode]')
    expect(field.attributes('aria-invalid')).toBe('true')
    await field.setValue('B0X 9X9')
    expect(page.get('[data-testid=send]').attributes('disabled')).toBeDefined()
    await page.get('form').trigger('submit')
    await settle()
    await page.get('[data-testid=send]').trigger('click')
    await settle()
    expect(server.asked.map((each) => each.call)).toContain(`POST ${AT}/sending`)
    expect(page.text()).toContain('Sent to the carrier.')
  })

  it('keeps what was typed where the server refuses it', async () => {
    await port(
      { state: 'open', mayMend: true },
      { [`PUT ${AT}`]: new Refused(422, { errors: [{ pointer: '/hours', detail: 'Hours are wanted.' }] }) },
    )
    await page.get('input[name=hours]').setValue('mornings')
    await page.get('form').trigger('submit')
    await settle()
    expect(page.text()).toContain('Hours are wanted.')
    expect((page.get('input[name=hours]').element as HTMLInputElement).value).toBe('mornings')
  })

  it('lets numbers go that another carrier asks for, or refuses with a reason', async () => {
    const asked = { direction: 'out', state: 'asked', answerBy: '2026-12-05', mayWithdraw: false } as const
    const server = await port(asked, { [`POST ${AT}/answer`]: { port: { ...PORT, ...asked, state: 'agreed' } } })
    expect(page.text()).toContain('has agreed')
    expect(button('Refuse')?.attributes('disabled')).toBeDefined()
    await button('Let them go')?.trigger('click')
    await settle()
    expect(server.asked.find((each) => each.call === `POST ${AT}/answer`)?.body).toEqual({ agreed: true, reason: null })
  })

  it('says that there is none where the address names none', async () => {
    await port({ id: '6f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b01' })
    expect(page.text()).toContain('There is no such port')
  })

  it('stands where it went wrong', () => {
    expect(placeOf({ state: 'rejected' })).toBe(1)
    expect(placeOf({ state: 'failedBack' })).toBe(3)
    expect(placeOf({ state: 'done' })).toBe(WAY.length)
  })
})

it('lists what somebody here has to do before what is only on its way', async () => {
  const line = {
    id: PORT.id,
    direction: 'in',
    customer: 'inlet',
    customerName: 'Inlet',
    numbers: PORT.shown,
    with: 'Harbour Telephone',
    state: 'sent',
    day: '2026-12-14',
    hours: '',
    remark: '',
    answerBy: null,
    readAt: null,
  }
  fakeServer({
    'GET /session': { ...SESSION, technician: LENA },
    'GET /ports': {
      ports: [line, { ...line, id: 'b', state: 'rejected', remark: 'the account', customerName: 'Osier' }],
    },
  })
  page = (await open(PortsView, '/ports')).page
  await settle()
  const heads = page.findAll('h2').map((each) => each.text())
  expect(heads).toEqual(['Somebody here has to do something: 1 port', 'On their way: 1 port', 'In your calendar'])
  expect(page.find('section').text()).toContain('turned down: the account')
})

it('makes an address for a calendar program, shows it once, and takes it back', async () => {
  let madeAt: string | null = null
  const server = fakeServer({
    'GET /session': SESSION,
    'GET /feed': () => ({ madeAt, readAt: null }),
    'POST /feed': () => {
      madeAt = '2026-12-01T17:00:00Z'
      return { address: 'https://roster.example/feeds/abc.ics' }
    },
    'DELETE /feed': () => {
      madeAt = null
      return null
    },
  })
  page = (await open(CalendarAddress, '/ports')).page
  await settle()
  const press = (text: string): Promise<void> | undefined =>
    page
      .findAll('button')
      .find((each) => each.text() === text)
      ?.trigger('click')
  await press('Make an address for it')
  await settle()
  expect(page.get('[role=status]').text()).toContain('https://roster.example/feeds/abc.ics')
  await press('take it back')
  await settle()
  expect(page.text()).not.toContain('feeds/abc')
  expect(server.asked.some((each) => each.call === 'DELETE /feed')).toBe(true)
  close(page)

  fakeServer({ 'GET /session': SESSION, 'GET /feed': { madeAt: '2026-12-01T17:00:00Z', readAt: null } })
  page = (await open(CalendarAddress, '/ports')).page
  await settle()
  expect(page.text()).toContain('last read never')
  expect(page.text()).not.toContain('feeds/')
})
