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

/** Heavier findings first, however many lighter ones there are. */
export function weightOf({ findings }: CustomerLine): number {
  return findings.blocker * 1e9 + findings.error * 1e6 + findings.warning * 1e3 + findings.note
}

/** An order as the address has it: a column, with a minus in front where it runs down. */
export function sortIn(said: string): Sort {
  const by = SORT_KEYS.find((key) => key === said.replace(/^-/, ''))
  return { by: by ?? 'name', down: by !== undefined && said.startsWith('-') }
}

export const sortSaid = ({ by, down }: Sort): string => `${down ? '-' : ''}${by}`
