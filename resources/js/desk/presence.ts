import type { ObjectOf, Telephones } from '@/api'

export type Heard = NonNullable<Telephones['heard']>[number]

/** The program telephones ought to run is the newest that any of the model says it runs. */
function newest(versions: (string | null)[]): string | undefined {
  const parts = (version: string): number[] => version.split('.').map(Number)
  return versions
    .filter((each): each is string => each !== null && /^\d+(\.\d+)*$/.test(each))
    .sort((one, other) => {
      const [a, b] = [parts(one), parts(other)]
      const at = a.findIndex((part, place) => part !== b[place])
      return at === -1 ? 0 : (b[at] ?? 0) - (a[at] ?? 0)
    })[0]
}

export type PresenceState = readonly [shape: 'dot' | 'half' | 'open' | 'diamond', said: string]

/** How a telephone stands, in words; what nobody could ask is unknown. */
export function presenceOf(
  device: ObjectOf<'device'>,
  told: Telephones | undefined,
  ago: (at: string) => string,
): PresenceState {
  if (device.fields.status !== 'inUse') return ['open', device.fields.status === 'spare' ? 'on the shelf' : 'broken']
  if (device.fields.hardware === null) return ['diamond', 'no hardware address']
  if (told === undefined || told.heard === null) return ['open', 'not known']
  const heard = told.heard.find((each) => each.device === device.ref)
  if (heard === undefined) return ['open', 'not on the switch yet']
  const since = heard.at === null ? '' : ` ${ago(heard.at)}`
  if (heard.state === 'never') return ['open', 'never came']
  if (heard.state === 'refused') return ['diamond', `turned away${since}: wrong secret`]
  if (heard.state === 'lost') return ['diamond', `gone${since}`]
  if (!heard.isCurrent) return ['half', 'registered, with an old configuration']
  const best = newest(told.heard.map((each) => each.firmware))
  if (best !== undefined && heard.firmware !== null && heard.firmware !== best)
    return ['half', `registered, with an old program (${heard.firmware})`]
  return ['dot', `registered${since}`]
}

/** How many of those in use are there, of each site; undefined where it cannot be told. */
export function shareOf(
  devices: readonly ObjectOf<'device'>[],
  told: Telephones | undefined,
): { there: number; all: number } | undefined {
  const meant = devices.filter((each) => each.fields.status === 'inUse')
  if (told === undefined || told.heard === null) return undefined
  const there = new Set(told.heard.filter((each) => each.state === 'registered').map((each) => each.device))
  return { there: meant.filter((each) => there.has(each.ref)).length, all: meant.length }
}
