import { mount, type VueWrapper } from '@vue/test-utils'
import { afterEach, expect, it } from 'vitest'
import { settle } from '@/testing'
import TableFile from './TableFile.vue'

let page: VueWrapper
afterEach(() => {
  page.unmount()
})

async function give(...parts: BlobPart[]): Promise<void> {
  page = mount(TableFile, { props: { label: 'from a file' } })
  const input = page.get('input[type=file]')
  Object.defineProperty(input.element, 'files', { value: [new File(parts, 'people.csv')] })
  await input.trigger('change')
  await settle()
}

it('gives on what a file says', async () => {
  await give('Name,Ext\nInes,201')
  expect(page.emitted('read')).toEqual([['Name,Ext\nInes,201']])
})

it('says why nothing of it can be taken, and gives on nothing', async () => {
  await give('%PDF-1.7')
  expect(page.emitted('read')).toBeUndefined()
  expect(page.get('[role=alert]').text()).toContain('This is no list')
})
