import type { FindingLine } from '@/api'
import { SEVERITIES } from '@/shared'

export type Grouping = 'rule' | 'customer'

export interface Wanted {
  weight: FindingLine['severity'] | 'any'
  waived: boolean
  words: string
}

export interface Group {
  key: string
  title: string
  lines: FindingLine[]
}

const weightOf = (line: FindingLine): number => SEVERITIES.indexOf(line.severity)

/** Lines of a weight or heavier, standing or waived, that hold every word. */
export function wanted(lines: FindingLine[], { weight, waived, words }: Wanted): FindingLine[] {
  const looked = words.toLowerCase().split(/\s+/).filter((word) => word !== '')
  return lines.filter((line) => {
    const text = `${line.name} ${line.rule} ${line.title} ${line.detail}`.toLowerCase()
    return line.waived === waived && (weight === 'any' || weightOf(line) <= SEVERITIES.indexOf(weight)) && looked.every((word) => text.includes(word))
  })
}

/** By rule or by customer: the group with the heaviest finding first, of equal ones the larger. */
export function grouped(lines: FindingLine[], by: Grouping): Group[] {
  const groups = new Map<string, Group>()
  for (const line of lines) {
    const key = by === 'rule' ? line.rule : line.customer
    const group = groups.get(key) ?? { key, title: by === 'rule' ? line.rule : line.name, lines: [] }
    group.lines.push(line)
    groups.set(key, group)
  }
  const heaviest = (group: Group): number => Math.min(...group.lines.map(weightOf))
  for (const group of groups.values()) group.lines.sort((a, b) => weightOf(a) - weightOf(b) || a.name.localeCompare(b.name) || a.title.localeCompare(b.title))
  return [...groups.values()].sort((a, b) => heaviest(a) - heaviest(b) || b.lines.length - a.lines.length || a.title.localeCompare(b.title))
}
