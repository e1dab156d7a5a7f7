import type { Names } from './names'

/** A sentence of core's with the book's names in place of references. */
export function withNames(text: string, names: Names): string {
  return text
    .replace(
      /\b(?:user|group|chain|attendant|menu|mailbox|announcement|line|prompt|outside|number|schedule|site):[^\s,;()]+/g,
      (reference) => names.of(reference),
    )
    .replaceAll('->', '→')
}
