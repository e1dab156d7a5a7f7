import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { handleKey, useShortcuts } from './registry'

let scope: EffectScope

beforeEach(() => {
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  document.body.innerHTML = ''
})

function press(key: string, more: KeyboardEventInit = {}, target: Element = document.body): KeyboardEvent {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more })
  target.addEventListener(
    'keydown',
    (heard) => {
      handleKey(heard as KeyboardEvent)
    },
    { once: true },
  )
  target.dispatchEvent(event)
  return event
}

function field(): Element {
  return document.body.appendChild(document.createElement('input'))
}

it('leaves a letter to the field somebody types in', () => {
  const run = vi.fn()
  scope.run(() => {
    useShortcuts([{ keys: 'j', label: 'next', scope: 'Roster', run }])
  })
  expect(press('j', {}, field()).defaultPrevented).toBe(false)
  expect(run).not.toHaveBeenCalled()
  press('j')
  expect(run).toHaveBeenCalledOnce()
})

it('lets a key marked for it work while typing, with Ctrl or Cmd', () => {
  const run = vi.fn()
  scope.run(() => {
    useShortcuts([{ keys: 'ctrl+k', label: 'jump', scope: 'everywhere', whileTyping: true, run }])
  })
  press('K', { ctrlKey: true }, field())
  press('k', { metaKey: true })
  expect(run).toHaveBeenCalledTimes(2)
})

it('gives a key to the newest holder, and back when that one goes', () => {
  const [page, dialog] = [vi.fn(), vi.fn()]
  const inner = effectScope()
  scope.run(() => {
    useShortcuts([{ keys: 'Enter', label: 'open', scope: 'page', run: page }])
  })
  inner.run(() => {
    useShortcuts([{ keys: 'Enter', label: 'choose', scope: 'inner', run: dialog }])
  })
  press('Enter')
  inner.stop()
  press('Enter')
  expect([dialog.mock.calls.length, page.mock.calls.length]).toEqual([1, 1])
})

it('is silent behind an open dialog, and not behind a closed one', () => {
  const run = vi.fn()
  scope.run(() => {
    useShortcuts([{ keys: 'j', label: 'next', scope: 'Roster', run }])
  })
  document.body.innerHTML = '<div class="el-dialog" data-open="true"></div>'
  press('j')
  expect(run).not.toHaveBeenCalled()
  document.body.innerHTML = '<div class="el-dialog" data-open="false"></div>'
  press('j')
  expect(run).toHaveBeenCalledOnce()
})
