import type { BookObject } from '@/api'
import { dayInWords, shortDay, timeInWords } from './manner'

const MINUTE = 60_000
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

/** How long ago, short enough for a column: `now`, `14 min`, `3 h`, `5 d`. */
export function age(instant: string, now: Date): string {
  const past = now.getTime() - Date.parse(instant)
  if (past < MINUTE) return 'just now'
  if (past < HOUR) return `${Math.floor(past / MINUTE)} min ago`
  if (past < 2 * DAY) return `${Math.floor(past / HOUR)} h ago`
  return `${Math.floor(past / DAY)} d ago`
}

/** The time in a zone, as the book writes it: `14:05`. */
export function timeIn(at: Date, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).format(at)
}

/** Weekday and time in a zone: `Tue 14:05`. */
export function timeThere(now: Date, zone: string): string {
  return `${dayInWords(dateIn(now, zone)).slice(0, 3)} ${timeInWords(timeIn(now, zone))}`
}

/** Date and time in a zone: `1 Dec 2026, 14:05`. */
export function dateThere(instant: string, zone: string): string {
  const at = new Date(instant)
  return `${shortDay(dateIn(at, zone), true)}, ${timeInWords(timeIn(at, zone))}`
}

/** The date in a zone, as the book writes it: `2026-12-01`. */
export function dateIn(at: Date, zone: string): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    timeZone: zone,
  }).formatToParts(at)
  const part = (type: string): string => parts.find((each) => each.type === type)?.value ?? ''
  return `${part('year')}-${part('month')}-${part('day')}`
}

/** The same, short enough for a column: the time of today, the day of another. */
export function dayThere(instant: string, zone: string, now: Date): string {
  const [on, today] = [dateIn(new Date(instant), zone), dateIn(now, zone)]
  if (on === today) return timeInWords(timeIn(new Date(instant), zone))
  return shortDay(on, on.slice(0, 4) !== today.slice(0, 4))
}

/** A part of a sentence that stands alone; what somebody typed, which stands in quotation marks, stays as typed. */
export function asSentence(part: string): string {
  return part.charAt(0).toUpperCase() + part.slice(1)
}

export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`
}

/** The first of a list by name, and how many more there are. */
export function some(names: readonly string[], most = 2): string {
  const said = names.slice(0, most).join(', ')
  return names.length > most ? `${said} and ${names.length - most} more` : said
}

const STAGES: Record<string, string> = {
  draft: 'draft',
  building: 'building',
  testing: 'testing',
  'in-service': 'in service',
  suspended: 'suspended',
  leaving: 'leaving',
  archived: 'archived',
}

export function stageInWords(stage: string): string {
  return STAGES[stage] ?? stage
}

const KINDS: Record<BookObject['kind'], { one: string; many: string }> = {
  tenant: { one: 'Customer', many: 'Customer' },
  site: { one: 'Site', many: 'Sites' },
  number: { one: 'Number', many: 'Numbers' },
  user: { one: 'User', many: 'Users' },
  group: { one: 'Group', many: 'Groups' },
  chain: { one: 'Fallback chain', many: 'Fallback chains' },
  attendant: { one: 'Attendant', many: 'Attendants' },
  menu: { one: 'Menu', many: 'Menus' },
  schedule: { one: 'Schedule', many: 'Hours' },
  calendar: { one: 'Calendar', many: 'Calendars' },
  mailbox: { one: 'Mailbox', many: 'Mailboxes' },
  announcement: { one: 'Announcement', many: 'Announcements' },
  prompt: { one: 'Prompt', many: 'Prompts' },
  line: { one: 'Line', many: 'Lines' },
  device: { one: 'Telephone', many: 'Telephones' },
  sharedLine: { one: 'Shared line', many: 'Shared lines' },
  conference: { one: 'Conference room', many: 'Conference rooms' },
  pickUpGroup: { one: 'Pick-up group', many: 'Pick-up groups' },
  parkPlace: { one: 'Park place', many: 'Park places' },
  pageZone: { one: 'Page zone', many: 'Page zones' },
  trunk: { one: 'Trunk', many: 'Trunks' },
  route: { one: 'Route', many: 'Routes' },
  team: { one: 'Team', many: 'Teams' },
  contact: { one: 'Contact', many: 'Contacts' },
  promise: { one: 'Promise', many: 'Promises' },
}

export function kindsInWords(kind: BookObject['kind']): { one: string; many: string } {
  return KINDS[kind]
}

/** Minutes since Monday 00:00 in a zone. */
export function minuteOfWeek(now: Date, zone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  }).formatToParts(now)
  const part = (type: string): string => parts.find((each) => each.type === type)?.value ?? ''
  return (
    ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].indexOf(part('weekday')) * 1440 +
    Number(part('hour')) * 60 +
    Number(part('minute'))
  )
}
