import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, fakeServer, LENA, open, Refused, SESSION, settle } from '@/testing'
import SettingsView from './SettingsView.vue'

const SETTINGS = {
  reseller: 'Saltmarsh Voice',
  region: 'CA-NS',
  zone: 'America/Halifax',
  colour: '#2f5d62',
  letterhead: '',
  languages: ['en'],
  nightlyAt: '03:10',
  nightlyAs: 'lena@saltmarsh.example',
  lettersAt: '06:30',
  mailFrom: null,
  mailFromFile: 'roster@localhost',
  mailer: 'smtp',
  secondFactorFor: [],
  pushWithBlockers: 'open',
  retention: { calls: 90 },
  restDays: { local: 90, tollFree: 90, mobile: 90 },
  orderLimitCents: null,
  switches: [],
  carrier: { url: null, hasToken: false, isOfFile: false },
  studio: { url: null, hasToken: false, isOfFile: false },
  choices: {
    regions: [{ code: 'CA-NS', name: 'Nova Scotia' }],
    languages: [{ code: 'en', name: 'English' }],
    people: [{ code: 'lena@saltmarsh.example', name: 'Lena Kestrel' }],
    kinds: [{ code: 'practice-switch', name: 'practice switch', wants: ['url', 'token'] }],
    retention: [{ name: 'calls', least: 1, most: 3650, usual: 90 }],
  },
}

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function settings(handlers: Record<string, unknown> = {}): Promise<ReturnType<typeof fakeServer>> {
  const server = fakeServer({
    'GET /session': { ...SESSION, technician: LENA },
    'GET /settings': SETTINGS,
    'PUT /settings': (body: unknown) => ({ ...SETTINGS, ...(body as object), switches: [] }),
    ...handlers,
  })
  page = (await open(SettingsView, '/settings')).page
  await settle()
  return server
}
const put = (server: ReturnType<typeof fakeServer>): unknown[] =>
  server.asked.filter((each) => each.call === 'PUT /settings').map((each) => each.body)
const form = (of: string): ReturnType<VueWrapper['get']> => page.get(`form:has(${of})`)

it('keeps one part, as people type times, leaves the others half typed, and puts it back', async () => {
  const server = await settings()
  await page.get('input[name=reseller]').setValue('Half ty')
  await page.get('input[name=nightlyAt]').setValue('2.40')
  await form('input[name=nightlyAt]').trigger('submit')
  await settle()

  expect(put(server)).toEqual([
    { nightlyAt: '02:40', nightlyAs: 'lena@saltmarsh.example', lettersAt: '06:30', mailFrom: null },
  ])
  expect((page.get('input[name=reseller]').element as HTMLInputElement).value).toBe('Half ty')
  expect(page.get('[role=status]').text()).toContain('Kept')
  await page
    .findAll('button')
    .find((each) => each.text() === 'Put it back')
    ?.trigger('click')
  await settle()
  expect(put(server)[1]).toMatchObject({ nightlyAt: '03:10' })
})

it('says beside a field why the server refuses it, and keeps what was typed', async () => {
  await settings({ 'PUT /settings': new Refused(422, { errors: [{ detail: 'No such colour.', pointer: '/colour' }] }) })
  await page.get('input[name=colour]').setValue('blue')
  await form('input[name=colour]').trigger('submit')
  await settle()

  expect(page.get('form:has(input[name=colour]) [role=alert]').text()).toBe('No such colour.')
  expect((page.get('input[name=colour]').element as HTMLInputElement).value).toBe('blue')
})

it('tries a switch as it stands on the page, and forgets the verdict once that changes', async () => {
  const trouble = 'The switch cannot be reached.'
  const server = await settings({ 'POST /settings/connections/try': { isReached: false, trouble } })
  await page
    .findAll('button')
    .find((each) => each.text() === 'Add a switch')
    ?.trigger('click')
  await page.get('input[name=switchName]').setValue('coast')
  await page.get('input[name=switchUrl]').setValue('https://coast.example')
  await page.get('input[name=switchToken]').setValue('secret')
  await page.get('[aria-label="Try it: coast"]').trigger('click')
  await settle()

  expect(server.asked.find((each) => each.call === 'POST /settings/connections/try')?.body).toEqual({
    of: 'coast',
    kind: 'practice-switch',
    url: 'https://coast.example',
    directory: null,
    token: 'secret',
  })
  expect(page.text()).toContain(trouble)
  await page.get('input[name=switchUrl]').setValue('https://coast.example/v2')
  expect(page.text()).not.toContain(trouble)
})

it('takes an amount as people type one, and sends what is none to be refused', async () => {
  const server = await settings()
  await page.get('input[name=orderLimit]').setValue('$49,50')
  await page.get('input[name=rest-local]').setValue('30')
  await form('input[name=orderLimit]').trigger('submit')
  await settle()
  expect(put(server)).toEqual([{ orderLimitCents: 4950, restDays: { local: 30, tollFree: 90, mobile: 90 } }])

  await page.get('input[name=orderLimit]').setValue('a lot')
  server.handlers['PUT /settings'] = new Refused(422, {
    errors: [{ pointer: '/orderLimitCents', detail: 'An amount is wanted, such as 50 or 49.50.' }],
  })
  await form('input[name=orderLimit]').trigger('submit')
  await settle()
  expect(page.text()).toContain('An amount is wanted')
  expect((page.get('input[name=orderLimit]').element as HTMLInputElement).value).toBe('a lot')
})
