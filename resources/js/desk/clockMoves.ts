import type { BookObject } from '@/api'
import { now } from '@/shared'
import type { Edit } from './edits'

/** Minutes that a zone's clock is ahead of UTC now. */
function ahead(zone: string): number {
  const at = now()
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

/**
 * What is to be told of somebody or something that moved to a site on another clock, while it is still pending: its
 * hours are read there from now on.
 *
 * @param was each edit's opposite
 */
export function clockMoved(objects: BookObject[], edits: Edit[], was: Edit[]): string | undefined {
  const tenant = objects.find((each) => each.kind === 'tenant')
  const zoneAt = (site: unknown): string | undefined => {
    const found = objects.find((each) => each.kind === 'site' && each.ref === site)
    return (found?.kind === 'site' ? found.fields.zone : null) ?? tenant?.fields.zone
  }
  for (const edit of edits) {
    const object = objects.find((each) => each.ref === edit.object)
    if (edit.path !== 'site' || object === undefined) continue
    if (object.kind !== 'attendant' && object.kind !== 'user' && object.kind !== 'group') continue
    // A clock of its own goes along.
    const own = object.kind === 'group' ? null : object.fields.zone
    if (object.fields.schedule === null || own !== null) continue
    const before = zoneAt(was.find((each) => each.object === edit.object && each.path === 'site')?.value)
    const after = zoneAt(edit.value)
    if (before === undefined || after === undefined) continue
    const minutes = ahead(before) - ahead(after)
    if (minutes === 0) continue
    const hours = Math.abs(minutes) / 60
    const much = `${hours} ${hours === 1 ? 'hour' : 'hours'} ${minutes > 0 ? 'later' : 'earlier'}`
    return (
      `${object.label} reads its hours by the clock of ${place(after)} now: it opens and closes ${much} than at ` +
      `${place(before)}. Look over what callers notice before you enter it.`
    )
  }
  return undefined
}
