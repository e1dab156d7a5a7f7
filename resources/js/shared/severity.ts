/** What a finding may weigh, heaviest first. */
export const SEVERITIES = ['blocker', 'error', 'warning', 'note'] as const

export type Severity = (typeof SEVERITIES)[number]

export function byWeight(one: { severity: Severity }, other: { severity: Severity }): number {
  return SEVERITIES.indexOf(one.severity) - SEVERITIES.indexOf(other.severity)
}
