import { onScopeDispose, shallowReactive, type MaybeRefOrGetter, toValue } from 'vue'

/** Something the command box can jump to or do. */
export interface Command {
  label: string
  /** What kind of thing it is: customer, user, number, screen. */
  kind: string
  run: () => void
}

type Source = MaybeRefOrGetter<Command[]>
/** What is typed is itself the command: `call main sat 10:00`. */
type Saying = (typed: string) => Command[]
type Finder = (typed: string) => Promise<Command[]>

const sources = shallowReactive(new Set<Source>())
const sayings = shallowReactive(new Set<Saying>())
const finders = shallowReactive(new Set<Finder>())

function useIn<T>(set: Set<T>, mine: T): void {
  set.add(mine)
  onScopeDispose(() => {
    set.delete(mine)
  })
}

/** Offers commands for as long as the component lives. */
export function useCommands(source: Source): void {
  useIn(sources, source)
}

/** Offers commands that are made of what is typed. */
export function useSayings(saying: Saying): void {
  useIn(sayings, saying)
}

/** Looks for more than the page knows. */
export function useFinder(finder: Finder): void {
  useIn(finders, finder)
}

export function allCommands(): Command[] {
  return [...sources].flatMap((source) => toValue(source))
}

export function said(typed: string): Command[] {
  return [...sayings].flatMap((saying) => saying(typed.trim()))
}

export async function foundElsewhere(typed: string): Promise<Command[]> {
  return (await Promise.all([...finders].map((finder) => finder(typed.trim())))).flat()
}

const FEWEST_DIGITS = 3

/** Digits that are typed as a number, however they are grouped; empty where it is something else. */
export function digitsOf(typed: string): string {
  return /^[\d\s().+-]+$/.test(typed) ? typed.replace(/\D/g, '') : ''
}

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/**
 * Commands whose label or kind holds every word, or whose label holds the digits however they are grouped; those that
 * begin with the first word foremost.
 */
export function matching(commands: Command[], typed: string): Command[] {
  const digits = digitsOf(typed)
  const words = plain(typed)
    .split(/\s+/)
    .filter((word) => word !== '')
  const fits = commands.filter((command) => {
    if (digits.length >= FEWEST_DIGITS && command.label.replace(/\D/g, '').includes(digits)) return true
    const text = plain(`${command.label} ${command.kind}`)
    return words.every((word) => text.includes(word))
  })
  const first = words[0] ?? ''
  return fits.sort((a, b) => Number(plain(b.label).startsWith(first)) - Number(plain(a.label).startsWith(first)))
}
