/** What grants let one do, by the name of whoever has one, and as one is asked to. */
export const ABILITIES = [
  { value: 'read', said: 'reader: looks, changes nothing', asked: 'read' },
  { value: 'edit', said: 'editor: reads and edits', asked: 'read and edit' },
  { value: 'push', said: 'pusher: reads, edits and pushes', asked: 'read, edit and push' },
  { value: 'bill', said: 'biller: reads, and orders what costs', asked: 'read, and order what costs,' },
] as const

export type Ability = (typeof ABILITIES)[number]['value']

export function abilityInWords(value: string): string {
  return ABILITIES.find((each) => each.value === value)?.said ?? value
}

export function abilityAsked(value: string): string {
  return ABILITIES.find((each) => each.value === value)?.asked ?? value
}
