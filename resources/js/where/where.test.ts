import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it } from 'vitest'
import { close, fakeServer, open, Refused, SESSION, settle } from '@/testing'
import WhereView from './WhereView.vue'

let page: VueWrapper
afterEach(() => {
  close(page)
})

const ASKED = {
  name: 'Ines Marsh',
  customer: 'Inlet Property Care',
  language: 'en',
  reseller: 'Salt & Marsh',
  told: '7 Shore Road, Port Merrow',
  country: 'CA',
  said: null,
  countries: ['GB', 'CA', 'US'],
}
const NOBODY = { 'GET /session': { ...SESSION, technician: null } }

it('asks whoever has the letter where they work, and keeps what they wrote until it can be so', async () => {
  let isRight = false
  const server = fakeServer({
    ...NOBODY,
    'POST /where/look': ASKED,
    'POST /where': () =>
      isRight ? null : new Refused(422, { errors: [{ detail: '"x" is no postcode of CA', pointer: '/postcode' }] }),
  })
  page = (await open(WhereView, '/where#the-code')).page
  await settle()
  expect(page.text()).toContain('Hello Ines Marsh.')
  expect(page.text()).toContain('Known is: 7 Shore Road, Port Merrow')
  await page.get('input[name=street]').setValue('9 Shore Road')
  await page.get('input[name=postcode]').setValue('x')
  await page.get('form').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('"x" is no postcode of CA')
  expect((page.get('input[name=street]').element as HTMLInputElement).value).toBe('9 Shore Road')

  isRight = true
  await page.get('form').trigger('submit')
  await settle()
  expect(server.asked.filter((each) => each.call === 'POST /where').at(-1)?.body).toMatchObject({
    code: 'the-code',
    street: '9 Shore Road',
    country: 'CA',
  })
  expect(page.get('[role=status]').text()).toContain('Thank you')
  expect(page.find('form').exists()).toBe(false)
})

it('speaks French, errors too, and begins with what was said the last time', async () => {
  fakeServer({
    ...NOBODY,
    'POST /where/look': { ...ASKED, language: 'fr', said: { street: '3 rue du Quai', unit: '2', postcode: 'J5X 1A1' } },
    'POST /where': new Refused(422, { errors: [{ detail: 'The city field is required.', pointer: '/city' }] }),
  })
  page = (await open(WhereView, '/where#the-code')).page
  await settle()
  expect((page.get('input[name=unit]').element as HTMLInputElement).value).toBe('2')
  await page.get('form').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('Il faut la ville.')
  expect(page.text()).toContain('Les secours doivent venir ici')
  expect(page.text()).not.toMatch(/required|Country/)
})

it('says that a letter is closed, answered meanwhile too, and that an address lacks its code', async () => {
  fakeServer({ ...NOBODY, 'POST /where/look': ASKED, 'POST /where': new Refused(410) })
  page = (await open(WhereView, '/where#the-code')).page
  await settle()
  await page.get('form').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toContain('not open any more')
  close(page)

  page = (await open(WhereView, '/where')).page
  await settle()
  expect(page.get('[role=alert]').text()).toContain('not whole')
})
