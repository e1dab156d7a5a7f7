import type { CustomerLine } from '@/api'

export type Drift = 'any' | 'some' | 'none' | 'unread'

/** The filter sentence over the Roster; an empty word leaves that part open. */
export interface Filter {
  stage: string
  drift: Drift
  who: string
  words: string
}

export const OPEN: Filter = { stage: '', drift: 'any', who: '', words: '' }

export type SortKey = 'name' | 'stage' | 'mainNumber' | 'differences' | 'pushedAt' | 'lookedAfterBy'
export interface Sort {
  by: SortKey
  down: boolean
}

function driftFits(line: CustomerLine, drift: Drift): boolean {
  switch (drift) {
    case 'any':
      return true
    case 'some':
      return (line.differences ?? 0) > 0
    case 'none':
      return line.differences === 0
    case 'unread':
      return line.differences === null
  }
}

/** Words are looked for in name, town and main number; digits match however the number is written. */
function wordsFit(line: CustomerLine, words: string): boolean {
  const text = `${line.name} ${line.leadsTo ?? ''} ${line.zone} ${line.mainNumber ?? ''}`.toLowerCase()
  const digits = (line.mainNumber ?? '').replace(/\D/g, '')
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word) || (/^[\d()+-]+$/.test(word) && digits.includes(word.replace(/\D/g, ''))))
}

export function filtered(lines: CustomerLine[], filter: Filter): CustomerLine[] {
  return lines.filter(
    (line) =>
      (filter.stage === '' || line.stage === filter.stage) &&
      (filter.who === '' || line.lookedAfterBy === filter.who) &&
      driftFits(line, filter.drift) &&
      wordsFit(line, filter.words),
  )
}

/** Sorted by one column, then by name; lines with nothing there come last either way. */
export function sorted(lines: CustomerLine[], sort: Sort): CustomerLine[] {
  const sign = sort.down ? -1 : 1
  return [...lines].sort((a, b) => {
    const [left, right] = [a[sort.by], b[sort.by]]
    if (left === right) return a.name.localeCompare(b.name)
    if (left === null) return 1
    if (right === null) return -1
    return sign * (typeof left === 'number' && typeof right === 'number' ? left - right : String(left).localeCompare(String(right)))
  })
}
