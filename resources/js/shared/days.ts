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

/** What somebody means who leaves the year out: a day to come, or one that was. */
export type Toward = 'next' | 'last'

/** Without a year, the nearest such day: today is one. */
function nearest(month: number, day: number, today: string, toward: Toward): string | undefined {
  const year = Number(today.slice(0, 4))
  // The 29th of February may be seven years off.
  for (let off = 0; off < 9; off++) {
    const found = dayOf(toward === 'next' ? year + off : year - off, month, day)
    if (found !== undefined && (toward === 'next' ? found >= today : found <= today)) return found
  }
  return undefined
}

function after(today: string, days: number): string {
  return iso(new Date(Date.parse(`${today}T00:00:00Z`) + days * 86_400_000))
}

/**
 * A day as people type it: `2026-12-24`, `24 Dec`, `December 24, 2026`, `24.12.`, `24/12/2026` where only one reading
 * is a day, `fri`, `tomorrow`, `in 2 weeks`, `yesterday`, `2 weeks ago`.
 *
 * @param toward of a day whose year or week is left out
 * @return the day as the book writes it; undefined for what is no day, or may be two.
 */
export function readDay(typed: string, zone: string, now: Date, toward: Toward = 'next'): string | undefined {
  const text = typed.trim().toLowerCase().replaceAll(/\s+/g, ' ')
  const today = dateIn(now, zone)
  const before = /^(sun|mon|tue|wed|thu|fri|sat)[a-z]*,? (?=\d|[a-z]+ \d)(.*)$/.exec(text)
  if (before === null) return read(text, today, toward)
  const day = read(before[2] ?? '', today, toward)
  // "Tue 2 Dec" where the 2nd is a Wednesday is one of two days, and which is not ours to say.
  return day !== undefined && weekdayOf(day) === DAYS.indexOf(before[1] ?? '') ? day : undefined
}

function weekdayOf(day: string): number {
  return new Date(`${day}T00:00:00Z`).getUTCDay()
}

function read(text: string, today: string, toward: Toward): string | undefined {
  if (text === 'today') return today
  if (text === 'tomorrow') return after(today, 1)
  if (text === 'yesterday') return after(today, -1)

  const ago = /^(\d{1,3}|an?|one|two|three) (day|week)s? ago$/.exec(text)
  if (ago !== null) return after(today, -countOf(ago[1]) * (ago[2] === 'week' ? 7 : 1))

  const full = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(text)
  if (full !== null) return dayOf(Number(full[1]), Number(full[2]), Number(full[3]))

  const span = /^in (\d{1,3}|an?|one|two|three) (day|week|month)s?$/.exec(text)
  if (span !== null) {
    const count = countOf(span[1])
    if (span[2] !== 'month') return after(today, count * (span[2] === 'week' ? 7 : 1))
    const month = Number(today.slice(5, 7)) - 1 + count
    const [year, at] = [Number(today.slice(0, 4)) + Math.floor(month / 12), (month % 12) + 1]
    // The 31st of a shorter month is its last day.
    return [0, 1, 2, 3].map((less) => dayOf(year, at, Number(today.slice(8)) - less)).find((day) => day !== undefined)
  }

  const named = /^(?:on |next |last )?(sun|mon|tue|wed|thu|fri|sat)[a-z]*$/.exec(text)
  if (named !== null && FULL_DAYS.some((day) => day.startsWith(text.replace(/^(on|next|last) /, '')))) {
    const days = (DAYS.indexOf(named[1] ?? '') - weekdayOf(today) + 7) % 7
    // Of what was done on such a day, today may be one; of what is to come, it would have been called today.
    if (text.startsWith('last ')) return after(today, days === 0 ? -7 : days - 7)
    return toward === 'last' && !text.startsWith('next ')
      ? after(today, days === 0 ? 0 : days - 7)
      : after(today, days || 7)
  }

  const dotted = /^(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4}|\d{2})?$/.exec(text)
  if (dotted !== null) return ofParts(dotted[3], Number(dotted[2]), Number(dotted[1]), today, toward)

  const slashed = /^(\d{1,2})[/-](\d{1,2})(?:[/-](\d{4}|\d{2}))?$/.exec(text)
  if (slashed !== null) {
    const [a, b] = [Number(slashed[1]), Number(slashed[2])]
    // Which is the month differs from country to country: only what can be read in one way is taken.
    if (a > 12 || a === b) return ofParts(slashed[3], b, a, today, toward)
    return b > 12 ? ofParts(slashed[3], a, b, today, toward) : undefined
  }

  const words =
    /^(?<day>\d{1,2})(?:st|nd|rd|th|\.)?(?: of)? (?<month>[a-z]{3,9})\.?,?(?: (?<year>\d{4}))?$/.exec(text)?.groups ??
    /^(?<month>[a-z]{3,9})\.? (?<day>\d{1,2})(?:st|nd|rd|th)?(?:,? (?<year>\d{4}))?$/.exec(text)?.groups
  if (words === undefined) return undefined
  const month = MONTHS.findIndex((each) => words.month?.startsWith(each) === true)
  return month < 0 ? undefined : ofParts(words.year, month + 1, Number(words.day), today, toward)
}

function countOf(said = ''): number {
  return { a: 1, an: 1, one: 1, two: 2, three: 3 }[said] ?? Number(said)
}

function ofParts(
  year: string | undefined,
  month: number,
  day: number,
  today: string,
  toward: Toward,
): string | undefined {
  if (year === undefined) return nearest(month, day, today, toward)
  return dayOf(year.length === 2 ? 2000 + Number(year) : Number(year), month, day)
}
