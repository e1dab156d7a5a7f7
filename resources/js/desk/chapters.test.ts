import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { type Component, defineComponent, h } from 'vue'
import type { Desk, Difference, Kind, Live } from '@/api'
import { bookObject, close, type fakeServer, Refused, settle } from '@/testing'
import HistoryChapter from './HistoryChapter.vue'
import IntakeChapter from './IntakeChapter.vue'
import MarginNotes from './MarginNotes.vue'
import NowLine from './NowLine.vue'
import PinKeeper from './PinKeeper.vue'
import PushChapter from './PushChapter.vue'
import { deskOf, NOTHING_LIVE, openPart, ZONE } from './testing'

const BOX = bookObject('mailbox:ines', { pin: 'set' }, { label: 'Ines Marsh' })
const MAIL: Difference = {
  object: 'user:ines',
  label: 'Ines Marsh',
  what: 'field',
  whose: 'theirs',
  path: 'email',
  book: null,
  live: 'ines@elsewhere.example',
  signed: null,
  since: null,
  by: null,
}
const LIVE: Live = { ...NOTHING_LIVE, onSwitch: true, readAt: '2026-12-01T18:05:00Z', differences: [MAIL] }

const MARGIN = { title: 'Mailboxes', kinds: ['user', 'mailbox'] as const satisfies Kind[], zone: ZONE }
const STEP: Live['runSheet'][number] = { kind: 'update', object: 'user:ines', label: 'Ines Marsh', fields: ['email'] }

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function chapter(
  which: Component,
  handlers: Record<string, unknown>,
  props: Record<string, unknown> = {},
): Promise<ReturnType<typeof fakeServer>> {
  const opened = await openPart(
    which,
    [BOX],
    { 'GET /customers/inlet/live': LIVE, ...handlers },
    { props: { zone: ZONE, ...props } },
  )
  page = opened.page
  return opened.server
}

async function press(text: string): Promise<void> {
  await page
    .findAll('button')
    .find((each) => each.text() === text)
    ?.trigger('click')
  await settle()
}

it('waives a difference with a reason and a last day, and takes it back', async () => {
  const waived: Live = {
    ...LIVE,
    differences: [],
    waived: [
      {
        difference: MAIL,
        id: 'w1',
        reason: 'away',
        until: '2026-12-24',
        by: 'Lena Kestrel',
        at: '2026-12-01T18:05:00Z',
      },
    ],
  }
  const server = await chapter(PushChapter, {
    'POST /customers/inlet/live/waivers': waived,
    'DELETE /customers/inlet/live/waivers/w1': LIVE,
  })
  await press('Waive')
  await page.get('.el-dialog form').trigger('submit')
  expect(server.asked.some((each) => each.call.endsWith('/waivers'))).toBe(false)

  await page.get('input[name=reason]').setValue('away')
  await page.get('input[name=until]').setValue('2026-12-24')
  await page.get('.el-dialog form').trigger('submit')
  await settle()

  expect(server.asked.find((each) => each.call.endsWith('/waivers'))?.body).toEqual({
    object: 'user:ines',
    path: 'email',
    reason: 'away',
    until: '2026-12-24',
  })
  expect(page.get('[data-testid=waived]').text()).toContain('away')
  expect(page.get('[data-testid=compared]').text()).toContain('1 place otherwise there and waived')
  expect(page.text()).toContain('Nothing to push that was not waived.')
  expect(page.find('[data-testid=differences]').exists()).toBe(false)

  // A finding of the difference is one no more.
  const margins = (): number => server.asked.filter((each) => each.call === 'GET /customers/inlet/margin').length
  const before = margins()
  await press('Take back')
  expect(margins()).toBe(before + 1)
  expect(page.find('[data-testid=waived]').exists()).toBe(false)
  expect(page.find('[data-testid=differences]').exists()).toBe(true)
})

