import { reactive } from 'vue'

/** How a technician reads times, days and numbers. What is kept and sent stays as the book writes it. */
export interface Manner {
  clock: '24' | '12'
  days: 'dayFirst' | 'monthFirst' | 'yearFirst'
  numbers: 'comma' | 'space' | 'dot'
}

export const USUAL: Manner = { clock: '24', days: 'dayFirst', numbers: 'comma' }

const manner = reactive<Manner>({ ...USUAL })

export function setManner(chosen: Manner): void {
  Object.assign(manner, chosen)
}

const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat']
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** A time of day that the book writes as `17:00`: the same, or `5:00 pm`. */
export function timeInWords(time: string): string {
  const [hour, minute] = time.split(':')
  if (manner.clock === '24' || minute === undefined) return time
  const at = Number(hour) % 24
  return `${at % 12 === 0 ? 12 : at % 12}:${minute} ${at < 12 ? 'am' : 'pm'}`
}

/** A full hour where there is little room: `08`, or `8a`. */
export function hourInWords(hour: number): string {
  if (manner.clock === '24') return String(hour).padStart(2, '0')
  return `${hour % 12 === 0 ? 12 : hour % 12}${hour % 24 < 12 ? 'a' : 'p'}`
}

/** A date of the calendar, without any zone: `Thu 24 Dec 2026`. */
export function dayInWords(date: string, withYear = true): string {
  const at = new Date(`${date}T12:00:00Z`)
  const weekday = WEEKDAYS[at.getUTCDay()] ?? ''
  const [day, month, year] = [at.getUTCDate(), MONTHS[at.getUTCMonth()] ?? '', at.getUTCFullYear()]
  if (manner.days === 'yearFirst') return withYear ? `${weekday} ${date}` : `${weekday} ${date.slice(5)}`
  if (manner.days === 'monthFirst') return `${weekday} ${month} ${day}${withYear ? `, ${year}` : ''}`
  return `${weekday} ${day} ${month}${withYear ? ` ${year}` : ''}`
}

/** A day of a month, where its weekday is of no matter: `1 Dec`, `1 Dec 2026`. */
export function shortDay(date: string, withYear: boolean): string {
  return dayInWords(date, withYear).slice(4)
}

const SEPARATORS = { comma: ',', space: '\u202f', dot: '.' }

/** A whole number, its thousands apart: `8,760`. */
export function count(number: number): string {
  return String(Math.round(number)).replaceAll(/\B(?=(\d{3})+$)/g, SEPARATORS[manner.numbers])
}

/** A measured number, two decimals of it at most: `1,395.2`. */
export function figure(number: number): string {
  const [whole = '', decimals] = String(Math.round(100 * number) / 100).split('.')
  const said = count(Number(whole))
  return decimals === undefined ? said : `${said}${manner.numbers === 'comma' ? '.' : ','}${decimals}`
}

/**
 * A measured number as people type it: `9.2`, `9,2`, `9.2 Mbit/s`, `1 %`, `-`.
 *
 * @return null for nothing; what was typed for what is no number, for whoever refuses it
 */
export function readFigure(typed: string): number | string | null {
  const bare = typed.replaceAll(/(?:[MmkG]?bit\/s|[MmkG]bps|ms|%)\s*$/g, '').trim()
  if (bare === '' || bare === '-') return bare === typed.trim() ? null : typed
  const read = Number(bare.replace(/^(\d+),(\d{1,2})$/, '$1.$2').replaceAll(/[\s\u202f]/g, ''))
  return Number.isFinite(read) ? read : typed
}

const DAY = /\b(?:Sun|Mon|Tue|Wed|Thu|Fri|Sat) (\d{1,2}) (Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec) (\d{4})\b/g
const TIME = /(?<![\d:.-])([01]\d|2[0-4]):([0-5]\d)(?![\d:])/g

/** A sentence of the server, its times and days said as the technician reads them. */
export function inManner(sentence: string): string {
  if (manner.clock === '24' && manner.days === 'dayFirst') return sentence
  return sentence
    .replaceAll(DAY, (_, day: string, month: string, year: string) =>
      dayInWords(`${year}-${String(MONTHS.indexOf(month) + 1).padStart(2, '0')}-${day.padStart(2, '0')}`),
    )
    .replaceAll(TIME, (time) => timeInWords(time))
}

/**
 * A time of day as people type it: `8`, `8:00`, `8.30`, `0830`, `8 am`, `5:30pm`, `noon`, `midnight`.
 *
 * @return as the book writes it, `08:00`; undefined for what is no time. `24:00` is an end of the day.
 */
export function readTime(typed: string): string | undefined {
  const text = typed.trim().toLowerCase()
  if (text === 'noon') return '12:00'
  if (text === 'midnight') return '00:00'
  const parts = /^(\d{1,2})(?:[:.h]?(\d{2}))?(?: ?([ap])\.?m\.?)?$/.exec(text)
  if (parts === null) return undefined
  const [hour, minute, half] = [Number(parts[1]), Number(parts[2] ?? 0), parts[3]]
  if (minute > 59 || (half === undefined ? hour > 24 || (hour === 24 && minute > 0) : hour < 1 || hour > 12))
    return undefined
  const at = half === undefined ? hour : (hour % 12) + (half === 'p' ? 12 : 0)
  return `${String(at).padStart(2, '0')}:${String(minute).padStart(2, '0')}`
}

/**
 * Two times of a day as people type them: `9-12`, `9 to noon`, `9:00 – 11:30`.
 *
 * @return as the book writes them, `09:00-12:00`; what was typed for what is none, for whoever refuses it
 */
export function readHours(typed: string): string {
  const parts = typed.split(/\s*(?:-|–|\bto\b|\buntil\b)\s*/)
  const [from, to] = parts.map(readTime)
  return parts.length === 2 && from !== undefined && to !== undefined ? `${from}-${to}` : typed
}
