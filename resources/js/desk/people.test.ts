import type { VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import { close, Refused, settle } from '@/testing'
import NewObject from './NewObject.vue'
import { asChange, deskOf, EDITS, object, openPart } from './testing'

const INES = object('user:ines', { name: { first: 'Ines' }, extension: '201' }, { extension: '201' })
const READ = 'POST /customers/inlet/people/read'
const COLUMNS = [
  { key: 'name', question: 'Name', type: 'person' },
  { key: 'extension', question: 'Ext', type: 'extension' },
].map((column) => ({ help: null, example: null, optional: true, default: null, options: [], columns: [], ...column }))
const ASKED = {
  key: 'people',
  question: 'People',
  type: 'table',
  help: null,
  example: null,
  optional: false,
  default: null,
  options: [],
  columns: COLUMNS,
}

let page: VueWrapper
afterEach(() => {
  close(page)
})

describe('a list of people pasted under the users', () => {
  it('is read once, as a whole, and says in its cell what cannot be taken', async () => {
    const opened = await openPart(
      NewObject,
      [INES],
      {
        [READ]: {
          asked: ASKED,
          rows: [{ name: 'Drew Dent', extension: '201' }],
          unmatched: [],
          understood: [],
          readAs: {},
          faults: [{ detail: "201 is Ines's", pointer: '/answers/people/0/extension' }],
          makes: ['Drew Dent: 201'],
        },
      },
      { props: { kind: 'user' } },
    )
    page = opened.page
    const asked = (): unknown[] => opened.server.asked.filter((each) => each.call === READ).map((each) => each.body)
    await page
      .get('form.new input')
      .trigger('paste', { clipboardData: { getData: () => 'Drew Dent\t201\nEdie Elm\t224' } })
    await settle()
    await settle()

    expect(asked()).toEqual([{ text: 'Drew Dent\t201\nEdie Elm\t224', rows: [] }])
    expect(document.body.textContent).toContain("Ext: 201 is Ines's")
    expect(document.body.querySelector<HTMLButtonElement>('[data-testid=take-people]')?.disabled).toBe(true)

    const cell = document.body.querySelector<HTMLInputElement>('[data-cell="0-1"]')
    if (cell === null) throw new Error('no cell')
    cell.value = '223'
    cell.dispatchEvent(new Event('change'))
    await settle()
    expect(asked().at(-1)).toEqual({ rows: [{ name: 'Drew Dent', extension: '223' }] })
  })

  it('takes those of whom all can be read while the others wait, and takes them back in one', async () => {
    const bad = { name: 'Drew Dent', extension: '201' }
    const good = { name: 'Edie Elm', extension: '224' }
    const edie = object('user:edie', { name: { first: 'Edie' }, extension: '224' }, { extension: '224' })
    const edits: unknown[] = []
    let isTaken = false
    const desk = (): ReturnType<typeof deskOf> => deskOf(isTaken ? [INES, edie] : [INES])
    const read = (rows: object[]): object => ({
      asked: ASKED,
      rows,
      unmatched: [],
      understood: [],
      readAs: {},
      faults: rows.includes(bad) ? [{ detail: "201 is Ines's", pointer: '/answers/people/0/extension' }] : [],
      makes: [],
    })
    const opened = await openPart(
      NewObject,
      [INES],
      {
        'GET /customers/inlet/desk': () => desk(),
        [READ]: () => read(isTaken ? [bad] : [bad, good]),
        'POST /customers/inlet/people': () => {
          isTaken = true
          return { taken: 1, pending: 3 }
        },
        [EDITS]: (body: unknown) => {
          edits.push(body)
          return asChange(deskOf([INES]))
        },
      },
      { props: { kind: 'user' } },
    )
    page = opened.page
    await page
      .get('form.new input')
      .trigger('paste', { clipboardData: { getData: () => 'Drew Dent\t201\nEdie Elm\t224' } })
    await settle()
    await settle()
    const button = document.body.querySelector<HTMLButtonElement>('[data-testid=take-people]')
    expect(button?.textContent.trim()).toBe('Take 1 person')
    expect(document.body.textContent).toContain('1 row needs a look and waits here meanwhile.')
    button?.click()
    await settle()
    await settle()
    expect(opened.server.asked.find((each) => each.call === 'POST /customers/inlet/people')?.body).toEqual({
      rows: [good],
    })
    expect(document.body.querySelectorAll('[data-cell$="-0"]')).toHaveLength(1)
    expect(page.get('button.left').text()).toMatch(/^1 person of a list waits/)

    await opened.state.draft.takeBack()
    expect(edits).toEqual([{ edits: [{ op: 'delete', object: 'user:edie', value: null }] }])
  })

  it('asks for people by the number, and says at once what cannot be read', async () => {
    let isGood = false
    const opened = await openPart(
      NewObject,
      [INES],
      {
        [READ]: () =>
          isGood
            ? { asked: ASKED, rows: [], unmatched: [], understood: [], readAs: {}, faults: [], makes: [] }
            : new Refused(422, { errors: [{ detail: '"xx" is no extension.', pointer: '/batch/first' }] }),
      },
      { props: { kind: 'user' } },
    )
    page = opened.page
    await page
      .findAll('button')
      .find((each) => each.text() === 'or people by the number')
      ?.trigger('click')
    await page.get('input[aria-label="First extension"]').setValue('xx')
    await page.get('[data-testid=batch]').trigger('submit')
    await settle()
    expect(page.get('[data-testid=batch] [role=alert]').text()).toBe('"xx" is no extension.')

    isGood = true
    await page.get('input[aria-label="First extension"]').setValue('300')
    await page.get('[data-testid=batch]').trigger('submit')
    await settle()
    await settle()
    const batch = { first: '300', count: '10', step: '1', name: '' }
    expect(opened.server.asked.filter((each) => each.call === READ).at(-1)?.body).toEqual({ text: '', batch, rows: [] })
  })
})
