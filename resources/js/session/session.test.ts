import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, fakeServer, LENA, open, Refused, SESSION, settle } from '@/testing'
import SignInView from './SignInView.vue'

const NOBODY = { ...SESSION, technician: null }
const SIGNED_IN = { ...SESSION, technician: { ...LENA, secondFactor: true } }

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function send(signIn: string, password: string): Promise<void> {
  await page.get('input[name=signIn]').setValue(signIn)
  await page.get('input[name=password]').setValue(password)
  await page.get('form').trigger('submit')
  await settle()
}

it('asks for a code only once the server does, and sends it with the rest', async () => {
  const server = fakeServer({
    'GET /session': NOBODY,
    'POST /session': (body: unknown) =>
      (body as { code: string | null }).code === '123456'
        ? SIGNED_IN
        : new Refused(422, { errors: [{ detail: 'Enter the code', pointer: '/code' }] }),
  })
  const opened = await open(SignInView, '/sign-in')
  page = opened.page
  const replace = vi.spyOn(opened.router, 'replace')
  expect(page.find('input[name=code]').exists()).toBe(false)

  await send('lena', 'secret')
  expect(page.find('[role=alert]').exists()).toBe(false)
  await page.get('input[name=code]').setValue('123456')
  await page.get('form').trigger('submit')
  await settle()

  expect(server.asked.at(-1)?.body).toEqual({ signIn: 'lena', password: 'secret', code: '123456' })
  expect(replace).toHaveBeenCalledWith('/')
})

it('goes on to where somebody was going, but never to another site', async () => {
  fakeServer({ 'GET /session': NOBODY, 'POST /session': SIGNED_IN })
  for (const [to, expected] of [
    ['/customers/inlet', '/customers/inlet'],
    ['//evil.example', '/'],
    ['https://evil.example', '/'],
  ] as const) {
    const opened = await open(SignInView, `/sign-in?to=${encodeURIComponent(to)}`, '/sign-in')
    page = opened.page
    const replace = vi.spyOn(opened.router, 'replace')
    await send('lena', 'secret')
    expect(replace).toHaveBeenCalledWith(expected)
    if (to !== 'https://evil.example') close(page)
  }
})

it('says a wrong password at its field and a stopped series of tries in words', async () => {
  const server = fakeServer({
    'GET /session': NOBODY,
    'POST /session': new Refused(422, { errors: [{ detail: 'Name and password do not fit', pointer: '/password' }] }),
  })
  page = (await open(SignInView, '/sign-in')).page
  await send('lena', 'wrong')
  const field = page.get('input[name=password]')
  expect([document.activeElement, (field.element as HTMLInputElement).selectionEnd]).toEqual([field.element, 5])
  expect(field.attributes('aria-invalid')).toBe('true')
  expect(document.getElementById(field.attributes('aria-describedby') ?? '')?.textContent).toBe(
    'Name and password do not fit',
  )

  server.handlers['POST /session'] = new Refused(429, { detail: 'Too many tries. Wait 4 minutes.' })
  await send('lena', 'wrong')
  expect(page.text()).toContain('Too many tries. Wait 4 minutes.')
})

it('says so when the server cannot be reached', async () => {
  fakeServer({ 'GET /session': NOBODY })
  page = (await open(SignInView, '/sign-in')).page
  await send('lena', 'secret')

  expect(page.get('[role=alert]').text()).toContain('The server cannot be reached. What you entered before is kept')
})

it('tells the demo its sign-in, and any other house nothing', async () => {
  const demo = { signIn: 'lena@saltmarsh.example', password: 'tide-table-2026' }
  const server = fakeServer({ 'GET /session': { ...NOBODY, demo }, 'POST /session': SIGNED_IN })
  page = (await open(SignInView, '/sign-in')).page
  await page.get('[data-testid=demo] button').trigger('click')
  await settle()
  expect(server.asked.at(-1)?.body).toEqual({ ...demo, code: null })
  close(page)

  fakeServer({ 'GET /session': NOBODY })
  page = (await open(SignInView, '/sign-in')).page
  expect(page.find('[data-testid=demo]').exists()).toBe(false)
})
