import { computed, inject, nextTick, onScopeDispose, provide, ref, shallowRef, watch, type InjectionKey } from 'vue'
import type { BookObject } from '@/api'
import { plural } from '@/shared'
import { pastedCells, read, shown, typedOf } from '../cells'
import { allColumnsOf, staysOf, type Column } from '../columns'
import { cellKey, useDesk, useDraft, type Edit } from '../desk'
import { same, valueAt } from '../values'
import { blockOf, continued, filledBy, isOneCell, kept, ledTo, type Block, type Spot } from './block'
import { keptColumns, keepColumns } from './chosen'
import { inOrder, says, wantedIn, type Order } from './lines'

type TypedEdit = Edit & { typed: string }

/** A line further on is told of once the arrow keys rest. */
const TELL_AFTER = 120
const NARROWEST = 62
const WIDEST = 232
const OF_A_LETTER = 7.6
const BESIDE_THE_TEXT = 22
/** Lines whose texts say how wide a column is. */
const MEASURED = 400

export interface SheetProps {
  kind: BookObject['kind']
  objects: BookObject[]
  selected?: string | undefined
}

/** What a sheet needs of the page it is drawn on. */
export interface SheetView {
  /** Lines seen at once. */
  page: () => number
  /** Pixels there are for its columns. */
  room: () => number
  show: (row: number) => void
  /** Puts the focus on the caret's cell. */
  focus: () => void
}

/**
 * A sheet of objects of one kind: its lines and columns, where the caret is, what is marked, and what is done to the
 * marked cells.
 */
