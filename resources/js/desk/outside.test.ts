import type { VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { close, Refused, settle } from '@/testing'
import CallsMade from './CallsMade.vue'
import DirectoryPane from './chapters/DirectoryPane.vue'
import MembersTable from './chapters/MembersTable.vue'
import PortOrders from './PortOrders.vue'
import { PORT } from '@/testing'
import { FRONT_DESK, INES, JOSS, NO_CALLS, object, openPart } from './testing'

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

describe('ports', () => {
  const NUMBER = object('number:+12075550111', { status: 'portingIn', from: '2026-12-14', site: 'site:office' })
  const BOOK = [
    object('tenant:inlet', { name: 'Inlet Property Care' }),
    object('site:office', { name: 'Office', address: { street: '21 Inlet View', postcode: 'B0X 1X0' } }),
    NUMBER,
    object('number:+12075550112', { status: 'active' }),
  ]
  it('begins a port of what is on its way by the book, and keeps what is refused where it stands', async () => {
    const opened = await openPart(
      PortOrders,
      BOOK,
      {
        'GET /customers/inlet/ports': { ports: [] },
        'POST /customers/inlet/ports': new Refused(422, {
          errors: [{ detail: 'This day is past, or today.', pointer: '/day' }],
        }),
      },
      { props: { numbers: BOOK.slice(2) } },
    )
    page = opened.page
    await settle()
    await press('Begin the port of 1 number')
    await page.get('form').trigger('submit')
    await settle()

    expect(opened.server.asked.find((each) => each.call === 'POST /customers/inlet/ports')?.body).toMatchObject({
      numbers: ['+12075550111'],
      name: 'Inlet Property Care',
      street: '21 Inlet View',
      postcode: 'B0X 1X0',
      day: '2026-12-14',
    })
    expect(page.text()).toContain('This day is past, or today.')
    expect(page.find('form').exists()).toBe(true)
  })

  it('offers a number again only once its order is over', async () => {
    for (const [state, offered] of [
      ['rejected', false],
      ['withdrawn', true],
    ] as const) {
      page = (
        await openPart(
          PortOrders,
          BOOK,
          {
            'GET /customers/inlet/ports': {
              ports: [
                { ...PORT, state, remark: state === 'rejected' ? 'the subscriber is not the one on the bill' : '' },
              ],
            },
          },
          { props: { numbers: BOOK.slice(2) } },
        )
      ).page
      await settle()
      expect(page.text().includes('Begin the port of')).toBe(offered)
      expect(page.get('[data-testid=ports]').text()).toContain(offered ? 'withdrawn' : 'turned down: the subscriber')
      if (!offered) close(page)
    }
  })

  it('is not there where no number is on its way', async () => {
    page = (await openPart(PortOrders, BOOK, {}, { props: { numbers: BOOK.slice(3) } })).page
    expect(page.find('section').exists()).toBe(false)
  })
})

describe('dial by name', () => {
  const MENU = object('menu:day', {
    name: 'Day',
    dialByName: { scope: 'all', groups: [], by: 'either', match: 'partial' },
  })
  const BOOK = [MENU, INES, JOSS]

  it('says who is reached by which keys, who is spelt alike, and who is not reached and why', async () => {
    const directory = {
      reached: [
        { user: 'user:ines', keys: '46', place: null },
        { user: 'user:joss', keys: '5677', place: 2 },
      ],
      alike: [['user:ines', 'user:joss']],
      left: [{ user: 'user:gone', why: 'is not listed' }],
    }
    page = (await openPart(DirectoryPane, BOOK, {}, { props: { menu: MENU, directory } })).page

    expect(page.findAll('[data-testid=directory] tbody tr').map((row) => row.text().replace(/\s+/g, ' '))).toEqual([
      'Ines Marsh4 6 #',
      'Joss Arden5 6 7 7 #, then 2',
    ])
    expect(page.text()).toContain('Ines Marsh and Joss Arden are spelt by the same keys')
    expect(page.text()).toContain('is not listed')
  })

  it('asks for groups only where the list is of groups, and shows nobody where names cannot be dialled', async () => {
    page = (
      await openPart(
        DirectoryPane,
        BOOK,
        {},
        { props: { menu: object('menu:day', { dialByName: { scope: 'off' } }), directory: null } },
      )
    ).page
    expect(page.text()).not.toContain('# ends it')
    expect(page.find('[data-testid=directory]').exists()).toBe(false)
  })
})

describe('calls that were made', () => {
  const LINE = {
    of: 'group:desk',
    calls: 20,
    answered: 15,
    missed: 5,
    messages: 3,
    usualWait: 8,
    longestWait: 40,
    talked: 900,
    lastAnswered: '2026-11-30T18:05:00Z',
  }
  const HISTORY = {
    ...NO_CALLS,
    readAt: '2026-12-01T18:05:00Z',
    whole: { ...NO_CALLS.whole, calls: 20 },
    groups: [LINE, { ...LINE, of: 'group:other' }],
    users: [
      { of: 'user:ines', rang: 20, answered: 15, lastAnswered: '2026-11-30T18:05:00Z' },
      { of: 'user:joss', rang: 20, answered: 0, lastAnswered: null },
    ],
  }
  const TRIO = object('group:desk', {
    ...FRONT_DESK.fields,
    members: ['ines', 'joss', 'cleo'].map((item) => ({
      item,
      who: `user:${item}`,
      tier: 1,
      share: null,
      signedIn: true,
      confirm: false,
    })),
  })

  it('says beside each member whether they take what they are given', async () => {
    page = (
      await openPart(
        MembersTable,
        [TRIO, INES, JOSS, object('user:cleo', { display: 'Cleo' })],
        { 'GET /customers/inlet/history': HISTORY },
        { props: { group: TRIO } },
      )
    ).page
    await settle()
    const said = page.findAll('[data-testid=members] tbody tr').map((row) => row.text().replace(/\s+/g, ' '))

    expect([
      said[0]?.includes('answered 15 of 20'),
      said[1]?.includes('answered none of 20'),
      said[2]?.includes('never rang'),
    ]).toEqual([true, true, true])
    expect(page.findAll('td.quiet')).toHaveLength(1)
  })

  it('says nothing of anybody where no calls are known', async () => {
    page = (await openPart(MembersTable, [TRIO, INES, JOSS], {}, { props: { group: TRIO } })).page
    await settle()
    expect(page.text()).not.toContain('never rang')
  })

  it('shows the group in view alone, reads on from the switch, and says what went wrong', async () => {
    const opened = await openPart(
      CallsMade,
      [TRIO],
      {
        'GET /customers/inlet/history': HISTORY,
        'POST /customers/inlet/history/read': new Refused(502, { detail: 'The switch cannot be reached.' }),
      },
      { props: { by: 'groups', only: 'group:desk' } },
    )
    page = opened.page
    await settle()
    expect(page.findAll('[data-testid=calls-made] tbody tr')).toHaveLength(1)
    expect(page.get('[data-testid=calls-made]').text()).toContain('75 %')

    await press('Read the switch’s records')
    expect(page.get('[role=alert]').text()).toBe('The switch cannot be reached.')
  })
})
