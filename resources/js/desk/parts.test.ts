import type { VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import type { Finding, Ruler } from '@/api'
import { close, key, Refused, settle } from '@/testing'
import GroupsChapter from './chapters/GroupsChapter.vue'
import MembersTable from './chapters/MembersTable.vue'
import TreatmentSentences from './chapters/TreatmentSentences.vue'
import CallLine from './CallLine.vue'
import TimingRuler from './drawings/TimingRuler.vue'
import WeekPainter from './drawings/WeekPainter.vue'
import FieldList from './FieldList.vue'
import { fieldsOf, type Field } from './catalogue'
import InlineField from './InlineField.vue'
import MarginNotes from './MarginNotes.vue'
import NewObject from './NewObject.vue'
import SheetGrid from './sheet/SheetGrid.vue'
import {
  deskOf,
  EDITS,
  FRONT_DESK,
  INES,
  JOSS,
  meaning,
  MEANT,
  NOTHING_LIVE,
  object,
  OBJECTS,
  openPart,
  sent,
  unchanged,
} from './testing'
import { useSelected } from './selection'
import { sidesOf, withSide } from './treatments'

const BOX = object('mailbox:desk', { name: 'Desk mailbox' })
const RULER: Ruler = {
  state: '',
  limit: 35,
  onePass: 45,
  ring: 5,
  words: 'One full pass: 3 members × 3 rings × 5 s = 45 s.',
  bars: [
    {
      item: 'ines',
      who: 'user:ines',
      pass: 1,
      from: 0,
      to: 15,
      reached: 'whole',
      rings: 3,
      mailboxAt: null,
      isPassedOver: false,
    },
    {
      item: 'joss',
      who: 'user:joss',
      pass: 1,
      from: 30,
      to: 45,
      reached: 'never',
      rings: 0,
      mailboxAt: null,
      isPassedOver: false,
    },
  ],
}
const FINDING: Finding = {
  rule: 'groups.limit-shorter-than-one-pass',
  name: 'Limit shorter than one pass',
  severity: 'error',
  title: 'Front Desk: the limit ends before everyone has rung',
  detail: 'Joss Arden is never properly rung.',
  why: 'Why.',
  remedy: 'Remedy.',
  source: 'common practice',
  objects: ['group:desk'],
  item: '',
  path: 'noAnswerSeconds',
  count: 1,
  fingerprint: 'f1',
  call: '300 wed 10:00',
  fix: {
    label: 'Set the limit to 50 s',
    changes: [{ op: 'set', object: 'group:desk', label: 'Front Desk', path: 'noAnswerSeconds', before: 35, after: 50 }],
  },
}
const FOLLOWED = {
  script: { to: '300', at: '2026-12-02T10:00' },
  sentence: '300, Wed 2 Dec 2026 10:00',
  telling: {
    parts: [{ what: 'rings', object: 'group:desk', seconds: 35 }],
    outcome: 'messageIn',
    sort: 'mailbox',
    target: 'mailbox:desk',
    seconds: 35,
    reason: '',
  },
  trace: {
    outcome: 'messageIn',
    target: 'mailbox:desk',
    seconds: 35,
    reason: 'no answer',
    warnings: [],
    steps: [{ at: 0, object: 'group:desk', what: 'is called', reason: '' }],
  },
}

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function press(text: string): Promise<void> {
  await page
    .findAll('button')
    .find((each) => each.text() === text || each.attributes('aria-label') === text)
    ?.trigger('click')
  await settle()
}

describe('a finding in the margin', () => {
  it('shows its change set before it is made, and makes it as one edit', async () => {
    const opened = await openPart(
      MarginNotes,
      [FRONT_DESK],
      {
        'GET /customers/inlet/margin': { findings: [FINDING], waived: [], strip: null },
        [EDITS]: unchanged([FRONT_DESK]),
      },
      { props: { title: 'Groups', kinds: ['group'], zone: 'UTC' } },
    )
    page = opened.page
    await press('Set the limit to 50 s')
    expect(sent(opened.server)).toBeUndefined()
    expect(page.get('[data-testid=finding]').text()).toContain('50 s, was 35 s')

    await press('Put it in the draft')
    expect(sent(opened.server)).toEqual([{ object: 'group:desk', path: 'noAnswerSeconds', value: 50 }])
  })

  it('is waived with a reason, told of as waived, and stands again when asked', async () => {
    const waived = {
      findings: [],
      waived: [
        {
          id: 'w1',
          reason: 'Bo only helps out',
          until: '2026-12-24',
          by: 'Lena Kestrel',
          at: '2026-12-01T18:05:00Z',
          finding: FINDING,
        },
      ],
      strip: null,
    }
    const opened = await openPart(
      MarginNotes,
      [FRONT_DESK],
      {
        'GET /customers/inlet/margin': { findings: [FINDING], waived: [], strip: null },
        'POST /customers/inlet/findings/waivers': waived,
        'DELETE /customers/inlet/findings/waivers/w1': { findings: [FINDING], waived: [], strip: null },
      },
      { props: { title: 'Groups', kinds: ['group'], zone: 'UTC' } },
    )
    page = opened.page
    await press('waive')
    await page.get('input[name=reason]').setValue(' Bo only helps out ')
    await page.get('input[name=until]').setValue('2026-12-24')
    await page.get('.el-dialog form').trigger('submit')
    await settle()

    expect(opened.server.asked.findLast((each) => each.call.startsWith('POST'))?.body).toEqual({
      fingerprint: FINDING.fingerprint,
      reason: 'Bo only helps out',
      until: '2026-12-24',
    })
    expect(page.findAll('[data-testid=finding]')).toHaveLength(0)
    expect(page.get('[data-testid=waived-findings]').text()).toContain(
      'Bo only helps out · Lena Kestrel, until Thu 24 Dec 2026',
    )
    await press('take back')
    expect(page.findAll('[data-testid=finding]')).toHaveLength(1)
  })

  it('keeps to the chapter, counts the others, and puts its call on the call line', async () => {
    const other = { ...FINDING, objects: ['menu:day'], fingerprint: 'f2', title: 'Day menu: something' }
    const opened = await openPart(
      MarginNotes,
      [FRONT_DESK],
      { 'GET /customers/inlet/margin': { findings: [FINDING, other], waived: [], strip: null } },
      { props: { title: 'Groups', kinds: ['group'], zone: 'UTC' } },
    )
    page = opened.page
    expect(page.findAll('[data-testid=finding]')).toHaveLength(1)
    expect(page.text()).toContain('1 finding in other chapters')

    await press('call it')
    expect([opened.state.callLine.sentence.value, opened.state.callLine.asked.value]).toEqual(['300 wed 10:00', 1])
  })
})

describe('the call line', () => {
  const CALLS = 'POST /customers/inlet/calls'

  async function say(said: string, handlers: Record<string, unknown>): ReturnType<typeof openPart> {
    const opened = await openPart(CallLine, [FRONT_DESK, BOX], {
      'POST /customers/inlet/calls/completions': { offers: [] },
      ...handlers,
    })
    page = opened.page
    await page.get('[aria-label="Call line"]').setValue(said)
    await page.get('[aria-label="Call line"]').trigger('keydown', { key: 'Enter' })
    await settle()
    return opened
  }

  it('answers for book and switch at once, and says where they part', async () => {
    const there = { ...FOLLOWED, telling: { ...FOLLOWED.telling, target: 'group:desk', seconds: 20 } }
    const { server } = await say('300 wed 10:00', {
      'GET /customers/inlet/live': { ...NOTHING_LIVE, onSwitch: true, readAt: '2026-12-01T18:05:00Z' },
      [CALLS]: (body: unknown) => ((body as { in: string }).in === 'live' ? there : FOLLOWED),
    })
    expect(server.asked.filter((each) => each.call === CALLS).map((each) => (each.body as { in: string }).in)).toEqual([
      'book',
      'live',
    ])
    expect(page.get('[data-testid=trace]').text()).toContain('Desk mailbox takes a message')
    expect(page.get('[data-testid=call-answer]').text()).toContain('takes a message: Desk mailbox at 35 s')
    expect(page.get('[data-testid=parting]').text()).toBe('on the switch: takes a message: Front Desk at 20 s')

    await page.get('[data-testid=parting]').trigger('click')
    expect(page.get('[data-testid=trace] [aria-pressed=true]').text()).toBe('on the switch: otherwise')
  })

  it('says nothing of the switch where both say the same', async () => {
    await say('300 wed 10:00', {
      'GET /customers/inlet/live': { ...NOTHING_LIVE, onSwitch: true, readAt: '2026-12-01T18:05:00Z' },
      [CALLS]: FOLLOWED,
    })
    expect(page.findAll('[data-testid=parting]')).toEqual([])
  })

  it('says what it does not understand and keeps what was typed', async () => {
    await say('300 wed pres 1', { [CALLS]: new Refused(422, { detail: '"pres" is not understood.', at: 8 }) })
    expect(page.get('[data-testid=call-answer]').text()).toContain('"pres" is not understood.')
    expect((page.get('[aria-label="Call line"]').element as HTMLInputElement).value).toBe('300 wed pres 1')
  })

  it('changes the hour with the arrows and follows the call again', async () => {
    const { server } = await say('300 wed 10:00', { [CALLS]: FOLLOWED })
    await page.get('[aria-label="Call line"]').trigger('keydown', { key: 'ArrowUp' })
    await settle()
    expect((server.asked.findLast((each) => each.call === CALLS)?.body as { sentence: string }).sentence).toBe(
      '300 wed 10:30',
    )
  })

  it('keeps a call as a promise of what it does', async () => {
    const { server } = await say('300 wed 10:00', { [CALLS]: FOLLOWED, [EDITS]: unchanged([FRONT_DESK]) })
    await press('Keep as promise')
    expect(sent(server)).toEqual([
      {
        op: 'create',
        object: 'promise:promise-1',
        value: {
          text: '300, Wed 2 Dec 2026 10:00: Desk mailbox takes a message',
          call: FOLLOWED.script,
          expect: { outcome: 'messageIn', target: 'mailbox:desk', within: 35 },
        },
      },
    ])
  })
})

describe('a group', () => {
  it('takes members from a pasted list, and says whom it does not know', async () => {
    const opened = await openPart(
      MembersTable,
      [FRONT_DESK, INES, JOSS],
      {
        [EDITS]: unchanged([FRONT_DESK, INES, JOSS]),
        [MEANT]: meaning({ '202  Joss': 'user:joss', '+1 902 555 0178': 'outside:+19025550178' }),
      },
      { props: { group: FRONT_DESK } },
    )
    page = opened.page
    const line = page.get('[aria-label="New member"]')
    const paste = new Event('paste', { bubbles: true, cancelable: true })
    Object.defineProperty(paste, 'clipboardData', { value: { getData: () => '202\tJoss\n+1 902 555 0178\nNobody\n' } })
    line.element.dispatchEvent(paste)
    await settle()

    expect(sent(opened.server)).toEqual([
      {
        object: 'group:desk',
        path: 'members',
        value: [...FRONT_DESK.fields.members, { who: 'user:joss' }, { who: 'outside:+19025550178' }],
      },
    ])
    expect((line.element as HTMLInputElement).value).toBe('Nobody')
    expect(opened.state.notice.value?.text).toContain('Nobody here is called "Nobody"')
  })

  async function byShares(): ReturnType<typeof openPart> {
    const member = { tier: 1, share: null, signedIn: true, confirm: false }
    const group = object('group:desk', {
      ...FRONT_DESK.fields,
      order: 'weighted',
      members: ['ines', 'joss', 'third'].map((item) => ({ ...member, item, who: 'user:ines' })),
    })
    const opened = await openPart(MembersTable, [group, INES], { [EDITS]: unchanged([group]) }, { props: { group } })
    page = opened.page
    return opened
  }

  it('shares the calls alike, to a hundred', async () => {
    const opened = await byShares()
    await press('Share alike')
    expect(sent(opened.server)).toEqual(
      ['ines', 'joss', 'third'].map((item, place) => ({
        object: 'group:desk',
        path: `members/${item}/share`,
        value: place === 0 ? 34 : 33,
      })),
    )
  })

  it('takes a pasted column of shares, and marks what is none', async () => {
    const opened = await byShares()
    const paste = new Event('paste', { bubbles: true, cancelable: true })
    Object.assign(paste, { clipboardData: { getData: () => '40 %\nmost\n35\n25\n' } })
    // Into an open field, which what stood in it is not kept from afterwards.
    await page.get('[aria-label^="Share of Ines Marsh"]').trigger('click')
    page.get<HTMLInputElement>('[aria-label^="Share of Ines Marsh"]').element.dispatchEvent(paste)
    await settle()
    expect(sent(opened.server)).toEqual([
      { object: 'group:desk', path: 'members/ines/share', value: 40 },
      { object: 'group:desk', path: 'members/third/share', value: 35 },
    ])
    expect(page.text()).toContain('A whole number is wanted here, not "most"')
    expect(opened.state.notice.value?.text).toContain('1 share more than there are members from here on')
  })

  it('shows who is never reached, and moves the limit by the arrows', async () => {
    const limits: number[] = []
    const opened = await openPart(
      TimingRuler,
      [FRONT_DESK, INES, JOSS],
      {},
      {
        props: { ruler: RULER, label: 'Who rings', mayMove: true, onLimit: (seconds: number) => limits.push(seconds) },
      },
    )
    page = opened.page
    expect(page.text()).toContain('Joss Arden is never reached: its turn would come at 30 s')
    await page.get('[role=slider]').trigger('keydown', { key: 'ArrowRight' })
    await page.get('[role=slider]').trigger('keydown', { key: 'ArrowLeft' })
    expect(limits).toEqual([40, 30])
  })

  it('says of every case where it goes, the blank ones as no answer', async () => {
    const opened = await openPart(
      GroupsChapter,
      [FRONT_DESK, INES, BOX],
      { 'GET /customers/inlet/rulers/group/desk': { rulers: [RULER] } },
      { at: 'group:desk' },
    )
    page = opened.page
    expect(page.text()).toContain('nobody answersDesk mailbox')
    expect(page.text()).toContain('everybody is busyas no answer: Desk mailbox')
  })
})

describe('the week painter', () => {
  const WEEKLY = [
    { item: 'week', days: ['mon', 'tue'], from: '08:00', to: '17:00', span: null },
    { item: 'night', days: ['sat'], from: '22:00', to: '02:00', span: null },
  ]

  /** @param answers once the server keeps what is painted */
  async function painter(
    answers = Promise.resolve(),
  ): Promise<{ painted: unknown[]; board: () => ReturnType<VueWrapper['get']> }> {
    const painted: unknown[] = []
    const keepWeek = (weekly: unknown): Promise<void> => {
      painted.push(weekly)
      return answers
    }
    const opened = await openPart(
      WeekPainter,
      [],
      {},
      { props: { weekly: WEEKLY, label: 'The week', paint: keepWeek } },
    )
    page = opened.page
    return { painted, board: () => page.get('[data-testid=painter]') }
  }

  it('shows what runs past midnight on both days', async () => {
    await painter()
    expect(page.text()).toContain('Sat: 22:00 to 24:00')
    expect(page.text()).toContain('Sun: 00:00 to 02:00')
  })

  it('paints on what is on its way where keys come faster than answers', async () => {
    const { painted, board } = await painter(new Promise<void>(() => undefined))
    for (const key of ['ArrowDown', 'ArrowDown', ' ', 'ArrowRight', ' ']) await board().trigger('keydown', { key })
    expect(painted[1]).toContainEqual({ days: ['wed'], from: '08:00', to: '09:00', span: null })
  })

  it('opens and closes half an hour by the keyboard, and keeps the item of days that stay alike', async () => {
    const { painted, board } = await painter()
    await board().trigger('keydown', { key: 'ArrowDown' })
    await board().trigger('keydown', { key: 'ArrowDown' })
    await board().trigger('keydown', { key: ' ' })
    expect(painted[0]).toEqual([
      { item: 'week', days: ['mon', 'tue'], from: '08:00', to: '17:00', span: null },
      { days: ['wed'], from: '08:00', to: '08:30', span: null },
      { item: 'night', days: ['sat'], from: '22:00', to: '24:00', span: null },
      { days: ['sun'], from: '00:00', to: '02:00', span: null },
    ])
  })
})

describe('treatments', () => {
  it('read and write one destination for both sides, or one for each', () => {
    expect(sidesOf('user:ines')).toEqual({ outside: 'user:ines', inside: 'user:ines' })
    expect(sidesOf(null)).toEqual({ outside: null, inside: null })
    expect(withSide('user:ines', 'inside', null)).toEqual({ outside: 'user:ines', inside: null })
    expect(withSide({ outside: 'user:ines', inside: null }, 'inside', 'user:ines')).toBe('user:ines')
  })

  it('say what holds where nothing is set: the site, the customer, the mailbox', async () => {
    const tenant = object('tenant:inlet', { name: 'Inlet', defaults: { busy: 'mailbox:desk' } })
    const user = object('user:ines', {
      display: 'Ines Marsh',
      site: null,
      mailbox: 'mailbox:own',
      handling: { open: { legs: 'all', ring: 'together', always: null, busy: null, noAnswer: null } },
    })
    const opened = await openPart(
      TreatmentSentences,
      [tenant, user, BOX, object('mailbox:own', { name: 'Her mailbox' })],
      {},
      { props: { user, state: 'open', ruler: undefined } },
    )
    page = opened.page
    expect(page.text()).toContain('BusyDesk mailbox, the customer’s default')
    expect(page.text()).toContain('No answerHer mailbox')
  })
})

describe('every field', () => {
  function leaves(fields: Field[], path = ''): string[] {
    return fields.flatMap((field) =>
      field.sort === 'one' || field.sort === 'treatment'
        ? [`${path}${field.name}`]
        : leaves(field.fields, `${path}${field.name}/`),
    )
  }

  it('of each kind has a place in the form, as the open format lists them', () => {
    const kinds = [
      'tenant',
      'site',
      'number',
      'user',
      'group',
      'chain',
      'attendant',
      'menu',
      'schedule',
      'calendar',
      'mailbox',
      'announcement',
      'prompt',
      'line',
      'trunk',
      'route',
      'team',
      'contact',
    ] as const
    for (const kind of kinds) expect(leaves(fieldsOf(kind)).length, kind).toBeGreaterThan(2)
    expect(leaves(fieldsOf('group'))).toEqual(
      expect.arrayContaining([
        'restAfterNoAnswer',
        'wrapUp',
        'queue/comfortEvery',
        'otherwise/queueFull',
        'members/share',
        'watchers/may',
      ]),
    )
    expect(leaves(fieldsOf('user'))).toEqual(
      expect.arrayContaining([
        'handling/closed/busy',
        'legs/mailboxAfter',
        'directory/spokenName',
        'emergency/floor',
        'skills/level',
      ]),
    )
    expect(leaves(fieldsOf('schedule'))).toEqual(
      expect.arrayContaining(['weekly/span', 'exceptions/hours', 'periods/rrule', 'calendars']),
    )
    expect(leaves(fieldsOf('menu'))).toEqual(
      expect.arrayContaining(['keys/to', 'dialByName/groups', 'dialExtensions/interdigit']),
    )
  })

  it('is edited in place by its path, an unset part is set first', async () => {
    const opened = await openPart(
      FieldList,
      [FRONT_DESK, INES, BOX],
      { [EDITS]: unchanged([FRONT_DESK]) },
      { props: { object: FRONT_DESK } },
    )
    page = opened.page
    await page.get('[aria-label^="wrap up"]').trigger('click')
    await settle()
    await page.get('input[aria-label="wrap up"]').setValue('10')
    await page.get('input[aria-label="wrap up"]').trigger('keydown', { key: 'Enter' })
    await settle()
    expect(sent(opened.server)).toEqual([{ object: 'group:desk', path: 'wrapUp', value: 10 }])
    await press('set it')
    expect(sent(opened.server)).toEqual([{ object: 'group:desk', path: 'queue', value: {} }])
  })

  it('keeps what could not be read, with what is wrong with it', async () => {
    const opened = await openPart(
      InlineField,
      [FRONT_DESK],
      {},
      { props: { object: FRONT_DESK, path: 'noAnswerSeconds', type: { type: 'seconds' }, label: 'Limit' } },
    )
    page = opened.page
    await page.get('button').trigger('click')
    await settle()
    await page.get('input').setValue('soon')
    await page.get('input').trigger('keydown', { key: 'Enter' })
    await settle()
    expect(page.text()).toContain('Whole seconds are wanted here, not "soon"')
    expect(page.get('button').text()).toBe('soon')
    expect(sent(opened.server)).toBeUndefined()
  })
})

describe('making objects', () => {
  const MADE = {
    gone: [],
    order: {},
    key: 'inlet',
    revision: 3,
    numbers: {},
    objects: [INES],
    draft: { changes: [], clashes: [] },
    margin: { findings: [], waived: [], strip: null },
    made: ['user:petra-lunn'],
  }

  it('makes one of a name typed under the list, and takes it back', async () => {
    const opened = await openPart(
      NewObject,
      [INES],
      { [OBJECTS]: MADE, [EDITS]: { ...MADE, made: undefined } },
      { props: { kind: 'user' } },
    )
    page = opened.page
    await page.get('input').setValue('Petra Lunn')
    await page.get('form').trigger('submit')
    await settle()
    expect(opened.server.asked.findLast((each) => each.call === OBJECTS)?.body).toEqual({
      objects: [{ kind: 'user', name: 'Petra Lunn' }],
    })
    expect(page.get('input').element.value).toBe('')

    await opened.state.draft.takeBack()
    expect(sent(opened.server)).toEqual([{ op: 'delete', object: 'user:petra-lunn', value: null }])
  })

  it('keeps the name where nothing could be made of it', async () => {
    const opened = await openPart(
      NewObject,
      [INES],
      { [OBJECTS]: new Refused(422, { detail: 'This name cannot be kept.' }) },
      { props: { kind: 'user' } },
    )
    page = opened.page
    await page.get('input').setValue('Petra Lunn')
    await page.get('form').trigger('submit')
    await settle()
    expect(page.get('input').element.value).toBe('Petra Lunn')
    expect(opened.state.notice.value).toMatchObject({ text: 'This name cannot be kept.', isFault: true })
  })
})

it('opens a chapter at whom one looked at in the one before', async () => {
  const Chapter = defineComponent({
    setup: () => {
      const { selected } = useSelected('user', 'chain')
      const router = useRouter()
      const turn = (at: string): unknown => router.replace({ query: at === '' ? {} : { at } })
      return () => [
        h('output', selected.value?.ref),
        ...['user:joss', 'chain:none', ''].map((at) => h('button', { onClick: () => turn(at) }, at)),
      ]
    },
  })
  const opened = await openPart(Chapter, [INES, JOSS])
  page = opened.page
  const said: (string | undefined)[] = []
  for (const turn of [0, 2, 1]) {
    await page.findAll('button')[turn]?.trigger('click')
    await settle()
    said.push(page.get('output').text())
  }
  expect(said).toEqual(['user:joss', 'user:joss', 'user:joss'])
})

it('keeps what is half typed while another chapter is open', async () => {
  const opened = await openPart(NewObject, [INES], {}, { props: { kind: 'group' } })
  await opened.page.get('input').setValue('Bonded ware')
  await settle()
  opened.page.unmount()

  page = (await openPart(NewObject, [INES], {}, { props: { kind: 'group' } })).page
  expect(page.get('input').element.value).toBe('Bonded ware')
  close(page)

  page = (await openPart(NewObject, [INES], {}, { props: { kind: 'mailbox' } })).page
  expect(page.get('input').element.value).toBe('')
})

describe('blocks of a sheet', () => {
  const people = [1, 2, 3].map((place) =>
    object(`user:u${place}`, {
      name: { first: `U${place}`, last: null },
      extension: `20${place}`,
      legs: [],
      email: place === 1 ? 'one@inlet.example' : null,
    }),
  )

  async function sheet(): ReturnType<typeof openPart> {
    const opened = await openPart(
      SheetGrid,
      people,
      { [EDITS]: unchanged(people) },
      { props: { kind: 'user', objects: people } },
    )
    page = opened.page
    return opened
  }
  const MAIL = 5
  const cell = (row: number): HTMLElement =>
    page.get(`tbody tr:nth-child(${row + 1}) td:nth-of-type(${MAIL + 1})`).element as HTMLElement

  it('fills down from the first line of what is marked', async () => {
    const { server } = await sheet()
    cell(0).focus()
    await key('ArrowDown', cell(0), { shiftKey: true })
    await key('ArrowDown', cell(0), { shiftKey: true })
    expect(page.findAll('td.marked')).toHaveLength(3)
    await key('d', cell(0), { ctrlKey: true })
    expect(sent(server)).toEqual([
      { object: 'user:u2', path: 'email', value: 'one@inlet.example' },
      { object: 'user:u3', path: 'email', value: 'one@inlet.example' },
    ])
  })

  it('copies what is marked as a spreadsheet takes it', async () => {
    await sheet()
    cell(0).focus()
    await key('ArrowDown', cell(0), { shiftKey: true })
    const copied: string[] = []
    const copy = new Event('copy', { bubbles: true, cancelable: true })
    Object.defineProperty(copy, 'clipboardData', {
      value: { setData: (_type: string, text: string) => copied.push(text) },
    })
    cell(1).dispatchEvent(copy)
    expect(copied).toEqual(['one@inlet.example\n'])
  })

  it('says where a group leads by its own mailbox, and takes another end in the same cell', async () => {
    const group = object('group:desk', { ...FRONT_DESK.fields, otherwise: {}, mailbox: BOX.ref })
    const opened = await openPart(
      SheetGrid,
      [group, BOX, INES],
      { [EDITS]: new Refused(422) },
      { props: { kind: 'group', objects: [group] } },
    )
    page = opened.page
    const then = page.findAll('thead th').findIndex((each) => each.attributes('title') === 'Then')
    const cellOf = (): HTMLElement => page.get(`tbody tr > :nth-child(${then + 1})`).element as HTMLElement
    expect(cellOf().textContent).toBe('Desk mailbox')

    cellOf().focus()
    await key('Enter', cellOf())
    expect(page.get<HTMLInputElement>('td input').element.value).toBe('')
    await page.get('td input').setValue('Ines Marsh')
    await key('Enter', page.get('td input').element)
    await settle()
    expect(sent(opened.server)).toEqual([{ object: 'group:desk', path: 'otherwise/noAnswer', value: 'Ines Marsh' }])
  })

  it('shows beside it the line that was edited until another is edited or gone to', async () => {
    const opened = await sheet()
    const told = (): unknown[] => page.findComponent(SheetGrid).emitted('select')?.flat() ?? []
    cell(0).focus()
    await key('ArrowDown', cell(0))
    await key('Enter', cell(1))
    expect(told()).toEqual(['user:u2'])
    await page.get('td input').setValue('two@inlet.example')
    await key('Enter', page.get('td input').element)
    await new Promise((done) => {
      setTimeout(done, 150)
    })
    expect(document.activeElement).toBe(cell(2))
    expect(told()).toEqual(['user:u2'])

    await key('Enter', cell(2))
    expect(told()).toEqual(['user:u2', 'user:u3'])
    expect(sent(opened.server)).toHaveLength(1)
  })

  it('keeps its lines in place while a cell is open, so that what is typed is kept where it was typed', async () => {
    const objects = shallowRef(people)
    const Ordered = defineComponent({ setup: () => () => h(SheetGrid, { kind: 'user', objects: objects.value }) })
    const opened = await openPart(Ordered, people, { [EDITS]: unchanged(people) })
    page = opened.page
    const names = (): string[] => page.findAll('tbody tr').map((each) => each.attributes('data-testid') ?? '')
    cell(1).focus()
    await key('a', cell(1))
    const input = page.get<HTMLInputElement>('td input')

    // The answer to an edit before arrives, and puts the line elsewhere.
    const [first, second, third] = people
    objects.value = [second, third, first].flatMap((each) => each ?? [])
    await settle()
    expect(names()).toEqual(['row-user:u1', 'row-user:u2', 'row-user:u3'])
    await input.setValue('a@inlet.example')
    await key('Enter', input.element)
    await settle()

    expect(sent(opened.server)).toEqual([{ object: 'user:u2', path: 'email', value: 'a@inlet.example' }])
    expect(names()).toEqual(['row-user:u2', 'row-user:u3', 'row-user:u1'])
    expect(document.activeElement).toBe(cell(1))
  })

  it('opens no cell for whoever may only read', async () => {
    const opened = await openPart(
      SheetGrid,
      people,
      { 'GET /customers/inlet/desk': { ...deskOf(people), may: 'read' } },
      { props: { kind: 'user', objects: people } },
    )
    page = opened.page
    cell(0).focus()
    await key('Enter', cell(0))
    expect(page.find('td input').exists()).toBe(false)
    expect(opened.state.notice.value?.text).toContain('You may read this customer.')
  })

  it('draws only what is in view of thousands of lines', async () => {
    const many = Array.from({ length: 3000 }, (_, place) =>
      object(`user:m${place}`, { name: { first: `M${place}`, last: null }, extension: String(2000 + place), legs: [] }),
    )
    const opened = await openPart(SheetGrid, many, {}, { props: { kind: 'user', objects: many } })
    page = opened.page
    expect(page.findAll('tbody tr').length).toBeLessThan(200)
    expect(page.get('table').attributes('aria-rowcount')).toBe('3001')
  })
})
