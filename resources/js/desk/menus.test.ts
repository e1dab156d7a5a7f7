import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, settle } from '@/testing'
import AnswersByState from './chapters/AnswersByState.vue'
import KeyOutline from './chapters/KeyOutline.vue'
import ScriptPane from './chapters/ScriptPane.vue'
import { EDITS, INES, JOSS, meaning, MEANT, object, openPart, sent, unchanged } from './testing'

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
  sessionStorage.clear()
})

async function press(text: string): Promise<void> {
  await page
    .findAll('button')
    .find((each) => each.text() === text)
    ?.trigger('click')
  await settle()
}

const MENU = object('menu:day', {
  name: 'Day menu',
  prompt: 'prompt:day',
  plays: 2,
  invalidAllowed: 3,
  silence: null,
  invalid: null,
  keys: [
    { item: '1', to: 'user:ines', label: 'Ines' },
    { item: '3', to: 'user:joss', label: null },
  ],
  dialExtensions: { scope: 'off' },
})
const PROMPT = object('prompt:day', { name: 'Day', script: 'For Ines, press 1. For our hours, press 4.', audio: null })
const TOLD = [
  { key: '1', words: 'For Ines, press 1.' },
  { key: '4', words: 'For our hours, press 4.' },
]

it('makes an announced key that is not set stand out, and sets it in place', async () => {
  const opened = await openPart(
    KeyOutline,
    [MENU, INES, JOSS],
    { [EDITS]: unchanged([MENU]) },
    { props: { menu: MENU, scripts: [{ ref: 'menu:day', seconds: 5, told: TOLD }] } },
  )
  page = opened.page
  expect(page.text()).toContain('announced, but leads nowhere')
  expect(page.text()).toContain('set, but the caller is never told')

  await page.get('[aria-label^="Key 4 leads to"]').trigger('click')
  await settle()
  await page.get('input[aria-label="Key 4 leads to"]').setValue('hang up')
  await page.get('input[aria-label="Key 4 leads to"]').trigger('keydown', { key: 'Enter' })
  await settle()
  expect(sent(opened.server)).toEqual([
    { object: 'menu:day', path: 'keys', value: [...MENU.fields.keys, { item: '4', to: 'hang up', label: null }] },
  ])
})

it('marks in the script what speaks of a key that is not set, and writes a script from the keys', async () => {
  const opened = await openPart(
    ScriptPane,
    [MENU, PROMPT, INES, JOSS],
    { [EDITS]: unchanged([MENU, PROMPT]) },
    {
      props: {
        holder: MENU,
        path: 'prompt',
        keys: TOLD,
        written: 'For Ines, press 1. For Joss Arden, press 3.',
        seconds: 5,
      },
    },
  )
  page = opened.page
  expect(page.get('mark').text()).toBe('For our hours, press 4.')
  await press('Write from the keys')
  expect(sent(opened.server)).toEqual([
    { object: 'prompt:day', path: 'script', value: 'For Ines, press 1. For Joss Arden, press 3.' },
  ])
})

it('shows a missing answer as an empty column and writes one there', async () => {
  const attendant = object('attendant:main', {
    name: 'Main',
    schedule: null,
    answers: [{ item: 'open', when: 'open', greeting: null, then: 'user:ines' }],
  })
  const opened = await openPart(
    AnswersByState,
    [attendant, INES],
    { [EDITS]: unchanged([attendant]) },
    { props: { attendant } },
  )
  page = opened.page
  const columns = page.findAll('[data-testid=answers] section').map((each) => each.text())
  expect(columns[0]).toContain('Ines Marsh')
  expect(columns[1]).toContain('No answer: callers are cut off')

  await page
    .findAll('button')
    .find((each) => each.text() === 'Write an answer')
    ?.trigger('click')
  await settle()
  expect(sent(opened.server)).toEqual([
    {
      object: 'attendant:main',
      path: 'answers',
      value: [
        { item: 'open', when: 'open', greeting: null, then: 'user:ines' },
        { when: 'closed', greeting: null, then: null },
      ],
    },
  ])
})

it('takes keys as one says them, a pasted list too, and leaves in the line what it does not understand', async () => {
  const opened = await openPart(
    KeyOutline,
    [MENU, INES, JOSS],
    { [MEANT]: meaning({ 'Ines Marsh': 'user:ines', '201': 'user:ines' }), [EDITS]: unchanged([MENU]) },
    { props: { menu: MENU, scripts: [] } },
  )
  page = opened.page
  const line = page.get<HTMLInputElement>('input[aria-label="Another key of Day menu"]')
  await line.setValue('2 Ines Marsh; 3 Ines Marsh, 5: 201; * hang up, 7 Nobody, Ines')
  await line.trigger('keydown', { key: 'Enter' })
  await settle()

  expect(sent(opened.server)).toEqual([
    {
      object: 'menu:day',
      path: 'keys',
      value: [
        ...MENU.fields.keys,
        { item: '2', to: 'user:ines', label: null },
        { item: '5', to: 'user:ines', label: null },
        { item: '*', to: 'hang up', label: null },
      ],
    },
  ])
  expect(line.element.value).toBe('3 Ines Marsh; 7 Nobody, Ines')
  expect(opened.state.notice.value?.text).toBe('Key 3 is set already. Key 7: nothing here is called "Nobody, Ines".')
})

it('asks nobody where a line has no key, and says how one is written', async () => {
  const opened = await openPart(KeyOutline, [MENU, INES], {}, { props: { menu: MENU, scripts: [] } })
  page = opened.page
  const line = page.get<HTMLInputElement>('input[aria-label="Another key of Day menu"]')
  await line.setValue('Ines Marsh')
  await line.trigger('keydown', { key: 'Enter' })
  await settle()

  expect(sent(opened.server)).toBeUndefined()
  expect(line.element.value).toBe('Ines Marsh')
  expect(opened.state.notice.value?.text).toContain('"Ines Marsh": say the key and where it leads')
})

it('makes a submenu from a key in place, with the key, as one edit', async () => {
  const TAKEN = object('menu:billing', { name: 'Billing' })
  const opened = await openPart(
    KeyOutline,
    [MENU, TAKEN],
    { [EDITS]: unchanged([MENU]), [MEANT]: meaning({}) },
    { props: { menu: MENU, scripts: [] } },
  )
  page = opened.page
  const line = page.get('input[aria-label="Another key of Day menu"]')
  await line.setValue('5 new menu Billing; 6 new menu')
  await line.trigger('keydown', { key: 'Enter' })
  await settle()

  expect(sent(opened.server)).toMatchObject([
    { op: 'create', object: 'menu:billing-2', value: { name: 'Billing', silence: 'back' } },
    {
      object: 'menu:day',
      path: 'keys',
      value: [...MENU.fields.keys, { item: '5', to: 'menu:billing-2', label: 'Billing' }],
    },
  ])
  expect(page.get<HTMLInputElement>('input[aria-label="Another key of Day menu"]').element.value).toBe('6 new menu')
})
