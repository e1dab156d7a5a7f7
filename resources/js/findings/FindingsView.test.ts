import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import type { AuditRun, FindingHead, FindingLine, Findings, FindingWindow, Mended } from '@/api'
import { setClock } from '@/shared'
import { choose, close, fakeServer, key, open, Refused, settle } from '@/testing'
import FindingsView from './FindingsView.vue'
import { KINDS } from './sorting'

const ME = '6f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00'
const SOL = { id: 'a1b0c4c8-5f43-4e0c-8a3f-0c2b8f0c0000', name: 'Sol Ormerod', initials: 'SO' }
const LINE: FindingLine = {
  customer: 'pier',
  name: 'East Pier',
  zone: 'America/Halifax',
  rule: 'groups.empty',
  severity: 'error',
  title: 'Desk: nobody is in it',
  detail: 'Calls go on at once.',
  object: 'group:desk',
  count: 1,
  waived: false,
  fingerprint: 'f1',
  fix: 'Add the operator',
  revision: 3,
  assignee: null,
  due: null,
  firstSeen: '2026-11-20T18:05:00Z',
  lastSeen: '2026-12-01T18:05:00Z',
}
const DRIFT: FindingLine = {
  ...LINE,
  customer: 'merrow',
  name: 'Merrow',
  rule: 'drift.field-differs',
  severity: 'warning',
  title: '2 fields differ',
  object: 'tenant:merrow',
  fingerprint: 'f2',
  fix: null,
  revision: null,
}
const WAIVED: FindingLine = { ...LINE, customer: 'osier', name: 'Osier', waived: true, fingerprint: 'f3' }
const MENDED: Mended = {
  changes: [{ op: 'set', object: 'group:desk', label: 'Desk', path: 'noAnswerSeconds', before: 20, after: 30 }],
  left: [],
  brings: [],
  callersNotice: true,
  revision: null,
}
const RUN: AuditRun = {
  id: 'b7f0c4c8-5f43-4e0c-8a3f-0c2b8f0c0001',
  reason: 'asked',
  state: 'running',
  begunAt: '2026-12-01T18:05:00Z',
  endedAt: null,
  done: [{ customer: 'pier', name: 'East Pier', findings: 1, milliseconds: 40, trouble: null }],
  waiting: [{ customer: 'merrow', name: 'Merrow' }],
}

let page: VueWrapper
let server: ReturnType<typeof fakeServer>
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

/** As the server would: by rule in the order given; who is asked for nothing but words finds nothing. */
function inWindow(lines: FindingLine[], { searchParams: asked }: URL): FindingWindow {
  const kind = asked.get('kind') ?? 'standing'
  const shown = lines.filter((line) => line.waived === (kind === 'waived') && (asked.get('words') ?? '') === '')
  const heads: FindingHead[] = []
  const placed: FindingWindow['lines'] = []
  let row = 0
  for (const rule of new Set(shown.map((line) => line.rule))) {
    const of = shown.filter((line) => line.rule === rule)
    const mendable = of.filter((line) => line.fix !== null).length
    heads.push({ row: row++, key: rule, title: rule, count: of.length, mendable })
    for (const line of of) placed.push({ row: row++, line })
  }
  return {
    rows: row,
    total: shown.length,
    customers: new Set(shown.map((line) => line.customer)).size,
    place: placed.find(({ line }) => `${line.customer} ${line.fingerprint}` === asked.get('at'))?.row ?? null,
    from: 0,
    heads,
    lines: placed,
  }
}

/** Keeps who sees to a finding, as the server does. */
const caredFor =
  (line: FindingLine) =>
  (body: unknown): unknown => {
    Object.assign(line, body)
    return body
  }

async function findings(
  lines: FindingLine[],
  more: Partial<Findings> = {},
  handlers: Record<string, unknown> = {},
): Promise<Awaited<ReturnType<typeof open>>['router']> {
  setClock('2026-12-01T18:05:00Z', true)
  server = fakeServer({
    'GET /findings': (_: unknown, address: URL) => ({
      ...inWindow(lines, address),
      all: lines.length,
      trend: [],
      technicians: [SOL],
      me: ME,
      digest: false,
      ...more,
    }),
    'GET /findings/rows': (_: unknown, address: URL) => inWindow(lines, address),
    'GET /audits/latest': { run: null },
    'GET /audits/latest/progress': { progress: null },
    ...handlers,
  })
  const opened = await open(FindingsView, '/findings')
  page = opened.page
  return opened.router
}

const rows = (): string[] => page.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '))
const press = async (text: string): Promise<void> => {
  await page
    .findAll('button')
    .find((each) => each.text() === text)
    ?.trigger('click')
  await settle()
}

