import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import type { FindingLine } from '@/api'
import { close, fakeServer, key, open, settle } from '@/testing'
import FindingsView from './FindingsView.vue'

const LINE: FindingLine = { customer: 'pier', name: 'East Pier', rule: 'groups.empty', severity: 'error', title: 'Desk: nobody is in it', detail: 'Calls go on at once.', object: 'group:desk', count: 1, waived: false, fingerprint: 'f1', firstSeen: '2026-12-01T18:05:00Z' }
const DRIFT: FindingLine = { ...LINE, customer: 'merrow', name: 'Merrow', rule: 'drift.field-differs', severity: 'warning', title: '2 fields differ', object: 'tenant:merrow', fingerprint: 'f2' }
const WAIVED: FindingLine = { ...LINE, customer: 'osier', name: 'Osier', waived: true, fingerprint: 'f3' }

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function findings(lines: FindingLine[]): Promise<Awaited<ReturnType<typeof open>>['router']> {
  fakeServer({ 'GET /findings': { findings: lines } })
  const opened = await open(FindingsView, '/findings')
  page = opened.page
  return opened.router
}

it('lists what stands by rule, heaviest first, and opens a customer where it is, by keyboard', async () => {
  const router = await findings([DRIFT, WAIVED, LINE])
  const push = vi.spyOn(router, 'push')
  expect(page.findAll('tbody tr').map((row) => row.text().replace(/\s+/g, ' '))).toEqual(['groups.empty 1', expect.stringContaining('Desk: nobody is in it'), 'drift.field-differs 1', expect.stringContaining('2 fields differ')])
  expect(page.text()).toContain('2 findings at 2 customers')

  await key('Enter')
  expect(push).toHaveBeenLastCalledWith({ name: 'desk', params: { customer: 'pier', chapter: 'groups' }, query: { at: 'group:desk' } })
})

it('leads from drift to what differs', async () => {
  const router = await findings([DRIFT, LINE])
  const push = vi.spyOn(router, 'push')
  await key('j')
  await key('Enter')

  expect(push).toHaveBeenLastCalledWith(expect.objectContaining({ params: { customer: 'merrow', chapter: 'push' } }))
})

it('shows waived ones when asked, and says when nothing fits', async () => {
  await findings([LINE, WAIVED])
  await page.findAll('option').find((each) => each.text() === 'are waived')?.setValue()
  await settle()
  expect(page.get('tbody').text()).toContain('Osier')
  await page.get('input[type=search]').setValue('nobody says this')
  await settle()

  expect(page.text()).toContain('No finding fits this sentence.')
})
