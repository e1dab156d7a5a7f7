import type { BookObject } from '@/api'
import { now } from '@/shared'
import type { Edit } from './edits'

const HALF_A_YEAR = 182 * 86_400_000

/** Minutes that a zone's clock is ahead of UTC at an instant. */
function ahead(zone: string, at: Date): number {
  const there = new Intl.DateTimeFormat('en-US', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
  }).formatToParts(at)
  const of = (type: string): number => Number(there.find((part) => part.type === type)?.value ?? 0)
  const wall = Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'))
  return Math.round((wall - at.getTime()) / 60_000)
}

function place(zone: string): string {
  return zone.slice(zone.lastIndexOf('/') + 1).replaceAll('_', ' ')
}

/** By how much hours shift, now and in the other half of the year; nothing where the clocks always agree. */
function shift(before: string, after: string): string | undefined {
  const instants = [now(), new Date(now().getTime() + HALF_A_YEAR)]
  const [today = 0, later = 0] = instants.map((at) => ahead(before, at) - ahead(after, at))
  const minutes = today === 0 ? later : today
  if (minutes === 0) return undefined
  const hours = Math.abs(minutes) / 60
  const way = minutes > 0 ? 'later' : 'earlier'
  const much = `${hours} ${hours === 1 ? 'hour' : 'hours'} ${way} than at ${place(before)}`
  return today === 0 ? `as before now, and ${much} in the other half of the year` : much
}

/**
 * What is to be told of somebody or something that moved to a site on another clock, while it is still pending: its
 * hours are read there from now on. Of many that moved at once the first is told, and how many there are.
 *
 * @param was each edit's opposite
 */
export function clockMoved(objects: BookObject[], edits: Edit[], was: Edit[]): { text: string } | undefined {
  const moves = edits.filter((each) => each.path === 'site')
  if (moves.length === 0) return undefined
  const byRef = new Map(objects.map((each) => [each.ref, each]))
  const sitesBefore = new Map(was.filter((each) => each.path === 'site').map((each) => [each.object, each.value]))
  const customers = objects.find((each) => each.kind === 'tenant')?.fields.zone
  const zoneAt = (site: unknown): string | undefined => {
    const found = typeof site === 'string' ? byRef.get(site) : undefined
    return (found?.kind === 'site' ? found.fields.zone : null) ?? customers
  }
  const told = moves.flatMap((edit) => {
    const object = byRef.get(edit.object)
    if (object?.kind !== 'attendant' && object?.kind !== 'user' && object?.kind !== 'group') return []
    // A clock of its own goes along.
    const own = object.kind === 'group' ? null : object.fields.zone
    if (object.fields.schedule === null || own !== null) return []
    const before = zoneAt(sitesBefore.get(edit.object))
    const after = zoneAt(edit.value)
    if (before === undefined || after === undefined || before === after) return []
    const much = shift(before, after)
    return much === undefined
      ? []
      : [`${object.label} reads its hours by the clock of ${place(after)} now: it opens and closes ${much}.`]
  })
  if (told[0] === undefined) return undefined
  const more = told.length - 1
  const others = more === 0 ? '' : ` So ${more === 1 ? 'does one other' : `do ${more} others`}.`
  return { text: `${told[0]}${others} Look over what callers notice before you enter it.` }
}
