import { onScopeDispose, shallowReactive } from 'vue'

/** One key and what it does, as `?` lists it. */
export interface Told {
  /** As KeyboardEvent.key says it; `ctrl+k` for Ctrl or Cmd. */
  keys: string
  label: string
  /** Where it holds, for the list. */
  scope: string
}

export interface Shortcut extends Told {
  /** Set where the key also works in the middle of typing; most are silent then. */
  whileTyping?: boolean
  run: () => void
}

const shortcuts = shallowReactive(new Set<Shortcut>())

/** Registers keys for as long as the component lives; the newest holder of a key wins. */
export function useShortcuts(mine: Shortcut[]): void {
  mine.forEach((shortcut) => shortcuts.add(shortcut))
  onScopeDispose(() => {
    mine.forEach((shortcut) => shortcuts.delete(shortcut))
  })
}

const told = shallowReactive(new Set<Told>())

/** Tells of keys that a part of the page hears itself while it has the focus, for as long as the part lives. */
export function useKeysTold(scope: string, mine: Record<string, string>): void {
  const each = Object.entries(mine).map(([keys, label]) => ({ keys, label, scope }))
  each.forEach((key) => told.add(key))
  onScopeDispose(() => {
    each.forEach((key) => told.delete(key))
  })
}

/** Every key that does something now, each once. */
export function keysNow(): Told[] {
  const found = new Map<string, Told>()
  for (const each of [...shortcuts, ...told]) found.set(`${each.scope} ${each.keys}`, each)
  return [...found.values()]
}

export function activeShortcuts(): Shortcut[] {
  return [...shortcuts]
}

/** A box that is ticked or a button takes no text. */
const NO_TEXT = /^(checkbox|radio|button|submit|file|range)$/

function isTyping(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement && NO_TEXT.test(target.type)) return false
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
}

function isInDialog(): boolean {
  return document.querySelector('.el-dialog[data-open=true], .el-message-box') !== null
}

export function nameOf(event: KeyboardEvent): string {
  const held = event.ctrlKey || event.metaKey
  if (!held) return event.key
  return `ctrl+${event.key.length === 1 ? event.key.toLowerCase() : event.key}`
}

/** The one listener of the page. */
export function handleKey(event: KeyboardEvent): void {
  const name = nameOf(event)
  if (event.altKey || event.defaultPrevented) return
  const found = activeShortcuts()
    .reverse()
    .find((shortcut) => shortcut.keys === name)
  if (found === undefined || (found.whileTyping !== true && (isTyping(event.target) || isInDialog()))) return
  event.preventDefault()
  found.run()
}
