import type { CustomerLine } from '@/api'

export const DRIFTS = ['any', 'some', 'noticed', 'none', 'unread', 'behind'] as const
export type Drift = (typeof DRIFTS)[number]

export const WEIGHTS = ['any', 'blocker', 'error', 'warning', 'none'] as const
export type Weight = (typeof WEIGHTS)[number]

/** The filter sentence over the Roster; an empty word leaves that part open. */
export interface Filter {
  stage: string
  findings: Weight
  drift: Drift
  region: string
  who: string
  words: string
}

export const OPEN: Filter = { stage: '', findings: 'any', drift: 'any', region: '', who: '', words: '' }

const SORT_KEYS = ['name', 'stage', 'findings', 'differences', 'next', 'pushedAt', 'lookedAfterBy'] as const
export type SortKey = (typeof SORT_KEYS)[number]
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
    case 'noticed':
      return line.callersNotice === true
    case 'none':
      return line.differences === 0
    case 'unread':
      return line.differences === null
    case 'behind':
      return line.revision > (line.pushedRevision ?? 0)
  }
}

/** Findings of a weight or heavier. */
function findingsFit({ findings }: CustomerLine, weight: Weight): boolean {
  switch (weight) {
    case 'any':
      return true
    case 'blocker':
      return findings.blocker > 0
    case 'error':
      return findings.blocker + findings.error > 0
    case 'warning':
      return findings.blocker + findings.error + findings.warning > 0
    case 'none':
      return findings.blocker + findings.error + findings.warning + findings.note === 0
  }
}

/** Heavier findings first, however many lighter ones there are. */
export function weightOf({ findings }: CustomerLine): number {
  return findings.blocker * 1e9 + findings.error * 1e6 + findings.warning * 1e3 + findings.note
}

/** Words are looked for in name, town and main number; digits match however the number is written. */
function wordsFit(line: CustomerLine, words: string): boolean {
  const text =
    `${line.name} ${line.place ?? ''} ${line.leadsTo ?? ''} ${line.zone} ${line.mainNumber ?? ''}`.toLowerCase()
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
      (filter.region === '' || line.region === filter.region) &&
      findingsFit(line, filter.findings) &&
      driftFits(line, filter.drift) &&
      wordsFit(line, filter.words),
  )
}

function valueFor(line: CustomerLine, by: SortKey): string | number | null {
  if (by === 'findings') return weightOf(line)
  return by === 'next' ? (line.next?.on ?? null) : line[by]
}

/** As people count: `Quay 9` before `Quay 10`. */
const byName = new Intl.Collator('en', { numeric: true })

/** Sorted by one column, then by name; lines with nothing there come last either way. */
export function sorted(lines: CustomerLine[], sort: Sort): CustomerLine[] {
  const sign = sort.down ? -1 : 1
  return [...lines].sort((a, b) => {
    const [left, right] = [valueFor(a, sort.by), valueFor(b, sort.by)]
    if (left === right) return byName.compare(a.name, b.name)
    if (left === null) return 1
    if (right === null) return -1
    return (
      sign *
      (typeof left === 'number' && typeof right === 'number'
        ? left - right
        : byName.compare(String(left), String(right)))
    )
  })
}

/** An order as the address has it: a column, with a minus in front where it runs down. */
export function sortIn(said: string): Sort {
  const by = SORT_KEYS.find((key) => key === said.replace(/^-/, ''))
  return { by: by ?? 'name', down: by !== undefined && said.startsWith('-') }
}

export const sortSaid = ({ by, down }: Sort): string => `${down ? '-' : ''}${by}`
