import type { Kind, ObjectOf, TelephoneModel } from '@/api'
import type { Names } from './names'

export type DeviceKey = ObjectOf<'device'>['fields']['keys'][number]
export type KeyKind = DeviceKey['kind']

/** What each kind of key can be about; none for what is about nothing of the book. */
export const ABOUT: Record<KeyKind, readonly Kind[]> = {
  line: ['user', 'sharedLine'],
  lamp: ['user', 'group', 'sharedLine'],
  speedDial: ['user', 'group', 'conference'],
  park: ['parkPlace'],
  pickUp: ['pickUpGroup', 'user'],
  page: ['pageZone'],
  code: [],
  blank: [],
}

/** What stands beside a key on the telephone. */
export function labelOf(key: DeviceKey, names: Names, kinds: Record<string, string>): string {
  if (key.label !== null) return key.label
  if (key.to !== null) return names.of(key.to)
  if (key.number !== null) return names.of(`outside:${key.number}`).replace(/^outside /, '')
  return key.digits ?? (key.kind === 'line' ? 'own line' : (kinds[key.kind] ?? key.kind))
}

/** Places of one page in the order they are counted, two columns as telephones have them: down the left, then right. */
export function placesOf(model: Pick<TelephoneModel, 'keys'>, page: number): number[] {
  return Array.from({ length: model.keys }, (_, place) => page * model.keys + place + 1)
}

/** A list with the key of one place put, changed or cleared; in the order of the places. */
export function withKey(keys: readonly DeviceKey[], at: number, key: Partial<DeviceKey> | undefined): DeviceKey[] {
  const rest = keys.filter((each) => each.at !== at)
  if (key === undefined) return rest
  const was = keys.find((each) => each.at === at)
  const items = new Set(rest.map((each) => each.item))
  let item = was?.item ?? `key-${at}`
  for (let no = 2; items.has(item); no++) item = `key-${at}-${no}`
  const made: DeviceKey = { kind: 'lamp', to: null, number: null, digits: null, label: null, ...was, ...key, item, at }
  return [...rest, made].sort((one, other) => one.at - other.at)
}

/** Two places with what is on them exchanged. */
export function exchanged(keys: readonly DeviceKey[], one: number, other: number): DeviceKey[] {
  return keys
    .map((each) => ({ ...each, at: each.at === one ? other : each.at === other ? one : each.at }))
    .sort((a, b) => a.at - b.at)
}

/** Lamps of people on the free places in their order; who has a key already gets none, nor does who finds no place. */
export function withLamps(
  keys: readonly DeviceKey[],
  people: readonly string[],
  places: number,
): { keys: DeviceKey[]; left: number } {
  let next = [...keys]
  let left = 0
  for (const to of people) {
    if (next.some((each) => each.to === to)) continue
    const at = Array.from({ length: places }, (_, place) => place + 1).find(
      (place) => !next.some((each) => each.at === place),
    )
    if (at === undefined) left++
    else next = withKey(next, at, { kind: 'lamp', to })
  }
  return { keys: next, left }
}