it.each([
  ['read', [], 'You may read this customer;'],
  ['edit', ['Adopt', 'Waive'], 'You may read and edit this customer;'],
] as const)('offers whoever may only %s nothing that would be refused', async (may, offered, told) => {
  await chapter(
    defineComponent(() => () => h('div', [h(PushChapter, { zone: ZONE }), h(MarginNotes, MARGIN)])),
    {
      'GET /customers/inlet/desk': { ...deskOf([BOX]), may },
      'GET /customers/inlet/live': { ...LIVE, runSheet: [STEP] },
    },
  )
  expect(page.get('[data-testid=may-not-push]').text()).toContain(told)
  expect(page.find('[data-testid=push]').exists()).toBe(false)
  expect(page.findAll('[data-testid=differences] button').map((each) => each.text())).toEqual(offered)
  expect(page.get('[data-testid=drift]').findAll('button')).toEqual([])
  expect(page.text().includes('Note a signature')).toBe(may === 'edit')
})

it('says what the switch has no place for, and moves the customer to another one', async () => {
  const files: Live = {
    ...LIVE,
    differences: [],
    onSwitch: false,
    readAt: null,
    switch: {
      name: 'file-switch',
      title: 'file switch',
      takesPins: false,
      others: [{ name: 'practice-switch', title: 'practice switch' }],
      unsupported: [
        { object: 'mailbox:ines', label: 'Ines Marsh', path: null, why: 'it has no boxes' },
        { object: 'mailbox:ines', label: 'Ines Marsh', path: 'zero', why: 'it has no key 0' },
      ],
    },
  }
  const server = await chapter(PushChapter, { 'PUT /customers/inlet/switch': files })
  expect(page.text()).toContain('On the practice switch.')
  expect(page.find('[data-testid=unsupported]').exists()).toBe(false)

  await press('Move to another switch …')
  const sheet = page.findAll('.el-dialog').find((each) => each.text().includes('Move to another switch'))
  expect(sheet?.text()).toContain('What the practice switch holds stays there')
  await sheet?.get('form').trigger('submit')
  await settle()

  expect(server.asked.find((each) => each.call === 'PUT /customers/inlet/switch')?.body).toEqual({
    switch: 'file-switch',
  })
  expect(page.text()).toContain('On the file switch.')
  expect(page.text()).toContain('PINs cannot be told to it')
  expect(page.findAll('[data-testid=unsupported] tbody tr').map((each) => each.text())).toEqual([
    'Ines Marshthe whole of itit has no boxes',
    'Ines Marshkey 0 leads toit has no key 0',
  ])
})

it('says anew what callers get once the switch was read again, or is another one', async () => {
  let reads = 0
  const server = await chapter(
    defineComponent(() => () => h('div', [h(NowLine, { zone: ZONE }), h(PushChapter, { zone: ZONE })])),
    {
      'GET /customers/inlet/now': () => ({
        book: {
          number: '12025550150',
          telling: { parts: [], target: 'mailbox:ines', outcome: 'message', sort: 'mailbox', seconds: 0, reason: '' },
          until: null,
          next: null,
        },
        live: null,
        readAt: ++reads === 2 ? LIVE.readAt : null,
      }),
      'POST /customers/inlet/live/read': LIVE,
      'PUT /customers/inlet/switch': { ...LIVE, onSwitch: false, readAt: null },
    },
  )
  const margins = (): number => server.asked.filter((each) => each.call === 'GET /customers/inlet/margin').length
  expect(page.get('[data-testid=right-now]').text()).toContain('Nothing of it is on the switch yet.')
  const before = margins()

  await press('Read again')
  expect(page.get('[data-testid=right-now]').text()).toContain('The switch was read')
  expect(margins()).toBe(before + 1)

  await press('Move to another switch …')
  await page
    .findAll('.el-dialog')
    .find((each) => each.text().includes('Move to another switch'))
    ?.get('form')
    .trigger('submit')
  await settle()
  expect(page.get('[data-testid=right-now]').text()).toContain('Nothing of it is on the switch yet.')
  expect(margins()).toBe(before + 2)
})

