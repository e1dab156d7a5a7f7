import { onScopeDispose, shallowReactive, type MaybeRefOrGetter, toValue } from 'vue'

/** Something the command box can jump to or do. */
export interface Command {
  label: string
  /** What kind of thing it is: customer, user, number, screen. */
  kind: string
  run: () => void
}

type Source = MaybeRefOrGetter<Command[]>

const sources = shallowReactive(new Set<Source>())

/** Offers commands for as long as the component lives. */
export function useCommands(source: Source): void {
  sources.add(source)
  onScopeDispose(() => {
    sources.delete(source)
  })
}

export function allCommands(): Command[] {
  return [...sources].flatMap((source) => toValue(source))
}

/** Commands whose label or kind holds every word, those that begin with the first word foremost. */
export function matching(commands: Command[], typed: string): Command[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  const fits = commands.filter((command) => {
    const text = `${command.label} ${command.kind}`.toLowerCase()
    return words.every((word) => text.includes(word))
  })
  const first = words[0] ?? ''
  return fits.sort(
    (a, b) => Number(b.label.toLowerCase().startsWith(first)) - Number(a.label.toLowerCase().startsWith(first)),
  )
}
