/** A cell by its line and column, both from 0. */
export interface Spot {
  row: number
  column: number
}

/** A marked block of cells, its edges included. */
export interface Block {
  top: number
  bottom: number
  left: number
  right: number
}

/** How large a sheet is, and how many lines are seen at once. */
export interface Extent {
  rows: number
  columns: number
  page: number
}

export function blockOf(a: Spot, b: Spot): Block {
  return {
    top: Math.min(a.row, b.row),
    bottom: Math.max(a.row, b.row),
    left: Math.min(a.column, b.column),
    right: Math.max(a.column, b.column),
  }
}

export function isOneCell({ top, bottom, left, right }: Block): boolean {
  return top === bottom && left === right
}

export function isIn({ top, bottom, left, right }: Block, { row, column }: Spot): boolean {
  return row >= top && row <= bottom && column >= left && column <= right
}

export function kept({ row, column }: Spot, { rows, columns }: Extent): Spot {
  return { row: Math.max(0, Math.min(rows - 1, row)), column: Math.max(0, Math.min(columns - 1, column)) }
}

const STEPS: Record<string, [down: number, right: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

/**
 * Where a key leads from a cell; with Ctrl as far as the sheet goes. Undefined for a key that leads nowhere.
 *
 * @param key as KeyboardEvent.key says it
 */
export function ledTo(key: string, from: Spot, extent: Extent, isFar: boolean): Spot | undefined {
  const { rows, columns, page } = extent
  const step = STEPS[key]
  if (step !== undefined) {
    const [down, right] = step
    return kept(
      { row: from.row + down * (isFar ? rows : 1), column: from.column + right * (isFar ? columns : 1) },
      extent,
    )
  }
  switch (key) {
    case 'PageUp':
      return kept({ ...from, row: from.row - page }, extent)
    case 'PageDown':
      return kept({ ...from, row: from.row + page }, extent)
    case 'Home':
      return kept({ row: isFar ? 0 : from.row, column: 0 }, extent)
    case 'End':
      return kept({ row: isFar ? rows - 1 : from.row, column: columns - 1 }, extent)
    default:
      return undefined
  }
}

/**
 * What the fill handle marks, drawn from a block to a cell: the block grown down, up or sideways, whichever is farther.
 *
 * @returns the cells to be filled, and undefined where the handle was let go inside the block
 */
export function filledBy(block: Block, to: Spot): Block | undefined {
  const below = to.row - block.bottom
  const above = block.top - to.row
  const right = to.column - block.right
  const left = block.left - to.column
  const farthest = Math.max(below, above, right, left)
  if (farthest <= 0) return undefined
  if (farthest === below) return { ...block, top: block.bottom + 1, bottom: to.row }
  if (farthest === above) return { ...block, top: to.row, bottom: block.top - 1 }
  if (farthest === right) return { ...block, left: block.right + 1, right: to.column }
  return { ...block, left: to.column, right: block.left - 1 }
}

/**
 * The text a filled cell gets: the texts of the block again and again, and where they count by one step, counted on.
 *
 * @param texts of the block in the direction of filling, first to last
 * @param offset of the cell from the first of them; negative before it
 * @param counts whether one whole number alone is counted on by one, as extensions are
 */
export function continued(texts: string[], offset: number, counts: boolean): string {
  const numbers = texts.map((text) => /^(.*?)(\d{1,15})$/.exec(text.trim()))
  const [first, second] = numbers
  const before = first?.[1] ?? ''
  if (first && numbers.every((each) => each !== null && each[1] === before) && (counts || texts.length > 1)) {
    const step = second ? Number(second[2]) - Number(first[2]) : 1
    const isSeries = numbers.every((each, index) => Number(each?.[2]) === Number(first[2]) + index * step)
    const value = Number(first[2]) + offset * step
    if (isSeries && step !== 0 && value >= 0) return before + String(value).padStart(first[2]?.length ?? 0, '0')
  }
  return texts[((offset % texts.length) + texts.length) % texts.length] ?? ''
}
