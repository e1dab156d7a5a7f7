import type { BookObject } from '@/api'

export interface Chapter {
  key: string
  title: string
  /** Kinds whose lines it shows; none for a chapter about the whole book. */
  kinds: BookObject['kind'][]
}

/** In the order the work goes. */
export const CHAPTERS: Chapter[] = [
  { key: 'intake', title: 'Intake', kinds: ['tenant'] },
  { key: 'sites', title: 'Sites', kinds: ['site'] },
  { key: 'numbers', title: 'Numbers', kinds: ['number'] },
  { key: 'users', title: 'Users', kinds: ['user'] },
  { key: 'mailboxes', title: 'Mailboxes', kinds: ['mailbox'] },
  { key: 'push', title: 'Push', kinds: [] },
  { key: 'history', title: 'History', kinds: [] },
]

export const FIRST = 'numbers'

export function chapterOfKind(kind: BookObject['kind']): string {
  return CHAPTERS.find((chapter) => chapter.kinds.includes(kind))?.key ?? FIRST
}
