import type { VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import { close, fakeServer, open, Refused, SESSION, settle } from '@/testing'
import TokensView from './TokensView.vue'

const TOKEN = {
  id: 't1',
  name: 'nightly drift',
  scope: 'read',
  madeAt: '2026-11-30T18:05:00Z',
  until: null,
  lastUsedAt: null,
}

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

async function tokens(handlers: Record<string, unknown>): Promise<ReturnType<typeof fakeServer>> {
  const server = fakeServer({ 'GET /session': SESSION, 'GET /api-tokens': { tokens: [TOKEN] }, ...handlers })
  page = (await open(TokensView, '/tokens')).page
  return server
}

it('shows a token once it is made, and asks for as long as was said', async () => {
  const server = await tokens({ 'POST /api-tokens': { ...TOKEN, token: 'jr-secret' } })
  await page.get('input[name=name]').setValue('nightly drift')
  await page.get('input[name=days]').setValue('')
  await page.get('form').trigger('submit')
  await settle()

  expect(server.asked.find((each) => each.call === 'POST /api-tokens')?.body).toEqual({
    name: 'nightly drift',
    scope: 'read',
    days: null,
  })
  expect(page.get('[data-testid=token]').text()).toBe('jr-secret')
})

it('says what is wrong at its field and keeps what was typed', async () => {
  await tokens({ 'POST /api-tokens': new Refused(422, { errors: [{ detail: 'at most 3650', pointer: '/days' }] }) })
  await page.get('input[name=name]').setValue('nightly drift')
  await page.get('input[name=days]').setValue('9999')
  await page.get('form').trigger('submit')
  await settle()

  expect(page.get('[role=alert]').text()).toBe('At most 3650')
  expect((page.get('input[name=name]').element as HTMLInputElement).value).toBe('nightly drift')
})

it('takes a token back', async () => {
  const server = await tokens({ 'DELETE /api-tokens/t1': null })
  await page
    .findAll('button')
    .find((each) => each.text() === 'Take back')
    ?.trigger('click')
  await settle()

  expect(server.asked.some((each) => each.call === 'DELETE /api-tokens/t1')).toBe(true)
})
