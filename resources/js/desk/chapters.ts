import type { BookObject } from '@/api'

export interface Chapter {
  key: string
  title: string
  /** Kinds it is about; none for a chapter about the whole book. */
  kinds: BookObject['kind'][]
  /** Kinds whose number stands beside its title, where that is not all of them. */
  counts?: BookObject['kind'][]
}

/** In the order the work goes. */
export const CHAPTERS: Chapter[] = [
  { key: 'intake', title: 'Intake', kinds: ['tenant'] },
  { key: 'sites', title: 'Sites', kinds: ['site'] },
  { key: 'numbers', title: 'Numbers', kinds: ['number'] },
  { key: 'users', title: 'Users', kinds: ['user'] },
  { key: 'telephones', title: 'Telephones', kinds: ['device'] },
  { key: 'hours', title: 'Hours', kinds: ['schedule', 'calendar'], counts: ['schedule'] },
  { key: 'groups', title: 'Groups', kinds: ['group'] },
  {
    key: 'features',
    title: 'Features',
    kinds: ['sharedLine', 'pickUpGroup', 'parkPlace', 'pageZone', 'conference', 'line'],
  },
  {
    key: 'menus',
    title: 'Menus',
    kinds: ['attendant', 'menu', 'announcement', 'prompt'],
    counts: ['attendant', 'menu'],
  },
  { key: 'forwarding', title: 'Forwarding', kinds: ['chain'] },
  { key: 'outbound', title: 'Outbound', kinds: ['trunk', 'route'], counts: ['route'] },
  { key: 'mailboxes', title: 'Mailboxes', kinds: ['mailbox'] },
  { key: 'proof', title: 'Proof', kinds: ['promise'] },
  { key: 'push', title: 'Push', kinds: [] },
  { key: 'history', title: 'History', kinds: [] },
]

export const FIRST = 'numbers'

/**
 * Where what a rule found is mended: the object's chapter, unless it is about the way to the switch or the template.
 */
export function chapterOfFinding(rule: string, object: string): string {
  const area = rule.slice(0, rule.indexOf('.'))
  if (area === 'drift' || area === 'push' || rule === 'emergency.limits-unsigned') return 'push'
  return area === 'template' ? 'intake' : chapterOfKind(object.slice(0, object.indexOf(':')) as BookObject['kind'])
}

export function chapterOfKind(kind: BookObject['kind']): string {
  return CHAPTERS.find((chapter) => chapter.kinds.includes(kind))?.key ?? FIRST
}
