import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { fakeServer, settle } from '@/testing'
import TableField from './TableField.vue'

const COLUMN = { help: null, example: null, optional: true, default: null, options: [], columns: [] }
const USERS = {
  ...COLUMN,
  key: 'users',
  question: 'Users',
  type: 'table' as const,
  columns: [
    { ...COLUMN, key: 'name', question: 'Name', type: 'person' as const },
    { ...COLUMN, key: 'extension', question: 'Ext', type: 'extension' as const },
  ],
}
const PASTE = 'POST /taking-on/paste'
type Row = Record<string, string>

let field: VueWrapper
let rows: Row[]
beforeEach(() => {
  rows = []
})
afterEach(() => {
  field.unmount()
  vi.unstubAllGlobals()
})

function table(start: Row[], faults: Record<string, string> = {}, understood: Row[] = []): void {
  rows = start
  field = mount(TableField, {
    attachTo: document.body,
    props: {
      id: 'users',
      template: 'office',
      asked: USERS,
      faults,
      understood,
      modelValue: rows,
      'onUpdate:modelValue': (given: Row[]) => {
        rows = given
        void field.setProps({ modelValue: given })
      },
    },
  })
}

async function paste(on: string, text: string): Promise<Event> {
  const event = new Event('paste', { bubbles: true, cancelable: true })
  Object.assign(event, { clipboardData: { getData: () => text } })
  field.get(on).element.dispatchEvent(event)
  await settle()
  return event
}

it('has a block read by the server, says what was left out, and takes it back', async () => {
  const server = fakeServer({
    [PASTE]: { columns: ['name', null], unmatched: ['Room'], rows: [{ name: 'Ines Marsh' }, { name: 'Joss Arden' }] },
  })
  table([])
  await paste('textarea', 'Name\tRoom\nInes Marsh\t1\nJoss Arden\t2')

  expect(server.asked).toEqual([
    { call: PASTE, body: { template: 'office', slot: 'users', text: 'Name\tRoom\nInes Marsh\t1\nJoss Arden\t2' } },
  ])
  expect(rows).toEqual([{ name: 'Ines Marsh' }, { name: 'Joss Arden' }])
  expect(field.get('[role=status]').text()).toBe('2 rows · 2 rows read; not asked, so left out: Room')

  await field
    .findAll('button')
    .find((each) => each.text() === 'Undo')
    ?.trigger('click')
  expect(rows).toEqual([])
})

it('adds a block pasted into a cell below, and leaves a word pasted there alone', async () => {
  fakeServer({ [PASTE]: { columns: ['name'], unmatched: [], rows: [{ name: 'Joss Arden' }] } })
  table([{ name: 'Ines Marsh' }])

  expect((await paste('input[data-cell="0-0"]', 'Arden')).defaultPrevented).toBe(false)
  await paste('input[data-cell="0-0"]', 'Joss Arden\t202')

  expect(rows).toEqual([{ name: 'Ines Marsh' }, { name: 'Joss Arden' }])
})

it('says what is wrong below the row, and shows the extension that would be given', () => {
  fakeServer({})
  table(
    [{ name: 'Petra Lunn', extension: '203' }, { name: 'Colm Reeve', extension: '203' }, { name: 'Wynn Abel' }],
    { 'users/1/extension': "203 is Petra Lunn's; next free 204", name: 'another field' },
    [{}, {}, { extension: '204' }],
  )

  expect(field.text()).toContain("Ext: 203 is Petra Lunn's; next free 204")
  expect(field.get('input[data-cell="1-1"]').attributes('aria-invalid')).toBe('true')
  expect(field.get('input[data-cell="2-1"]').attributes('placeholder')).toBe('204')
  expect(field.get('[role=status]').text()).toBe('3 rows · 1 needs a look')
})

it('takes what a fault offers at the press of a button', async () => {
  fakeServer({})
  table(
    [
      { name: 'Petra Lunn', extension: '203' },
      { name: 'Colm Reeve', extension: '203' },
    ],
    { 'users/1/extension': "203 is Petra Lunn's; next free 204" },
  )
  expect(field.findAll('button').some((each) => each.text().startsWith('Take 2'))).toBe(false)
  await field.setProps({ offers: { 'users/1/extension': '204' } })
  await field
    .findAll('button')
    .find((each) => each.text() === 'Take 204')
    ?.trigger('click')

  expect(rows[1]).toEqual({ name: 'Colm Reeve', extension: '204' })
})

it('says how a cell was read where that can be in doubt', async () => {
  fakeServer({})
  table([{ name: 'Quay End' }])
  await field.setProps({ readAs: { 'users/0/name': 'Mon to Fri 08:00 to 17:00', 'sites/0/name': 'of another table' } })

  expect(field.text()).toContain('Name read as Mon to Fri 08:00 to 17:00')
  expect(field.text()).not.toContain('of another table')
})

it('goes down with Enter, past the last row into a new one', async () => {
  fakeServer({})
  table([{ name: 'Ines Marsh' }])
  await field.get('input[data-cell="0-0"]').setValue('Ines Mar')
  await field.get('input[data-cell="0-0"]').trigger('keydown', { key: 'Enter' })
  await settle()

  expect(rows).toEqual([{ name: 'Ines Mar' }, {}])
  expect(document.activeElement?.getAttribute('data-cell')).toBe('1-0')
})

it('leaves what is being typed alone when an answer of the server comes meanwhile', async () => {
  table([{ name: 'Ines Marsh', extension: '203' }])
  const cell = field.get<HTMLInputElement>('input[data-cell="0-1"]')
  cell.element.value = '20'
  await cell.trigger('input')
  await field.setProps({ faults: { 'users/0/extension': '203 is taken' }, understood: [{ name: 'Ines Marsh' }] })
  expect(cell.element.value).toBe('20')

  cell.element.value = '204'
  await cell.trigger('input')
  await cell.trigger('change')
  expect(rows).toEqual([{ name: 'Ines Marsh', extension: '204' }])
  expect(cell.element.value).toBe('204')
})
