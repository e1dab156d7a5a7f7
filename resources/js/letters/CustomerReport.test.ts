import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { choose, close, fakeServer, open, Refused, settle } from '@/testing'
import CustomerReport from './CustomerReport.vue'
import { MESSAGES } from './languages'

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

const FINDING = {
  severity: 'error' as const,
  name: 'Own mailbox',
  title: 'Front desk: Bo can take every call',
  detail: 'It need not confirm.',
  why: 'Nobody hears it.',
  remedy: 'Ask for a key.',
}
const REPORT = {
  customer: 'Inlet Outfitters',
  zone: 'America/Halifax',
  at: '2026-12-01T03:30:00+00:00',
  language: 'en',
  languages: [
    { tag: 'en', name: 'English' },
    { tag: 'fr-CA', name: 'Français (Canada)' },
  ],
  findings: [FINDING, { ...FINDING, title: 'Back desk: Kim can take every call' }],
}

async function report(answers: (Record<string, unknown> | Refused)[]): Promise<string[]> {
  const asked: string[] = []
  fakeServer({
    'GET /session': {
      technician: null,
      reseller: 'Inlet Voice',
      paper: { colour: '#2f5d62', letterhead: '' },
      now: REPORT.at,
      clockStandsStill: true,
      demo: null,
    },
    'GET /customers/inlet/report': (_: unknown, url: URL) => {
      asked.push(url.search)
      return answers[Math.min(asked.length, answers.length) - 1] as never
    },
  })
  ;({ page } = await open(CustomerReport, '/customers/inlet/report', '/customers/:customer/report'))
  return asked
}

it('tells a customer what was found, alike points once, by the day where they are', async () => {
  await report([REPORT])

  expect(page.get('main').attributes('lang')).toBe('en')
  expect(page.get('main').text()).toContain('Inlet Outfitters, November 30, 2026')
  expect(page.get('main').text()).toContain('found 2 points to mend')
  expect(page.findAll('h2').map((each) => each.text())).toEqual(['Own mailbox to be mended'])
  expect(page.findAll('li').map((each) => each.text())).toEqual([
    'Front desk: Bo can take every call. It need not confirm.',
    'Back desk: Kim can take every call. It need not confirm.',
  ])
})

it('speaks the language that was chosen', async () => {
  const asked = await report([REPORT, { ...REPORT, language: 'fr-CA', findings: [] }])
  await choose(page, '#language', 'Français (Canada)')
  await settle()

  expect(asked).toEqual(['', '?language=fr-CA'])
  expect(page.get('main').attributes('lang')).toBe('fr-CA')
  expect(page.get('h1').text()).toBe('Vos téléphones\u00a0: ce que nous avons trouvé')
  expect(page.get('main').text()).toContain('Inlet Outfitters, 30 novembre 2026')
  expect(page.get('main').text()).toContain('n’avons rien trouvé à corriger')
})

it('can be asked for again where the server could not make it, under its heading', async () => {
  await report([new Refused(503, { title: 'Not now', detail: 'The switch is being read.' }), REPORT])
  expect(page.get('h1').text()).not.toBe('')
  await page
    .findAll('button')
    .find((each) => each.text() === 'Try again')
    ?.trigger('click')
  await settle()

  expect(page.get('main').text()).toContain('Inlet Outfitters, November 30, 2026')
})

it('finds what a language lacks', () => {
  const ids = (messages: unknown, at = ''): string[] =>
    typeof messages === 'object' && messages !== null
      ? Object.entries(messages).flatMap(([id, each]) => ids(each, `${at}/${id}`))
      : [at]
  const english = ids(MESSAGES['en'])

  expect(english.length).toBeGreaterThan(12)
  for (const [language, messages] of Object.entries(MESSAGES)) expect(ids(messages), language).toEqual(english)
})
