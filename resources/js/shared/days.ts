import { dateIn } from './format'

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const FULL_DAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday']
const DAYS = FULL_DAYS.map((day) => day.slice(0, 3))

function iso(at: Date): string {
  return at.toISOString().slice(0, 10)
}

/** A day that there is, as the book writes it: `2026-12-24`. */
function dayOf(year: number, month: number, day: number): string | undefined {
  const at = new Date(Date.UTC(year, month - 1, day))
  return at.getUTCMonth() === month - 1 && at.getUTCDate() === day ? iso(at) : undefined
}

/** Without a year, the next such day: today is one. */
function next(month: number, day: number, today: string): string | undefined {
  const year = Number(today.slice(0, 4))
  // The 29th of February may be seven years off.
  for (let later = 0; later < 9; later++) {
    const found = dayOf(year + later, month, day)
    if (found !== undefined && found >= today) return found
  }
  return undefined
}

function after(today: string, days: number): string {
  return iso(new Date(Date.parse(`${today}T00:00:00Z`) + days * 86_400_000))
}

/**
 * A day as people type it: `2026-12-24`, `24 Dec`, `December 24, 2026`, `24.12.`, `24/12/2026` where only one reading
 * is a day, `fri`, `tomorrow`, `in 2 weeks`.
 *
 * @return the day as the book writes it; undefined for what is no day, or may be two.
 */
export function readDay(typed: string, zone: string, now: Date): string | undefined {
  const text = typed.trim().toLowerCase().replaceAll(/\s+/g, ' ')
  const today = dateIn(now, zone)
  const before = /^(sun|mon|tue|wed|thu|fri|sat)[a-z]*,? (?=\d|[a-z]+ \d)(.*)$/.exec(text)
  if (before === null) return read(text, today)
  const day = read(before[2] ?? '', today)
  // "Tue 2 Dec" where the 2nd is a Wednesday is one of two days, and which is not ours to say.
  return day !== undefined && weekdayOf(day) === DAYS.indexOf(before[1] ?? '') ? day : undefined
}

function weekdayOf(day: string): number {
  return new Date(`${day}T00:00:00Z`).getUTCDay()
}

function read(text: string, today: string): string | undefined {
  if (text === 'today') return today
  if (text === 'tomorrow') return after(today, 1)

  const full = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(text)
  if (full !== null) return dayOf(Number(full[1]), Number(full[2]), Number(full[3]))

  const span = /^in (\d{1,3}|an?|one|two|three) (day|week|month)s?$/.exec(text)
  if (span !== null) {
    const count = { a: 1, an: 1, one: 1, two: 2, three: 3 }[span[1] ?? ''] ?? Number(span[1])
    if (span[2] !== 'month') return after(today, count * (span[2] === 'week' ? 7 : 1))
    const month = Number(today.slice(5, 7)) - 1 + count
    const [year, at] = [Number(today.slice(0, 4)) + Math.floor(month / 12), (month % 12) + 1]
    // The 31st of a shorter month is its last day.
    return [0, 1, 2, 3].map((less) => dayOf(year, at, Number(today.slice(8)) - less)).find((day) => day !== undefined)
  }

  const named = /^(?:on |next )?(sun|mon|tue|wed|thu|fri|sat)[a-z]*$/.exec(text)
  if (named !== null && FULL_DAYS.some((day) => day.startsWith(text.replace(/^(on|next) /, '')))) {
    return after(today, (DAYS.indexOf(named[1] ?? '') - weekdayOf(today) + 7) % 7 || 7)
  }

  const dotted = /^(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4}|\d{2})?$/.exec(text)
  if (dotted !== null) return ofParts(dotted[3], Number(dotted[2]), Number(dotted[1]), today)

  const slashed = /^(\d{1,2})[/-](\d{1,2})(?:[/-](\d{4}|\d{2}))?$/.exec(text)
  if (slashed !== null) {
    const [a, b] = [Number(slashed[1]), Number(slashed[2])]
    // Which is the month differs from country to country: only what can be read in one way is taken.
    if (a > 12 || a === b) return ofParts(slashed[3], b, a, today)
    return b > 12 ? ofParts(slashed[3], a, b, today) : undefined
  }

  const words =
    /^(?<day>\d{1,2})(?:st|nd|rd|th|\.)?(?: of)? (?<month>[a-z]{3,9})\.?,?(?: (?<year>\d{4}))?$/.exec(text)?.groups ??
    /^(?<month>[a-z]{3,9})\.? (?<day>\d{1,2})(?:st|nd|rd|th)?(?:,? (?<year>\d{4}))?$/.exec(text)?.groups
  if (words === undefined) return undefined
  const month = MONTHS.findIndex((each) => words.month?.startsWith(each) === true)
  return month < 0 ? undefined : ofParts(words.year, month + 1, Number(words.day), today)
}

function ofParts(year: string | undefined, month: number, day: number, today: string): string | undefined {
  if (year === undefined) return next(month, day, today)
  return dayOf(year.length === 2 ? 2000 + Number(year) : Number(year), month, day)
}
