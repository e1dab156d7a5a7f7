import type { FindingLine } from '@/api'
import { dateIn, SEVERITIES } from '@/shared'

export type Grouping = 'rule' | 'customer'

/** What a line may be asked for besides its weight. */
export const KINDS = {
  standing: 'stand',
  fresh: 'are new since yesterday',
  mine: 'are mine to see to',
  nobodys: 'nobody sees to',
  due: 'are due',
  mendable: 'can be mended here',
  waived: 'are waived',
} as const

export type Kind = keyof typeof KINDS

export interface Wanted {
  weight: FindingLine['severity'] | 'any'
  kind: Kind
  words: string
}

const DAY = 86_400_000
const weightOf = (line: FindingLine): number => SEVERITIES.indexOf(line.severity)

/** Lines of a weight or heavier and of a kind, that hold every word: which of those chosen a sentence still shows. */
export function wanted(lines: FindingLine[], { weight, kind, words }: Wanted, me: string, now: Date): FindingLine[] {
  const looked = words
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  return lines.filter((line) => {
    const text = `${line.name} ${line.rule} ${line.title} ${line.detail}`.toLowerCase()
    return (
      isOfKind(line, kind, me, now) &&
      (weight === 'any' || weightOf(line) <= SEVERITIES.indexOf(weight)) &&
      looked.every((word) => text.includes(word))
    )
  })
}

function isOfKind(line: FindingLine, kind: Kind, me: string, now: Date): boolean {
  if (kind === 'waived' || line.waived) return kind === 'waived' && line.waived
  switch (kind) {
    case 'fresh':
      return isFresh(line, now)
    case 'mine':
      return line.assignee === me
    case 'nobodys':
      return line.assignee === null
    case 'due':
      return isDue(line, now)
    case 'mendable':
      return line.fix !== null
    default:
      return true
  }
}

export function isFresh(line: FindingLine, now: Date): boolean {
  return Date.parse(line.firstSeen) >= now.getTime() - DAY
}

/** Due today, or overdue: by the day at the customer's. */
export function isDue(line: FindingLine, now: Date): boolean {
  return line.due !== null && line.due <= dateIn(now, line.zone)
}

/** What names a line among those of all customers: one fingerprint may stand at several that came from one template. */
export function keyOf(line: FindingLine): string {
  return `${line.customer} ${line.fingerprint}`
}