it('does not say that book and switch agree where it tells no difference by itself', async () => {
  await chapter(
    defineComponent(() => () => h(MarginNotes, { title: 'History', kinds: [], zone: ZONE })),
    {},
  )
  expect(page.text()).toContain('Push lists the 1 place where book and switch differ')
  expect(page.text()).not.toContain('agree')
})

it('says on every chapter that a push is under way, and how far it is', async () => {
  const step = { kind: 'update', object: 'group:desk', label: 'Front Desk', fields: [], attempts: 1, error: null }
  await chapter(
    defineComponent(() => () => h(NowLine, { zone: ZONE })),
    {
      'GET /customers/inlet/now': {
        book: {
          number: '12025550150',
          telling: { parts: [], target: 'mailbox:ines', outcome: 'message', sort: 'mailbox', seconds: 0, reason: '' },
          until: null,
          next: null,
        },
        live: null,
        readAt: LIVE.readAt,
      },
      'GET /customers/inlet/pushes': {
        pushes: [
          {
            id: 'p1',
            revision: 3,
            whole: true,
            status: 'running',
            reason: null,
            by: 'Lena',
            requestedAt: LIVE.readAt,
            endedAt: null,
            steps: [
              { ...step, position: 1, status: 'done' },
              { ...step, position: 2, status: 'waiting' },
            ],
          },
        ],
      },
    },
  )
  expect(page.get('[data-testid=against-switch]').text()).toBe('Revision 3 is going to the switch, 1 of 2 steps.')
})

it('shows what was signed beside book and live, and what was entered since', async () => {
  const since: Difference = { ...MAIL, path: 'display', book: null, live: 'Front desk' }
  await chapter(PushChapter, {
    'GET /customers/inlet/live': {
      ...LIVE,
      differences: [{ ...MAIL, signed: 'ines@inlet.example' }],
      signed: { revision: 2, by: 'I. Marsh', on: '2026-11-30', since: [since] },
    },
  })

  expect(page.get('[data-testid=differences]').text()).toContain('ines@inlet.example')
  expect(page.get('[data-testid=signed]').text()).toContain(
    'revision 2, by I. Marsh on Mon 30 Nov 2026 · 1 field entered since',
  )
  expect(page.get('[data-testid=since-signed]').text()).toContain('Front desk')
})

it('shows a PIN once and lets it go when another is made', async () => {
  const secret = {
    object: 'mailbox:ines',
    label: 'Ines Marsh',
    strength: 'set',
    changedOn: '2026-12-01T18:05:00Z',
    by: 'Lena Kestrel',
    isShown: false,
    isSent: false,
  }
  let secrets: unknown[] = []
  await chapter(
    PinKeeper,
    {
      'GET /customers/inlet/secrets': () => ({ secrets }),
      'POST /customers/inlet/secrets': () => ({ secrets: (secrets = [secret]) }),
      'POST /customers/inlet/secrets/reveal': () => {
        secrets = [{ ...secret, isShown: true }]
        return { value: '740913' }
      },
    },
    { objects: [BOX] },
  )
  expect(page.get('[data-testid=pins]').text()).not.toContain('Show it, once')
  await press('Make one')
  await press('Show it, once')

  expect(page.get('[data-testid=pins]').text()).toContain('740913')
  expect(page.get('[data-testid=pins]').text()).not.toContain('Show it, once')

  await press('Make a new one')
  expect(page.get('[data-testid=pins]').text()).not.toContain('740913')
})

