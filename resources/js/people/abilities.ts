export const ABILITIES = [
  { value: 'read', said: 'read' },
  { value: 'edit', said: 'read and edit' },
  { value: 'push', said: 'read, edit and push' },
] as const

export type Ability = (typeof ABILITIES)[number]['value']

export function abilityInWords(value: string): string {
  return ABILITIES.find((each) => each.value === value)?.said ?? value
}
