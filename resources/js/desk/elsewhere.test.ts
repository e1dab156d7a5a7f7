import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it } from 'vitest'
import type { PersonElsewhere } from '@/api'
import { close, Refused, settle } from '@/testing'
import WorkingElsewhere from './chapters/WorkingElsewhere.vue'
import { asChange, deskOf, EDITS, INES, openPart } from './testing'

let page: VueWrapper
afterEach(() => {
  close(page)
})

const INES_AT_HOME: PersonElsewhere = {
  ref: 'user:ines',
  key: 'ines',
  name: 'Ines Marsh',
  mail: 'ines@inlet.example',
  address: null,
  room: null,
  asked: null,
  said: null,
}
const press = (text: string): Promise<void> | undefined =>
  page
    .findAll('button')
    .find((each) => each.text() === text)
    ?.trigger('click')
const openWith = async (
  person: PersonElsewhere,
  handlers: Record<string, unknown> = {},
): Promise<Awaited<ReturnType<typeof openPart>>> => {
  const opened = await openPart(WorkingElsewhere, [INES], {
    'GET /customers/inlet/elsewhere': { people: [person] },
    ...handlers,
  })
  page = opened.page
  await settle()
  return opened
}

it('asks somebody by letter, says why one was not sent, and takes back what waits', async () => {
  const asked = {
    at: '2020-12-01T12:00:00Z',
    to: 'ines@inlet.example',
    until: '2099-12-22T12:00:00Z',
    isAnswered: false,
  }
  let isSent = false
  const opened = await openWith(INES_AT_HOME, {
    'POST /customers/inlet/elsewhere/ines': () =>
      isSent
        ? { people: [{ ...INES_AT_HOME, asked }] }
        : new Refused(422, { errors: [{ detail: 'That is no mail address.', pointer: '/to' }] }),
    'DELETE /customers/inlet/elsewhere/ines': { people: [INES_AT_HOME] },
  })
  expect(page.text()).toContain('not known')
  await press('Ask by letter')
  expect((page.get('input[name=to]').element as HTMLInputElement).value).toBe('ines@inlet.example')
  await page.get('[data-testid=ask]').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('That is no mail address.')

  isSent = true
  await page.get('[data-testid=ask]').trigger('submit')
  await settle()
  expect(page.find('[data-testid=ask]').exists()).toBe(false)
  expect(page.get('.state').text()).toMatch(/^asked/)
  expect(opened.server.asked.filter((each) => each.call.startsWith('POST')).at(-1)?.body).toEqual({
    to: 'ines@inlet.example',
    language: 'en',
  })
  await press('take back')
  await settle()
  expect(page.get('.state').text()).toBe('not known')
})

it('shows what they said beside what is told, and takes it over whole', async () => {
  const said = { at: '2026-11-20T12:00:00Z', line: '9 Shore Road, Port Merrow', unit: '2', isTold: false }
  const opened = await openWith(
    { ...INES_AT_HOME, address: '7 Shore Road, Port Merrow', said },
    { [EDITS]: asChange(deskOf([INES])) },
  )
  expect(page.get('.state').text()).toMatch(/^said otherwise/)
  expect(page.text()).toContain('They say: 9 Shore Road, Port Merrow, 2')
  await press('Take it over')
  await settle()
  expect(opened.server.asked.find((each) => each.call === EDITS)?.body).toMatchObject({
    edits: [
      { object: 'user:ines', path: 'emergency/address', value: '9 Shore Road, Port Merrow' },
      { object: 'user:ines', path: 'emergency/room', value: '2' },
    ],
  })
})

it('tells a letter that was never answered, an address that nobody confirmed, and one that they did', async () => {
  const late = { at: '2020-01-01T12:00:00Z', to: 'x@inlet.example', until: '2020-01-22T12:00:00Z', isAnswered: false }
  await openWith({ ...INES_AT_HOME, asked: late })
  expect(page.get('.state').text()).toContain('never answered')
  close(page)
  await openWith({ ...INES_AT_HOME, address: '7 Shore Road' })
  expect(page.get('.state').text()).toBe('never confirmed')
  close(page)
  const said = { at: '2020-01-01T12:00:00Z', line: '7 Shore Road', unit: '', isTold: true }
  await openWith({ ...INES_AT_HOME, address: '7 Shore Road', said })
  expect(page.get('.state').text()).toMatch(/^confirmed/)
})