it('lists by rule, heaviest first, tells one in the margin, and opens a customer there, by keyboard', async () => {
  const router = await findings([LINE, DRIFT, WAIVED])
  const push = vi.spyOn(router, 'push')
  expect(rows()).toEqual([
    'groups.empty 1',
    expect.stringContaining('Desk: nobody is in it'),
    'drift.field-differs 1',
    expect.stringContaining('2 fields differ'),
  ])
  expect(page.text()).toContain('2 findings at 2 customers')
  expect(page.get('aside').text()).toContain('revision 3')

  await key('Enter')
  expect(push).toHaveBeenLastCalledWith({
    name: 'desk',
    params: { customer: 'pier', chapter: 'groups' },
    query: { at: 'group:desk' },
  })
  await key('j')
  expect(page.get('aside').text()).toContain('2 fields differ')
  expect(page.get('aside').text()).not.toContain('Came by')
  await key('Enter')
  expect(push).toHaveBeenLastCalledWith(expect.objectContaining({ params: { customer: 'merrow', chapter: 'push' } }))
})

it('shows others when asked, and says when nothing fits', async () => {
  await findings([LINE, WAIVED])
  await choose(page, 'input[aria-label=Which]', KINDS.waived)
  await settle()
  expect(page.get('tbody').text()).toContain('Osier')
  await page.get('input[type=search]').setValue('nobody says this')

  await vi.waitFor(() => {
    expect(page.text()).toContain('No finding fits this sentence.')
  })
})

it('gives a finding to somebody until a day, and says why that did not work', async () => {
  const line = { ...LINE }
  await findings([line], {}, { 'PUT /customers/pier/findings/f1': caredFor(line) })
  await choose(page, '#sees-to', SOL.name)
  await settle()
  await page.get('#due-on').setValue('4 Dec 2026')
  await settle()
  expect(server.asked.filter((each) => each.call.startsWith('PUT')).map((each) => each.body)).toEqual([
    { assignee: SOL.id, due: null },
    { assignee: SOL.id, due: '2026-12-04' },
  ])
  expect(rows()[1]).toContain('SO · Fri 4 Dec')

  server.handlers['PUT /customers/pier/findings/f1'] = new Refused(403, {
    detail: 'You may look at this customer only.',
  })
  await choose(page, '#sees-to', 'nobody')
  await settle()
  expect(page.get('[role=alert]').text()).toBe('You may look at this customer only.')
})

it('mends the same finding at many customers after a look at each, and leaves out where it should not be', async () => {
  const there = (customer: string): FindingLine => ({ ...LINE, customer, name: customer, fingerprint: `f-${customer}` })
  const entered: string[] = []
  const fixes =
    (customer: string, refuses = false) =>
    (body: unknown): unknown => {
      if ((body as { enter: boolean }).enter) entered.push(customer)
      return (body as { enter: boolean }).enter
        ? { ...MENDED, revision: 7 }
        : refuses
          ? new Refused(403, { detail: 'Not granted.' })
          : MENDED
    }
  await findings(
    [there('a'), there('b'), there('c')],
    {},
    {
      'POST /customers/a/findings/fixes': fixes('a'),
      'POST /customers/b/findings/fixes': fixes('b'),
      'POST /customers/c/findings/fixes': fixes('c', true),
    },
  )
  await press('mend 3 …')

  expect(page.get('[data-testid=mend-a]').text()).toContain('1 change, callers notice')
  expect(page.get('[data-testid=mend-a]').text()).toMatch(/Desk: .*30 s, was 20 s/)
  expect(page.get('[data-testid=mend-c]').text()).toContain('Not granted.')
  await page.get('[data-testid=mend-b] input').setValue(false)
  await page.get('input[name=note]').setValue('Everybody is rung')
  await page.get('.el-dialog form').trigger('submit')
  await settle()

  expect(entered).toEqual(['a'])
  expect(server.asked.at(-2)?.body ?? server.asked.at(-1)?.body).toEqual({
    fingerprints: ['f-a'],
    enter: true,
    note: 'Everybody is rung',
  })
  expect(page.get('[data-testid=mend-a]').text()).toContain('entered as revision 7')
  expect(page.text()).toContain('1 customer mended.')
})

it('chooses several by keyboard, and saves what is chosen as a file', async () => {
  const saved: unknown[] = []
  const kept = vi.spyOn(HTMLAnchorElement.prototype, 'click').mockReturnValue()
  await findings([LINE, DRIFT], {}, { 'POST /findings/export': (body: unknown) => (saved.push(body), []) })
  await key('x')
  expect(page.text()).toContain('1 chosen')
  await press('SARIF')

  expect(saved).toEqual([{ format: 'sarif', of: [{ customer: 'pier', fingerprint: 'f1' }] }])
  expect(kept).toHaveBeenCalledOnce()
  expect(page.text()).toContain('1 finding saved as SARIF.')
})

