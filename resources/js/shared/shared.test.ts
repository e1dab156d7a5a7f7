import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { key, settle } from '@/testing'
import { now, setClock } from './clock'
import { age, asSentence, dateThere, dayThere, plural, timeThere } from './format'
import { handleKey, useShortcuts } from './keys/registry'
import { allCommands, matching, useCommands, type Command } from './keys/commands'
import CommandBox from './keys/CommandBox.vue'
import ModalSheet from './components/ModalSheet.vue'

describe('ages', () => {
  const at = new Date('2026-12-01T18:05:00Z')
  it.each([
    ['2026-12-01T18:04:30Z', 'just now'],
    ['2026-12-01T17:51:00Z', '14 min ago'],
    ['2026-12-01T15:05:00Z', '3 h ago'],
    ['2026-11-30T10:05:00Z', '32 h ago'],
    ['2026-11-26T18:05:00Z', '5 d ago'],
  ])('%s is %s', (instant, said) => {
    expect(age(instant, at)).toBe(said)
  })
})

it('begins what stands alone with a capital, and changes nothing that somebody typed', () => {
  expect(asSentence('an answer is needed here')).toBe('An answer is needed here')
  expect(asSentence('"joss@redshank" is no mail address')).toBe('"joss@redshank" is no mail address')
})

it('tells the time at the customer, wherever the technician sits', () => {
  expect(timeThere(new Date('2026-12-01T18:05:00Z'), 'America/Halifax')).toBe('Tue 14:05')
  expect(timeThere(new Date('2026-12-01T18:05:00Z'), 'Asia/Kathmandu')).toBe('Tue 23:50')
  expect(dateThere('2026-12-01T02:05:00Z', 'America/Halifax')).toBe('30 Nov 2026, 22:05')
  expect(dayThere('2026-12-01T04:05:00Z', 'America/Halifax', new Date('2026-12-01T18:05:00Z'))).toBe('00:05')
  expect(dayThere('2026-12-01T02:05:00Z', 'America/Halifax', new Date('2026-12-01T18:05:00Z'))).toBe('30 Nov')
  expect(dayThere('2026-12-01T02:05:00Z', 'America/Halifax', new Date('2027-01-02T18:05:00Z'))).toBe('30 Nov 2026')
  expect(plural(1, 'clash', 'clashes')).toBe('1 clash')
  expect(plural(2, 'clash', 'clashes')).toBe('2 clashes')
})

it("stands still in the demo and runs on from the server's time elsewhere", () => {
  const passed = vi.spyOn(performance, 'now').mockReturnValue(1_000)
  setClock('2026-12-01T18:05:00Z', true)
  passed.mockReturnValue(61_000)
  expect(now().toISOString()).toBe('2026-12-01T18:05:00.000Z')

  setClock('2026-12-01T18:05:00Z', false)
  passed.mockReturnValue(121_000)
  expect(now().toISOString()).toBe('2026-12-01T18:06:00.000Z')
  passed.mockRestore()
})

describe('the command box', () => {
  const command = (label: string, kind = 'screen'): Command => ({ label, kind, run: vi.fn() })

  it('finds by every word, in label or kind, those that begin with the first one foremost', () => {
    const all = [
      command('+1 902 555 0110 Ardent', 'main number'),
      command('Sign out', 'session'),
      command('Ardent Road', 'customer'),
    ]

    expect(matching(all, 'ard').map((each) => each.label)).toEqual(['Ardent Road', '+1 902 555 0110 Ardent'])
    expect(matching(all, 'ardent number').map((each) => each.label)).toEqual(['+1 902 555 0110 Ardent'])
    expect(matching(all, 'zzz')).toEqual([])
  })

  it('runs what the arrow keys chose, and is gone', async () => {
    const commands = [command('Ardent'), command('Ardour'), command('Boatyard')]
    const page = mount(
      defineComponent({
        setup: () => {
          useCommands(commands)
          return () => h(CommandBox)
        },
      }),
      { attachTo: document.body },
    )
    document.addEventListener('keydown', handleKey)
    await key('k', document.body, { ctrlKey: true })
    const field = page.get('input')
    await field.setValue('ard')
    await field.trigger('keydown', { key: 'ArrowDown' })
    await field.trigger('keydown', { key: 'Enter' })

    expect(commands.map((each) => vi.mocked(each.run).mock.calls.length)).toEqual([0, 1, 0])
    expect(page.find('input').exists()).toBe(false)
    document.removeEventListener('keydown', handleKey)
    page.unmount()
    expect(allCommands()).toEqual([])
  })
})

it('keys go on where a box was ticked, and are silent where text is typed', async () => {
  const run = vi.fn()
  const page = mount(
    defineComponent({
      setup: () => {
        useShortcuts([{ keys: 'j', label: 'down', scope: 'Roster', run }])
        return () => [h('input', { type: 'checkbox' }), h('input', { type: 'text' })]
      },
    }),
    { attachTo: document.body },
  )
  document.addEventListener('keydown', handleKey)
  await key('j', page.get('[type=checkbox]').element)
  expect(run).toHaveBeenCalledTimes(1)
  await key('j', page.get('[type=text]').element)
  expect(run).toHaveBeenCalledTimes(1)
  document.removeEventListener('keydown', handleKey)
  page.unmount()
})

it('a sheet over the page opens as modal, closes on the veil and is made anew each time', async () => {
  const open = ref(false)
  const page = mount(
    defineComponent({
      render: () =>
        h(
          ModalSheet,
          {
            title: 'Keys',
            modelValue: open.value,
            'onUpdate:modelValue': (value: boolean) => {
              open.value = value
            },
          },
          () => h('input'),
        ),
    }),
    { attachTo: document.body },
  )
  expect(page.find('input').exists()).toBe(false)

  open.value = true
  await settle()
  expect(page.get('[role=dialog]').attributes('aria-modal')).toBe('true')
  await page.get('input').setValue('typed')
  const veil = page.get('.el-overlay-dialog')
  await veil.trigger('mousedown')
  await veil.trigger('mouseup')
  await veil.trigger('click')
  expect(open.value).toBe(false)

  open.value = true
  await settle()
  expect(page.get('input').element.value).toBe('')
  page.unmount()
})