export function createSheet(props: SheetProps, view: SheetView, tell: (ref: string) => void) {
  const { names, notice, zone, mayEdit } = useDesk()
  const { faults, sending, changes, clashes, edit } = useDraft()

  // What it shows.
  const all = computed(() => allColumnsOf(props.kind))
  const chosen = ref(keptColumns(props.kind))
  const columns = computed(() => {
    const by = new Map(all.value.map((column) => [column.id, column]))
    const wanted = chosen.value?.flatMap((id) => by.get(id) ?? []) ?? []
    return wanted.length > 0 ? wanted : all.value.filter((column) => column.isUsual)
  })
  const said = ref('')
  const isNarrowed = ref(true)
  const order = ref<Order>()
  const wanted = computed(() => wantedIn(said.value))

  function choose(ids: string[] | undefined): void {
    chosen.value = ids
    keepColumns(props.kind, ids)
  }

  function keyOf(object: BookObject, column: Column): string {
    return cellKey(object.ref, column.path(object) ?? '')
  }

  /** What a cell says: what was typed where that could not be kept or is not kept yet. */
  function textOf(object: BookObject, column: Column): string {
    if (column.shows !== undefined) return column.shows(object)
    const path = column.path(object)
    if (path === null) return shown(null, column, names.value)
    const key = cellKey(object.ref, path)
    const value = valueAt(object.fields, path) ?? column.lent?.(object) ?? null
    return faults.get(key)?.typed ?? sending.get(key) ?? shown(value, column, names.value)
  }

  /** Whether a cell shows what another field gives, as nothing is set in its own. */
  function isLent(object: BookObject, column: Column): boolean {
    const path = column.path(object)
    return column.lent !== undefined && path !== null && (valueAt(object.fields, path) ?? null) === null
  }

  const byRef = computed(() => new Map(props.objects.map((object) => [object.ref, object])))
  const refs = shallowRef<string[]>()
  /** Lines stay where they are while they are edited, also where they would be sorted elsewhere or left out. */
  watch(
    [said, isNarrowed, order, columns, () => props.objects.map((object) => object.ref).join(' ')],
    () => {
      const narrows = isNarrowed.value ? wanted.value : []
      if (narrows.length === 0 && order.value === undefined) {
        refs.value = undefined
        return
      }
      const titled = new Map(columns.value.map((column) => [column.title, column]))
      refs.value = inOrder(
        props.objects,
        columns.value.map((column) => column.title),
        (object, title) => {
          const column = titled.get(title)
          return column === undefined ? '' : textOf(object, column)
        },
        narrows,
        order.value,
      ).map((object) => object.ref)
    },
    { immediate: true },
  )
  /** From when a cell is opened until what was typed is dealt with. */
  const isHeld = ref(false)
  /**
   * While a cell is open no line leaves its place, whatever the answer to an edit before makes of their order: what is
   * typed would be kept in another line.
   */
  const lines = computed<BookObject[]>((were) => {
    const are = refs.value?.flatMap((ref) => byRef.value.get(ref) ?? []) ?? props.objects
    if (!isHeld.value || were === undefined) return are
    const there = new Set(were.map((object) => object.ref))
    return [
      ...were.flatMap((object) => byRef.value.get(object.ref) ?? []),
      ...are.filter((object) => !there.has(object.ref)),
    ]
  })

  const pending = computed(() => new Set(changes.value.map((change) => cellKey(change.object, change.path ?? ''))))
  const clashing = computed(() => new Set(clashes.value.map((clash) => cellKey(clash.object, clash.path ?? ''))))

  /** Pixels that the longest text of each column takes. */
  const texts = computed(() => {
    const measured = props.objects.slice(0, MEASURED)
    return columns.value.map((column) => {
      const longest = measured.reduce(
        (most, object) => Math.max(most, textOf(object, column).length),
        column.title.length + 2,
      )
      return Math.round(Math.max(NARROWEST, longest * OF_A_LETTER + BESIDE_THE_TEXT))
    })
  })
  /**
   * So wide that columns do not move as other lines come into view; what the page has over goes to what is cut. It is
   * the same list where nothing changed: each line would be drawn anew for another one.
   */
  const widths = computed<number[]>((were) => {
    const usual = texts.value.map((width) => Math.min(WIDEST, width))
    let over = view.room() - usual.reduce((sum, width) => sum + width, 0)
    const are = usual.map((width, column) => {
      const more = Math.max(0, Math.min(over, (texts.value[column] ?? 0) - width))
      over -= more
      return width + more
    })
    return were !== undefined && same(were, are) ? were : are
  })
  /** Columns at the left that stay in view. */
  const stays = computed(() => {
    const first = staysOf(props.kind)
    const moved = columns.value.findIndex((column) => !first.includes(column.id))
    return moved < 0 ? columns.value.length : moved
  })

  // Where one is.
  const at = ref<Spot>({
    row: Math.max(
      0,
      props.objects.findIndex((object) => object.ref === props.selected),
    ),
    column: 0,
  })
  /** The other corner of what is marked. */
  const end = ref<Spot>({ ...at.value })
  const block = computed(() => blockOf(at.value, end.value))
  /** An open cell; `isTyped` where typing opened it, so that its text is not marked to be typed over. */
  const editing = ref<{ row: number; column: number; typed: string; isTyped: boolean }>()
  // In a tick of its own: whoever ends an edit goes on by the lines as they stood.
  watch(
    () => editing.value !== undefined,
    (isOpen) => {
      isHeld.value = isOpen
    },
  )
  /** What was marked when the cell was opened. */
  const markedBefore = ref<Block>({ top: 0, bottom: 0, left: 0, right: 0 })
  /** The cells the fill handle is drawn over. */
  const filling = ref<Block>()
  /** Set from the end of an edit until the caret is put elsewhere: `Tab` and `Enter` go on with the next cells. */
  let enteredFrom: number | undefined

  const extent = computed(() => ({ rows: lines.value.length, columns: columns.value.length, page: view.page() }))

  let telling: ReturnType<typeof setTimeout> | undefined
  function tellOf(row: number, isAtOnce: boolean): void {
    clearTimeout(telling)
    const ref = lines.value[row]?.ref
    const say = (): void => {
      if (ref !== undefined && ref !== props.selected) tell(ref)
    }
    if (isAtOnce) say()
    else telling = setTimeout(say, TELL_AFTER)
  }
  onScopeDispose(() => {
    clearTimeout(telling)
  })

  function goTo(spot: Spot, { isStretched = false, isAtOnce = false, isTold = true } = {}): void {
    const to = kept(spot, extent.value)
    end.value = to
    if (!isStretched) {
      at.value = { ...to }
      if (isTold) tellOf(to.row, isAtOnce)
    }
    view.show(to.row)
    view.focus()
  }

  function mark(from: Spot, to: Spot): void {
    at.value = kept(from, extent.value)
    end.value = kept(to, extent.value)
    enteredFrom = undefined
    view.focus()
  }

  const markColumns = (from: number, to = from): void => {
    mark({ row: 0, column: from }, { row: lines.value.length - 1, column: to })
  }
  const markRows = (from: number, to = from): void => {
    mark({ row: from, column: 0 }, { row: to, column: columns.value.length - 1 })
    tellOf(from, true)
  }

  // A finding, a link or the command box chose another line.
  watch(
    () => props.selected,
    (ref) => {
      if (ref === lines.value[at.value.row]?.ref) return
      if (!byRef.value.has(ref ?? '')) return
      if (!lines.value.some((object) => object.ref === ref)) said.value = ''
      void nextTick(() => {
        const row = lines.value.findIndex((object) => object.ref === ref)
        if (row < 0 || row === at.value.row) return
        at.value = { row, column: at.value.column }
        end.value = { ...at.value }
        view.show(row)
      })
    },
  )
  // The caret stays with its object while other lines come and go.
  watch(lines, (are, were) => {
    const ref = were[at.value.row]?.ref
    if (are[at.value.row]?.ref === ref) return
    const row = are.findIndex((object) => object.ref === ref)
    at.value = { row: Math.max(0, row), column: at.value.column }
    end.value = { ...at.value }
    const open = editing.value
    if (open === undefined) return
    editing.value = row < 0 ? undefined : { ...open, row }
    if (row < 0) notice.value = { text: 'The line that you typed into is no longer in the book.', isFault: true }
  })

  // Cells that hold what is looked for.
  function isFound(object: BookObject, column: Column): boolean {
    return wanted.value.length > 0 && wanted.value.some((each) => says(each, column.title, textOf(object, column)))
  }

  /** To the next cell that holds what is looked for, round the end of the sheet. */
  function find(by: 1 | -1): void {
    const { rows, columns: width } = extent.value
    const start = at.value.row * width + at.value.column
    for (let step = 1; step <= rows * width; step++) {
      const place = (start + by * step + rows * width * 2) % (rows * width)
      const spot = { row: Math.floor(place / width), column: place % width }
      const [object, column] = [lines.value[spot.row], columns.value[spot.column]]
      if (object !== undefined && column !== undefined && isFound(object, column)) {
        at.value = spot
        end.value = { ...spot }
        tellOf(spot.row, true)
        view.show(spot.row)
        return
      }
    }
  }

  /** Cells of this sheet that could not be kept, line by line. */
  const marked = computed(() =>
    faults.size === 0
      ? []
      : lines.value.flatMap((object, row) =>
          columns.value.flatMap((column, place) => {
            const fault = faults.get(keyOf(object, column))
            return fault === undefined
              ? []
              : [{ row, column: place, label: object.label, title: column.title, detail: fault.detail }]
          }),
        ),
  )

  /** To the next cell that could not be kept. */
  function toFault(): void {
    const { row, column } = at.value
    const next =
      marked.value.find((each) => each.row > row || (each.row === row && each.column > column)) ?? marked.value[0]
    if (next !== undefined) goTo(next, { isAtOnce: true })
  }

  // What is done.
  function cellAt(row: number, column: number): { object: BookObject; column: Column; path: string } | undefined {
    const [object, field] = [lines.value[row], columns.value[column]]
    const path = object === undefined ? null : field?.path(object)
    return object === undefined || field === undefined || path === null || path === undefined
      ? undefined
      : { object, column: field, path }
  }

  /** @param typed what replaces the cell's text, where somebody began to type on the cell */
  function open(spot: Spot, typed?: string): void {
    markedBefore.value = { ...block.value }
    at.value = { ...spot }
    end.value = { ...spot }
    tellOf(spot.row, true)
    const cell = cellAt(spot.row, spot.column)
    if (cell === undefined) return
    if (!mayEdit.value) {
      notice.value = {
        text: 'You may read this customer. Ask a lead technician for a grant that lets you edit it.',
        isFault: true,
      }
      return
    }
    const { object, column, path } = cell
    const held = faults.get(cellKey(object.ref, path))?.typed ?? sending.get(cellKey(object.ref, path))
    editing.value = {
      ...spot,
      typed: typed ?? held ?? typedOf(valueAt(object.fields, path), column, names.value),
      isTyped: typed !== undefined,
    }
  }

  /** What a text does to a cell: an edit, nothing where it says what is there, or a fault that stays in the cell. */
  function edited(row: number, place: number, typed: string): TypedEdit | undefined {
    const cell = cellAt(row, place)
    if (cell === undefined) return undefined
    const { object, column, path } = cell
    const key = cellKey(object.ref, path)
    const current = valueAt(object.fields, path)
    const result = read(typed, column, zone.value)
    if ('fault' in result) {
      faults.set(key, { typed, detail: result.fault })
      return undefined
    }
    const isThere = same(result.value, current ?? null) || typed.trim() === typedOf(current, column, names.value)
    if (isThere && !clashing.value.has(key) && !sending.has(key)) {
      faults.delete(key)
      return undefined
    }
    return { object: object.ref, path, value: result.value, typed }
  }

  function commit(): void {
    const done = editing.value
    if (done === undefined) return
    editing.value = undefined
    const change = edited(done.row, done.column, done.typed)
    if (change !== undefined) void edit([change])
  }

  function cancel(): void {
    editing.value = undefined
    view.focus()
  }

  /**
   * Ends the edit and goes on, along the line or to the next one. What stands beside the sheet stays with the edited
   * line until the next one is edited or gone to: it shows what was just done.
   */
  function commitAndGo(down: number, right: number): void {
    const from = editing.value ?? at.value
    const wasOpen = editing.value !== undefined
    commit()
    if (right !== 0) enteredFrom ??= from.column
    const column = right === 0 ? (enteredFrom ?? from.column) : from.column + right
    goTo({ row: from.row + down, column }, { isTold: !wasOpen })
    if (right === 0) enteredFrom = undefined
  }

  /** Sets cells to texts: what can be kept is, and what cannot stays in its cell, marked. */
  async function set(cells: { row: number; column: number; text: string }[]): Promise<number> {
    const before = faults.size
    const edits = cells.flatMap(({ row, column, text }) => edited(row, column, text) ?? [])
    const unread = faults.size - before
    if (edits.length > 0) await edit(edits, { keepsRest: true })
    return Math.max(unread, faults.size - before)
  }

  function cellsOf({ top, bottom, left, right }: Block): Spot[] {
    const spots: Spot[] = []
    for (let row = top; row <= bottom; row++)
      for (let column = left; column <= right; column++) spots.push({ row, column })
    return spots
  }

  const overBlock = (text: (spot: Spot) => string, of = block.value): void =>
    void set(cellsOf(of).map((spot) => ({ ...spot, text: text(spot) }))).then(tellFaults)

  function tellFaults(count: number, more = ''): void {
    const parts = [
      ...(count === 0 ? [] : [`${plural(count, 'cell')} could not be kept and ${count === 1 ? 'is' : 'are'} marked.`]),
      ...(more === '' ? [] : [more]),
    ]
    if (parts.length === 0) return
    const already = notice.value === undefined || notice.value.isFault === true ? '' : `${notice.value.text} `
    notice.value = { text: `${already}${parts.join(' ')}`, isFault: true }
  }

  function typedAt({ row, column }: Spot): string {
    const [object, field] = [lines.value[row], columns.value[column]]
    if (object === undefined || field === undefined) return ''
    const path = field.path(object)
    return path === null ? textOf(object, field) : typedOf(valueAt(object.fields, path), field, names.value)
  }

  /** The top line of the block into the lines under it; of a single line, the line above it. */
  function fillDown(): void {
    const { top, bottom } = block.value
    if (top < bottom) overBlock(({ column }) => typedAt({ row: top, column }), { ...block.value, top: top + 1 })
    else if (top > 0) overBlock(({ row, column }) => typedAt({ row: row - 1, column }))
  }

  /** The block continued over the cells its handle was drawn over. */
  function fill(): void {
    const over = filling.value
    filling.value = undefined
    if (over === undefined) return
    const from = block.value
    const isDown = over.left === from.left && over.right === from.right
    overBlock((spot) => {
      const source = isDown
        ? cellsOf({ ...from, left: spot.column, right: spot.column })
        : cellsOf({ ...from, top: spot.row, bottom: spot.row })
      const offset = isDown ? spot.row - from.top : spot.column - from.left
      return continued(source.map(typedAt), offset, columns.value[spot.column]?.type === 'extension')
    }, over)
    at.value = { row: Math.min(from.top, over.top), column: Math.min(from.left, over.left) }
    end.value = { row: Math.max(from.bottom, over.bottom), column: Math.max(from.right, over.right) }
  }

  function drawFill(to: Spot): void {
    filling.value = filledBy(block.value, to)
  }

  /** What is marked, as a spreadsheet takes it. */
  function copied(of: Block = block.value, isHeaded = false): string {
    const quoted = (text: string): string => (/[\t\n"]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
    const rows = isHeaded
      ? [
          columns.value
            .slice(of.left, of.right + 1)
            .map((column) => quoted(column.title))
            .join('\t'),
        ]
      : []
    for (let row = of.top; row <= of.bottom; row++)
      rows.push(
        Array.from({ length: of.right - of.left + 1 }, (_, index) =>
          quoted(typedAt({ row, column: of.left + index })),
        ).join('\t'),
      )
    return rows.join('\n')
  }

  const whole = computed<Block>(() => ({
    top: 0,
    bottom: lines.value.length - 1,
    left: 0,
    right: columns.value.length - 1,
  }))

  /**
   * A block from a spreadsheet, from the block's first cell on. One text goes into every marked cell; a line of titles
   * above it says which columns are meant.
   */
  async function paste(text: string): Promise<void> {
    const cells = pastedCells(text)
    const { top, left, bottom, right } = block.value
    const [only] = cells
    if (cells.length === 1 && only?.length === 1) {
      tellFaults(await set(cellsOf({ top, left, bottom, right }).map((spot) => ({ ...spot, text: only[0] ?? '' }))))
      return
    }
    const titled = cells.length > 1 ? columnsTitled(only ?? []) : undefined
    const body = titled === undefined ? cells : cells.slice(1)
    const columnOf = (aside: number): number | undefined => (titled === undefined ? left + aside : titled[aside])
    const tooManyLines = top + body.length - lines.value.length
    const tooWide =
      titled === undefined ? left + Math.max(...body.map((line) => line.length)) - columns.value.length : 0
    const count = await set(
      body.flatMap((line, down) =>
        line.flatMap((text, aside) => {
          const column = columnOf(aside)
          return column === undefined ? [] : [{ row: top + down, column, text }]
        }),
      ),
    )
    const into = (only ?? []).flatMap((_, aside) => columnOf(aside) ?? [])
    at.value = kept({ row: top, column: Math.min(...into) }, extent.value)
    end.value = kept({ row: top + body.length - 1, column: Math.max(...into) }, extent.value)
    tellFaults(
      count,
      [
        ...(tooManyLines > 0
          ? [`The block has ${plural(tooManyLines, 'line')} more than the sheet from here on; those were left out.`]
          : []),
        ...(tooWide > 0
          ? [`It is ${plural(tooWide, 'column')} wider than the sheet from here on; those were left out.`]
          : []),
      ].join(' '),
    )
  }

  /** The columns that a line of titles names; undefined where it is no such line. */
  function columnsTitled(line: string[]): (number | undefined)[] | undefined {
    const titles = columns.value.map((column) => column.title.toLowerCase())
    const named = line.map((title) => titles.indexOf(title.trim().toLowerCase()))
    return line.every((title, index) => title.trim() === '' || (named[index] ?? -1) >= 0) && named.some((at) => at >= 0)
      ? named.map((at) => (at < 0 ? undefined : at))
      : undefined
  }

  /** Whether the key was the sheet's. */
  function onKey(event: KeyboardEvent): boolean {
    if (editing.value !== undefined || event.altKey) return false
    const isHeld = event.ctrlKey || event.metaKey
    const to = ledTo(event.key, event.shiftKey ? end.value : at.value, extent.value, isHeld)
    if (to !== undefined) {
      enteredFrom = undefined
      goTo(to, { isStretched: event.shiftKey })
      return true
    }
    if (isHeld) {
      if (event.key.toLowerCase() === 'd') fillDown()
      else if (event.key.toLowerCase() === 'a') mark({ row: 0, column: 0 }, { row: 1e9, column: 1e9 })
      else if (event.key === ' ') markColumns(block.value.left, block.value.right)
      else return false
      return true
    }
    if (event.key === ' ' && event.shiftKey) markRows(block.value.top, block.value.bottom)
    else if (event.key === 'Enter' || event.key === 'F2') open(at.value)
    else if (event.key === 'Tab' && enteredFrom !== undefined && !isAtEnd(event.shiftKey))
      goTo({ ...at.value, column: at.value.column + (event.shiftKey ? -1 : 1) })
    else if (event.key === 'Delete' || event.key === 'Backspace') overBlock(() => '')
    else if (event.key === 'Escape' && (faults.size > 0 || !isOneCell(block.value))) letGo()
    else if (event.key.length === 1 && /[\p{L}\p{N}+*#(@.-]/u.test(event.key)) open(at.value, event.key)
    else return false
    return true
  }

  function isAtEnd(isBack: boolean): boolean {
    return isBack ? at.value.column === 0 : at.value.column === columns.value.length - 1
  }

  /** What could not be kept is let go in the marked cells; then the mark itself is. */
  function letGo(): void {
    let isAny = false
    for (const spot of cellsOf(block.value)) {
      const cell = cellAt(spot.row, spot.column)
      if (cell !== undefined && faults.delete(cellKey(cell.object.ref, cell.path))) isAny = true
    }
    if (!isAny) end.value = { ...at.value }
  }

  /** What is typed, into every cell that was marked when typing began. */
  function commitToBlock(marked: Block): void {
    const typed = editing.value?.typed
    editing.value = undefined
    if (typed !== undefined) overBlock(() => typed, marked)
    view.focus()
  }

  return {
    all,
    columns,
    chosen,
    choose,
    said,
    isNarrowed,
    order,
    wanted,
    lines,
    widths,
    stays,
    pending,
    clashing,
    faults,
    sending,
    at,
    end,
    block,
    editing,
    markedBefore,
    filling,
    marked,
    whole,
    keyOf,
    textOf,
    isLent,
    isFound,
    find,
    toFault,
    goTo,
    mark,
    markColumns,
    markRows,
    open,
    commit,
    cancel,
    commitAndGo,
    commitToBlock,
    overBlock,
    drawFill,
    fill,
    copied,
    paste,
    onKey,
  }
}

export type Sheet = ReturnType<typeof createSheet>

const SHEET: InjectionKey<Sheet> = Symbol('sheet')

export function provideSheet(sheet: Sheet): Sheet {
  provide(SHEET, sheet)
  return sheet
}

export function useSheet(): Sheet {
  const sheet = inject(SHEET)
  if (sheet === undefined) throw new Error('no sheet around this')
  return sheet
}