it('gives several to somebody, and waives several with one reason; those that did not go stay chosen', async () => {
  const ONE = { ...LINE }
  const OTHER = { ...LINE, customer: 'osier', name: 'Osier', fingerprint: 'f4' }
  await findings(
    [ONE, OTHER],
    {},
    {
      'PUT /customers/pier/findings/f1': caredFor(ONE),
      'PUT /customers/osier/findings/f4': caredFor(OTHER),
      'POST /customers/osier/findings/waivers': { findings: [], waived: [], strip: null },
      'POST /customers/pier/findings/waivers': new Refused(403, { detail: 'You may look at this customer only.' }),
    },
  )
  const chooseBoth = async (): Promise<void> => {
    await key('x')
    await key(page.findAll('tr.here')[0]?.text().includes('Osier') === true ? 'k' : 'j')
    await key('x')
  }
  await chooseBoth()
  await choose(page, 'input[aria-label="Who sees to those chosen"]', SOL.name)
  await settle()
  expect(page.text()).toContain('2 findings are seen to by Sol Ormerod.')
  expect(page.text()).not.toContain('chosen')
  expect(rows().filter((row) => row.includes('SO'))).toHaveLength(2)

  await chooseBoth()
  await press('Waive 2 …')
  await page.get('input[name=reason]').setValue('agreed with the owner')
  await page.get('.el-dialog form').trigger('submit')
  await settle()
  const waived = server.asked.filter((each) => each.call.endsWith('/waivers'))
  expect(waived[0]?.body).toMatchObject({ reason: 'agreed with the owner', until: null })
  expect(page.text()).toContain('You may look at this customer only.')
  expect(page.text()).toContain('2 chosen')
})

it('tells how far the audit of every customer is, stops it and goes on with the rest', async () => {
  const stopped = { ...RUN, state: 'stopped' as const }
  const progress = { id: RUN.id, state: 'running', done: 1, total: 2 }
  const answers = [null, progress, { ...progress, state: 'stopped' }, { ...progress, state: 'ended' }]
  const asked: number[] = []
  const far = (): number => asked.length
  await findings(
    [LINE],
    {},
    {
      'GET /audits/latest/progress': () => ({ progress: answers[far()] ?? null }),
      'GET /audits/latest': () => ({ run: [null, RUN, stopped, { ...RUN, state: 'ended', waiting: [] }][far()] }),
      'POST /audits': () => {
        asked.push(1)
        return { run: RUN }
      },
      [`POST /audits/${RUN.id}/stop`]: () => {
        asked.push(2)
        return { run: stopped }
      },
      [`POST /audits/${RUN.id}/resume`]: () => {
        asked.push(3)
        return { run: { ...RUN, state: 'ended', waiting: [] } }
      },
    },
  )
  expect(page.text()).toContain('Never audited as a whole.')
  await press('Audit every customer now')
  expect(page.get('.audit').text()).toContain('1 of 2 customers audited')
  await press('Stop after this one')
  expect(page.get('.audit').text()).toContain('Stopped at 1 of 2 customers.')
  await press('Go on with the rest')
  expect(page.get('.audit').text()).toContain('Audited just now, 1 customer.')
})

it('draws the trend as soon as there are days to compare', async () => {
  const day = (date: string, error: number): Findings['trend'][number] => ({
    day: date,
    blocker: 0,
    error,
    warning: 0,
    note: 1,
  })
  await findings([LINE], { trend: [day('2026-11-30', 3), day('2026-12-01', 1)] })

  expect(page.get('svg[aria-label^=Findings]').attributes('aria-label')).toBe(
    'Findings over 2 days: from 4 on Mon 30 Nov 2026 to 2 findings',
  )
  expect(page.findAll('svg title').map((title) => title.text())).toEqual([
    'Mon 30 Nov 2026: 3 errors, 1 note',
    'Tue 1 Dec 2026: 1 error, 1 note',
  ])
})

it('mails what is new to whoever wants it', async () => {
  await findings([LINE], {}, { 'PUT /digest': null, 'POST /digest': { told: 0, to: 'lena@saltmarsh.example' } })
  await page.get('.rest input[type=checkbox]').setValue()
  await settle()
  expect(server.asked.find((each) => each.call === 'PUT /digest')?.body).toEqual({ wanted: true })
  await press('send it now')
  expect(page.text()).toContain('no letter was sent')
})
