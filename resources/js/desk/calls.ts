import { inManner } from '@/shared'
import type { Names } from './names'

/** A sentence of core's with the book's names in place of references, and times and days as they are read here. */
export function withNames(text: string, names: Names): string {
  return inManner(text)
    .replace(
      /\b(?:user|group|chain|attendant|menu|mailbox|announcement|line|prompt|outside|number|schedule|site):[^\s,;()]+/g,
      (reference) => names.of(reference),
    )
    .replaceAll('->', '→')
}
