import { afterEach, describe, expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import { close, Refused, settle } from '@/testing'
import { callersInWords, readCallers, writeCallers } from './callers'
import CallerList from './chapters/CallerList.vue'
import LedHere from './LedHere.vue'
import { EDITS, meaning, MEANT, object, openPart, unchanged } from './testing'

let page: VueWrapper | undefined
afterEach(() => {
  if (page !== undefined) close(page)
  page = undefined
  sessionStorage.clear()
})

const RULES = [
  { item: 'vip', callers: '19025550177', then: 'group:desk' },
  { item: 'rest', callers: 'anyone', then: 'mailbox:desk' },
]
const NUMBER = object('number:+19025550150', { callerRules: RULES })
const DESK = object('group:desk', { name: 'Desk' })
const BOX = object('mailbox:desk', { name: 'Messages' })
const BOOK = [NUMBER, DESK, BOX]
const TRY = 'GET /customers/inlet/numbers/%2B19025550150/caller'

describe('callers', () => {
  it.each([
    ['19025550177', 'one', '19025550177'],
    ['19025550177T', 'one', '19025550177'],
    ['1902x.T', 'begins', '1902'],
    ['1900xxxxxxx', 'begins', '1900'],
    ['withheld', 'withheld', ''],
    ['anyone', 'anyone', ''],
    ['(1902|1506)x.T', 'map', ''],
  ] as const)('%s is read as %s', (callers, way, digits) => {
    expect(readCallers(callers)).toEqual({ way, digits })
    expect(callersInWords(callers)).not.toBe('')
  })

  it('reads back what it writes', () => {
    for (const way of ['one', 'begins'] as const) {
      expect(readCallers(writeCallers(way, '1902'))).toEqual({ way, digits: '1902' })
    }
  })
})

async function list(handlers: Record<string, unknown> = {}): Promise<Awaited<ReturnType<typeof openPart>>['server']> {
  const opened = await openPart(
    CallerList,
    BOOK,
    { [EDITS]: unchanged(BOOK), ...handlers },
    { props: { object: NUMBER, path: 'callerRules', of: '+19025550150' } },
  )
  page = opened.page
  return opened.server
}
async function press(text: string): Promise<void> {
  await page
    ?.findAll('button')
    .find((each) => each.text() === text || each.attributes('aria-label') === text)
    ?.trigger('click')
  await settle()
}
const edits = (server: Awaited<ReturnType<typeof list>>): unknown[] =>
  server.asked.filter((each) => each.call === EDITS).flatMap((each) => (each.body as { edits: unknown[] }).edits)

describe('a list of callers', () => {
  it('is made by picking: who, and where they go', async () => {
    const server = await list({ [MEANT]: meaning({ '902 555 0123': 'outside:+19025550123', Desk: 'group:desk' }) })
    await page?.get('input[aria-label="Number of callers"]').setValue('902 555 0123')
    await page?.get('input[aria-label="Where they go"]').setValue('Desk')
    await page?.get('form.add').trigger('submit')
    await settle()
    expect(edits(server)).toEqual([
      {
        object: NUMBER.ref,
        path: 'callerRules',
        value: [...RULES, { item: 'callers-3', callers: '19025550123', then: 'group:desk' }],
      },
    ])
  })

  it('keeps what cannot be read, and says why', async () => {
    const server = await list({ [MEANT]: meaning({ Desk: 'group:desk' }) })
    await page?.get('input[aria-label="Number of callers"]').setValue('xx')
    await page?.get('input[aria-label="Where they go"]').setValue('Desk')
    await page?.get('form.add').trigger('submit')
    await settle()
    expect(page?.get('[role=alert]').text()).toContain('xx')
    expect(edits(server)).toEqual([])
    expect((page?.get('input[aria-label="Number of callers"]').element as HTMLInputElement).value).toBe('xx')
  })

  it('is put in order and taken away by its buttons', async () => {
    const server = await list()
    await press('Move line 2 up')
    await press('Line 1 away')
    expect(edits(server)).toEqual([
      { op: 'move', object: NUMBER.ref, path: 'callerRules', value: ['rest', 'vip'] },
      { object: NUMBER.ref, path: 'callerRules', value: [RULES[1]] },
    ])
  })

  it('says for any caller which line takes them', async () => {
    await list({ [TRY]: { from: '+1 902 555 0177', verdict: 'rule', rule: 'vip' } })
    await page?.get('#try-callerRules').setValue('902 555 0177')
    await page?.get('form.try').trigger('submit')
    await settle()
    expect(page?.get('form.try').text()).toContain('+1 902 555 0177 goes to Desk, by line 1.')
    expect(page?.find('li.takes').exists()).toBe(true)
  })
})

describe('numbers that lead here', () => {
  const WAYS = 'GET /customers/inlet/leads'
  it('are told by their way, and those that lead at once are led elsewhere together', async () => {
    const opened = await openPart(
      LedHere,
      [object('number:+19025550150', { destination: 'group:desk' }), DESK, BOX],
      {
        [WAYS]: { numbers: [{ number: 'number:+19025550150', by: 'destination', through: [] }], onward: [], lost: [] },
        [MEANT]: meaning({ Messages: 'mailbox:desk' }),
        [EDITS]: unchanged(BOOK),
      },
      { props: { object: DESK } },
    )
    page = opened.page
    await settle()
    await page.get('input[aria-label="Where they are to lead"]').setValue('Messages')
    await page.get('form').trigger('submit')
    await settle()
    expect(edits(opened.server)).toEqual([
      { object: 'number:+19025550150', path: 'destination', value: 'mailbox:desk' },
    ])
  })

  it('are not said to be none where the server could not say', async () => {
    page = (await openPart(LedHere, BOOK, { [WAYS]: new Refused(500) }, { props: { object: DESK } })).page
    await settle()
    expect(page.text()).toContain('Not known')
  })
})
