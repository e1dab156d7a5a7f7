import { onScopeDispose, reactive, watch, type Reactive } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/** Keys that are held down write the address once they rest. */
const WRITE_AFTER = 150

/**
 * What a page is narrowed to, in the address: a reload, a link and the way back come to the same. What stands there and
 * cannot be is the default.
 *
 * @param allowed the words that a part may be; a part that is not named may be any text
 */
export function useAddressed<T extends { [Name in keyof T]: string }>(
  defaults: T,
  allowed: { [Name in keyof T]?: readonly T[Name][] } = {},
): { place: Reactive<T>; written: () => Promise<void> } {
  const route = useRoute()
  const router = useRouter()
  const names = Object.keys(defaults) as (keyof T & string)[]
  const page = route.name

  function said(name: keyof T & string): T[keyof T & string] {
    const value = route.query[name]
    const isKnown = typeof value === 'string' && (allowed[name]?.includes(value as T[typeof name]) ?? true)
    return isKnown ? (value as T[typeof name]) : defaults[name]
  }

  function here(): T {
    return Object.fromEntries(names.map((name) => [name, said(name)])) as unknown as T
  }

  const place = reactive({ ...here() })
  const parts = place as Record<string, string>

  /** Writes the address now. */
  async function written(): Promise<void> {
    clearTimeout(writing)
    if (route.name !== page) return
    const query: Record<string, (typeof route.query)[string]> = { ...route.query }
    for (const name of names) {
      if (parts[name] === defaults[name]) Reflect.deleteProperty(query, name)
      else query[name] = parts[name] ?? ''
    }
    // A page that is on its way would be called back by a new address of this one.
    if (names.every((name) => query[name] === route.query[name])) return
    wrote = JSON.stringify(names.map((name) => parts[name]))
    await router.replace({ query })
  }

  let wrote = ''

  let writing: ReturnType<typeof setTimeout> | undefined
  watch(place, () => {
    clearTimeout(writing)
    writing = setTimeout(() => void written(), WRITE_AFTER)
  })
  // Back, forward, or a link to this very page; not what was written here, as more may be typed by now.
  watch(
    () => route.query,
    () => {
      if (route.name === page && JSON.stringify(names.map(said)) !== wrote) Object.assign(place, here())
    },
  )
  onScopeDispose(() => {
    clearTimeout(writing)
  })
  return { place, written }
}
