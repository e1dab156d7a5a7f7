import type { ObjectOf } from '@/api'

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']

const title = (day: string): string => day.charAt(0).toUpperCase() + day.slice(1)

/** Days of a week, three and more in a row from the first to the last: `Mon-Fri, Sun`. */
function daysInWords(days: readonly string[]): string {
  const places = days.map((day) => DAYS.indexOf(day)).sort((a, b) => a - b)
  const rows: number[][] = []
  for (const place of places) {
    if (rows.at(-1)?.at(-1) === place - 1) rows.at(-1)?.push(place)
    else rows.push([place])
  }
  return rows
    .flatMap((row) => {
      const said = row.map((place) => title(DAYS[place] ?? ''))
      return said.length > 2 ? [`${said[0] ?? ''}-${said.at(-1) ?? ''}`] : said
    })
    .join(', ')
}

/**
 * A week as somebody would say it, for the reader of hours to read it back: `Mon-Fri 08:00-17:00; Sat 09:00-13:00`.
 * Empty where it holds what is not said so: a piece that runs through several days.
 */
export function saidHours(weekly: ObjectOf<'schedule'>['fields']['weekly']): string {
  const said = weekly.map(({ days, from, to }) =>
    from === null || to === null || days === null || days.length === 0
      ? undefined
      : `${daysInWords(days)} ${from}-${to}`,
  )
  return said.every((each) => each !== undefined) ? said.join('; ') : ''
}
