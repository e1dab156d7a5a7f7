import { afterEach, expect, it } from 'vitest'
import type { VueWrapper } from '@vue/test-utils'
import { close, settle } from '@/testing'
import NewNumbers from './chapters/NewNumbers.vue'
import { EDITS, INES, meaning, MEANT, object, openPart, unchanged } from './testing'

let page: VueWrapper
afterEach(() => {
  close(page)
  sessionStorage.clear()
})

const MAIN = object('number:+19025550150', { label: 'Main' })

it('adds typed numbers in one edit, once each, and says which cannot be read', async () => {
  const opened = await openPart(NewNumbers, [MAIN, INES], {
    [MEANT]: meaning({ '902 555 0151': 'outside:+19025550151', '902 555 0150': 'number:+19025550150' }),
    [EDITS]: unchanged([MAIN, INES]),
  })
  page = opened.page
  const field = page.get('input[aria-label="New numbers"]')
  await field.setValue('902 555 0151, xx; 902 555 0150')
  await page.get('form').trigger('submit')
  await settle()
  expect(page.get('[role=alert]').text()).toContain('nothing here is called "xx"')
  expect(page.get('[role=alert]').text()).toContain('is in this book already')
  expect((field.element as HTMLInputElement).value).toBe('902 555 0151, xx; 902 555 0150')
  expect(opened.server.asked.some((each) => each.call === EDITS)).toBe(false)

  await field.setValue('902 555 0151, 902 555 0151')
  await page.get('form').trigger('submit')
  await settle()
  expect(opened.server.asked.find((each) => each.call === EDITS)?.body).toMatchObject({
    edits: [{ op: 'create', object: 'number:+19025550151', value: { status: 'active' } }],
  })
  expect((field.element as HTMLInputElement).value).toBe('')
})

it('takes a pasted column as numbers', async () => {
  page = (await openPart(NewNumbers, [MAIN])).page
  const field = page.get('input[aria-label="New numbers"]')
  const pasted = new Event('paste', { cancelable: true })
  Object.assign(pasted, { clipboardData: { getData: () => '902 555 0151\n\n902 555 0152\t' } })
  field.element.dispatchEvent(pasted)
  await settle()

  expect((field.element as HTMLInputElement).value).toBe('902 555 0151, 902 555 0152')
})
