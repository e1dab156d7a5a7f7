import type { BookObject } from '@/api'

/** How the lines of a sheet are put in order. */
export interface Order {
  /** A column's title. */
  by: string
  isDown: boolean
}

/** A word that narrows a sheet, and the column it is looked for in. */
export interface Wanted {
  /** In lower case, part of a column's title; empty for any column. */
  column: string
  text: string
}

/** Words, and `column: words` for one column: all of them are wanted. Quotes keep words together. */
export function wantedIn(said: string): Wanted[] {
  return [...said.matchAll(/(?:([\p{L}\p{N}][^\s:"]*):\s*)?(?:"([^"]*)"?|(\S+))/gu)]
    .map(([, column, quoted, plain]) => ({
      column: (column ?? '').toLowerCase(),
      text: (quoted ?? plain ?? '').toLowerCase(),
    }))
    .filter((each) => each.text !== '')
}

export function says({ column, text }: Wanted, title: string, shown: string): boolean {
  return (column === '' || title.toLowerCase().includes(column)) && shown.toLowerCase().includes(text)
}

const inWords = new Intl.Collator('en', { numeric: true, sensitivity: 'base' })

/**
 * The objects of a sheet that hold every wanted word, in order; equal ones as they stand in the book, and what says
 * nothing last.
 *
 * @param textOf what a line says in the column of a title
 */
export function inOrder(
  objects: BookObject[],
  titles: string[],
  textOf: (object: BookObject, title: string) => string,
  wanted: Wanted[],
  order: Order | undefined,
): BookObject[] {
  const fit =
    wanted.length === 0
      ? objects
      : objects.filter((object) =>
          wanted.every((each) => titles.some((title) => says(each, title, textOf(object, title)))),
        )
  if (order === undefined || !titles.includes(order.by)) return fit
  const isEmpty = (text: string): boolean => text === '' || text === '—'
  return fit
    .map((object) => ({ object, text: textOf(object, order.by) }))
    .sort((a, b) => {
      if (isEmpty(a.text) || isEmpty(b.text)) return Number(isEmpty(a.text)) - Number(isEmpty(b.text))
      return inWords.compare(a.text, b.text) * (order.isDown ? -1 : 1)
    })
    .map(({ object }) => object)
}
