import { mount, type VueWrapper } from '@vue/test-utils'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { afterEach, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import type { Followed } from '@/api'
import { close, fakeServer, Refused, settle } from '@/testing'
import { handleKey } from '@/shared'
import CallLine from './CallLine.vue'
import { deskOf, NOTHING_LIVE } from './testing'
import { provideDesk, type DeskState } from './desk'

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

function ends(target: string): Followed {
  return {
    script: { to: '19025550150', at: '2026-12-01T14:05:00-04:00' },
    sentence: '902 555 0150 tue 14:05',
    trace: { outcome: 'messageIn', target, seconds: 20, reason: '', steps: [], warnings: [] },
    telling: { parts: [], outcome: 'messageIn', target, seconds: 20, sort: 'mailbox', reason: '' },
  } as unknown as Followed
}

/** A call line whose answers are given by hand, in any order. */
async function openLine(): Promise<{
  state: DeskState
  answers: Record<string, (answer: Followed | Refused) => void>
}> {
  const answers: Record<string, (answer: Followed | Refused) => void> = {}
  fakeServer({
    'GET /customers/inlet/desk': deskOf([]),
    'GET /customers/inlet/live': { ...NOTHING_LIVE, onSwitch: true, readAt: '2026-12-01T18:05:00Z' },
    'GET /customers/inlet/margin': { findings: [], waived: [], strip: null },
    'POST /customers/inlet/calls': (body: { in: string }) =>
      new Promise((give) => {
        answers[body.in] = give
      }),
  })
  let state: DeskState | undefined
  const Desk = defineComponent({
    setup: () => {
      state = provideDesk('inlet')
      return () => h(CallLine)
    },
  })
  page = mount(Desk, {
    attachTo: document.body,
    global: {
      plugins: [[VueQueryPlugin, { queryClient: new QueryClient({ defaultOptions: { queries: { retry: false } } }) }]],
    },
  })
  document.addEventListener('keydown', handleKey)
  await settle()
  if (state === undefined) throw new Error('no desk')
  return { state, answers }
}

async function press(key: string, on: Element = document.body): Promise<void> {
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
  await settle()
}

it('shows the answers to the call that was asked for last, each under the name of its book', async () => {
  const { state, answers } = await openLine()
  const line = page.get('[aria-label="Call line"]').element
  state.callLine.sentence.value = '902 555 0150 mon 9:00'
  await settle()
  await press('Enter', line)
  const late = { ...answers }
  state.callLine.sentence.value = '902 555 0150 tue 14:05'
  await settle()
  await press('Enter', line)

  answers.live?.(ends('mailbox:switch'))
  await settle()
  answers.book?.(ends('mailbox:book'))
  await settle()
  late.live?.(ends('mailbox:late'))
  late.book?.(new Refused(500))
  await settle()

  expect(page.get('[data-testid=call-answer]').text()).toContain('mailbox:book')
  expect(page.get('[data-testid=parting]').text()).toContain('on the switch: takes a message: mailbox:switch')
  await press('T')
  expect(page.get('[aria-pressed=true]').text()).toContain('on the switch')
  expect(page.text()).not.toContain('mailbox:late')
})
