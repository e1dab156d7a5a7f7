import type { DOMWrapper, VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import type { RuleLine, Threshold } from '@/api'
import { choose, close, fakeServer, key, open, Refused, settle } from '@/testing'
import RulesView from './RulesView.vue'

const RULE: RuleLine = {
  id: 'menus.too-many-choices',
  severity: 'warning',
  name: 'Too many choices',
  what: 'A menu has too many choices.',
  why: 'Nobody remembers them.',
  remedy: 'Split it.',
  source: 'common practice',
  countries: [],
  thresholds: ['mostChoices'],
  findings: 3,
  waived: 1,
  customers: 2,
}
const SILENT: RuleLine = {
  ...RULE,
  id: 'chains.loop',
  severity: 'error',
  name: 'Chain that comes back',
  what: 'A chain comes back to itself.',
  thresholds: [],
  findings: 0,
  waived: 0,
  customers: 0,
}
const MOST: Threshold = {
  name: 'mostChoices',
  what: 'Most choices in one menu',
  unit: 'choices',
  reason: 'Callers forget.',
  least: 1,
  most: 12,
  standard: 5,
  forAll: 5,
  own: null,
}

let page: VueWrapper
let server: ReturnType<typeof fakeServer>
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function rules(path = '/rules', mayChange = true): Promise<Awaited<ReturnType<typeof open>>['router']> {
  server = fakeServer({
    'GET /rules': { rules: [RULE, SILENT], thresholds: [MOST], mayChange },
    'GET /customers': { customers: [] },
  })
  const opened = await open(RulesView, path, '/rules')
  page = opened.page
  return opened.router
}

const field = (): Omit<DOMWrapper<HTMLInputElement>, 'exists'> => page.get<HTMLInputElement>('.threshold input')

it('tells each rule with how often it fires, and leads to what it found, by keyboard', async () => {
  const router = await rules()
  expect(page.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '))).toEqual([
    expect.stringContaining('chains.loop'),
    expect.stringMatching(/3 at 2 customers · 1 waived$/),
  ])
  expect(page.get('aside').text()).toContain('An error. Rests on common practice.')

  const push = vi.spyOn(router, 'push').mockResolvedValue(undefined)
  await key('j')
  await key('Enter')
  expect(push).toHaveBeenLastCalledWith({ name: 'findings', query: { words: 'menus.too-many-choices' } })
})

it('opens at the rule one came from, and narrows to rules that fire', async () => {
  await rules('/rules?rule=menus.too-many-choices')
  expect(page.get('aside').text()).toContain('A menu has too many choices.')
  await choose(page, 'input[aria-label=Which]', 'Rules that find nothing')
  await settle()
  expect(page.get('aside').text()).toContain('A chain comes back to itself.')
})

it('sets what counts as too much for every customer, back to what it was, and says what cannot be', async () => {
  await rules('/rules?rule=menus.too-many-choices')
  server.handlers['PUT /thresholds/mostChoices'] = (body: unknown) => {
    const { value } = body as { value: number | null }
    server.handlers['GET /rules'] = {
      rules: [RULE, SILENT],
      thresholds: [{ ...MOST, forAll: value ?? 5 }],
      mayChange: true,
    }
    return { thresholds: [] }
  }
  await field().setValue('7')
  await settle()
  expect(page.get('.threshold').text()).toContain('as delivered: 5')
  await page.get('.threshold button').trigger('click')
  await settle()
  expect(server.asked.filter((each) => each.call.startsWith('PUT')).map((each) => each.body)).toEqual([
    { value: 7 },
    { value: null },
  ])
  expect(field().element.value).toBe('5')

  await field().setValue('many')
  expect(page.get('[role=alert]').text()).toBe('“many” is not a whole number.')
  server.handlers['PUT /thresholds/mostChoices'] = new Refused(422, {
    detail: 'Most choices in one menu: 1 to 12 choices.',
  })
  await field().setValue('99')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('Most choices in one menu: 1 to 12 choices.')
})

it('lets nobody set it for every customer who does not look after all', async () => {
  await rules('/rules?rule=menus.too-many-choices', false)
  expect(field().element.disabled).toBe(true)
  expect(page.text()).toContain('Only who looks after every customer sets this.')
})
