import { afterEach, expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import type { SiteView } from '@/api'
import { close, settle, Refused } from '@/testing'
import SiteContacts from './chapters/SiteContacts.vue'
import SiteFloors from './chapters/SiteFloors.vue'
import { asChange, deskOf, EDITS, FLOORED, openPart, SEATED } from './testing'

let page: VueWrapper
afterEach(() => {
  close(page)
})

const VIEW = {
  ref: 'site:office',
  key: 'office',
  name: 'Office',
  people: [],
  plans: [{ floor: '1', id: 'f00d', width: 300, height: 200, by: 'Lena', at: '2026-12-01T17:00:00Z' }],
  contacts: [{ item: 'otto', next: '2020-12-01T12:00:00Z' }],
} as unknown as SiteView
const brief = (edits: { object: string; path: string; value: unknown }[]): unknown[] =>
  edits.map((each) => [each.object, each.path, each.value])

it('shows the pins of one floor on its picture and moves one by keys, as one edit when the key is let go', async () => {
  const opened = await openPart(
    SiteFloors,
    [FLOORED, ...SEATED],
    { [EDITS]: asChange(deskOf([FLOORED, ...SEATED])) },
    { props: { site: VIEW, object: FLOORED } },
  )
  page = opened.page
  await settle()
  expect(page.findAll('.pin')).toHaveLength(2)
  expect(page.get('img').attributes('src')).toBe('/api/customers/inlet/plans/f00d')
  expect(page.text()).toContain('On no plan: 1 person')
  expect(page.get('[data-item=b]').classes()).toContain('leftwards')

  const pin = page.get('[data-item=a]')
  await pin.trigger('keydown', { key: 'ArrowLeft', shiftKey: true })
  await pin.trigger('keydown', { key: 'ArrowLeft', shiftKey: true })
  await pin.trigger('keydown', { key: 'ArrowLeft', shiftKey: true })
  await pin.trigger('keyup', { key: 'ArrowLeft' })
  await settle()
  const sent = opened.server.asked.filter((each) => each.call === EDITS)
  expect(sent).toHaveLength(1)
  expect(sent[0]?.body).toMatchObject({ edits: [{ object: 'site:office', path: 'workplaces/a/across', value: 0 }] })

  await page
    .findAll('button')
    .find((each) => each.text() === 'First floor')
    ?.trigger('click')
  expect(page.findAll('.pin')).toHaveLength(1)
  expect(page.text()).toContain('No picture of this floor yet')
})

it('takes a floor away with its workplaces, and nothing is told of them', async () => {
  const opened = await openPart(
    SiteFloors,
    [FLOORED, ...SEATED],
    { [EDITS]: asChange(deskOf([FLOORED, ...SEATED])) },
    { props: { site: VIEW, object: FLOORED } },
  )
  page = opened.page
  await settle()
  await page
    .findAll('button')
    .find((each) => each.text() === 'Floor away')
    ?.trigger('click')
  await settle()

  const { edits } = opened.server.asked.find((each) => each.call === EDITS)?.body as { edits: never[] }
  expect(brief(edits)).toEqual([
    ['user:ines', 'emergency/floor', null],
    ['user:ines', 'emergency/room', null],
    ['site:office', 'workplaces', [FLOORED.fields.workplaces[2]]],
    ['site:office', 'floors', [FLOORED.fields.floors[1]]],
  ])
})

it('adds a contact whose number and hours can be read, and keeps what was typed of one that cannot', async () => {
  let meant: unknown[] = [{ said: '902', value: null, fault: '"902" has too few digits' }]
  const opened = await openPart(
    SiteContacts,
    [FLOORED, ...SEATED],
    { [EDITS]: asChange(deskOf([FLOORED, ...SEATED])), 'POST /customers/inlet/meant': () => ({ meant }) },
    { props: { site: VIEW, object: FLOORED, zone: 'America/Halifax' } },
  )
  page = opened.page
  await settle()
  expect(page.get('tbody tr').text()).toContain('there now')
  await page.get('[aria-label="Number of the contact"]').setValue('902')
  await page.get('form').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('Say who it is.')
  await page.get('[aria-label="Name of a contact"]').setValue('Ana Reed')
  await page.get('form').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toContain('too few digits')
  expect((page.get('[aria-label="Name of a contact"]').element as HTMLInputElement).value).toBe('Ana Reed')

  meant = [{ said: '902 555 0120', value: 'outside:+19025550120', fault: null }]
  await page.get('form').trigger('submit')
  await settle()
  expect(opened.server.asked.find((each) => each.call === EDITS)?.body).toMatchObject({
    edits: [
      {
        path: 'contacts',
        value: [
          { item: 'otto' },
          { item: 'contact-2', name: 'Ana Reed', role: null, phone: '+19025550120', hours: null },
        ],
      },
    ],
  })
})

it('says why a picture was not kept', async () => {
  const opened = await openPart(
    SiteFloors,
    [FLOORED, ...SEATED],
    {
      'POST /customers/inlet/sites/office/plans': () =>
        new Refused(422, { errors: [{ detail: 'This is no picture.', pointer: '/plan' }] }),
    },
    { props: { site: VIEW, object: FLOORED } },
  )
  page = opened.page
  await settle()
  const input = page.get('input[type=file]')
  Object.defineProperty(input.element, 'files', { value: [new File(['xx'], 'plan.png')] })
  await input.trigger('change')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('This is no picture.')
})