it('makes and shows the PINs of all mailboxes without one, and gives them out with their names', async () => {
  const secrets = new Map<string, Record<string, unknown>>()
  const copied = vi.fn().mockResolvedValue(undefined)
  vi.stubGlobal('navigator', { clipboard: { writeText: copied } })
  const told = (): unknown => ({ secrets: [...secrets.values()] })
  await chapter(
    PinKeeper,
    {
      'GET /customers/inlet/secrets': told,
      'POST /customers/inlet/secrets': (body: { object: string }) => {
        secrets.set(body.object, {
          object: body.object,
          label: body.object,
          strength: 'set',
          changedOn: '2026-12-01T18:05:00Z',
          by: 'Lena Kestrel',
          isShown: false,
          isSent: false,
        })
        return told()
      },
      'POST /customers/inlet/secrets/reveal': (body: { object: string }) => {
        secrets.set(body.object, { ...secrets.get(body.object), isShown: true })
        return { value: body.object === BOX.ref ? '740913' : '281604' }
      },
    },
    { objects: [BOX, { ...BOX, ref: 'mailbox:joss', key: 'joss', label: 'Joss Arden' }] },
  )
  await press('Make one for each of the 2 without')
  expect(page.text()).not.toContain('Make one for each')
  await press('Show all 2, once')
  expect(page.get('[data-testid=pins]').text()).toContain('740913')
  expect(page.get('[data-testid=pins]').text()).toContain('281604')

  await press('Copy 2 PINs with their names')
  expect(copied).toHaveBeenCalledWith(`${BOX.label}\t740913\nJoss Arden\t281604\n`)
  expect(page.text()).toContain('they are not shown again')
})

it('asks for the history of one object', async () => {
  const revision = {
    no: 2,
    source: 'edit',
    note: 'moved',
    undoes: null,
    by: 'Lena Kestrel',
    at: '2026-12-01T18:05:00Z',
    changes: [],
  }
  const server = await chapter(HistoryChapter, { 'GET /customers/inlet/revisions': { revisions: [revision] } })
  expect(page.text()).toContain('moved')

  server.handlers['GET /customers/inlet/revisions'] = { revisions: [] }
  const which = page.getComponent({ name: 'ElSelect' }) as unknown as VueWrapper
  which.vm.$emit('update:modelValue', 'mailbox:ines')
  await settle()

  expect(server.asked.filter((each) => each.call.endsWith('/revisions'))).toHaveLength(2)
  expect(page.text()).toContain('Nothing was ever entered about it.')
})

it('answers again with what was said, places what is wrong, and shows what changes', async () => {
  const slot = {
    key: 'name',
    question: 'Name',
    type: 'text',
    help: null,
    example: null,
    optional: false,
    default: null,
    options: [],
    columns: [],
  }
  const pending: Desk = {
    ...deskOf([BOX]),
    draft: {
      changes: [
        { op: 'set', object: 'tenant:inlet', label: 'Inlet', path: 'name', before: 'Inlet', after: 'Inlet Care' },
      ],
      clashes: [],
    },
  }
  let answer: unknown = new Refused(422, { errors: [{ detail: 'too long', pointer: '/answers/name' }] })
  const server = await chapter(IntakeChapter, {
    'GET /customers/inlet/intake': {
      applications: [
        {
          key: 'office',
          given: { name: 'Inlet' },
          template: 'Office',
          version: 1,
          appliedAt: '2026-12-01T18:05:00Z',
          answers: [{ question: 'Name', answer: 'Inlet' }],
        },
      ],
    },
    'GET /templates': {
      templates: [{ key: 'office', name: 'Office', about: '', version: 2, slots: [slot] }],
      regions: [],
    },
    'POST /taking-on/preview': {
      customer: null,
      isWhole: false,
      objects: [],
      findings: [],
      strip: null,
      asked: ['name'],
      readAs: {},
      tables: {},
      faults: [],
    },
    'POST /customers/inlet/intake': () => answer,
  })
  await press('Answer again')
  expect(page.text()).toContain('Office, version 2')
  await page.get('input[name=name]').setValue('Inlet Care')
  await page.get('form.again').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('Too long')

  answer = pending
  await page.get('form.again').trigger('submit')
  await settle()

  expect(server.asked.filter((each) => each.call === 'POST /customers/inlet/intake').at(-1)?.body).toEqual({
    answers: { name: 'Inlet Care' },
  })
  expect(page.find('form.again').exists()).toBe(false)
})
