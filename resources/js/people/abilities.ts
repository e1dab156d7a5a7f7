/** What grants let one do, by the name of whoever has one. */
export const ABILITIES = [
  { value: 'read', said: 'reader: looks, changes nothing' },
  { value: 'edit', said: 'editor: reads and edits' },
  { value: 'push', said: 'pusher: reads, edits and pushes' },
  { value: 'bill', said: 'biller: reads, and orders what costs' },
] as const

export type Ability = (typeof ABILITIES)[number]['value']

export function abilityInWords(value: string): string {
  return ABILITIES.find((each) => each.value === value)?.said ?? value
}
