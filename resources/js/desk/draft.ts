import { useQueryClient, type UseQueryReturnType } from '@tanstack/vue-query'
import {
  computed,
  nextTick,
  onScopeDispose,
  reactive,
  shallowRef,
  watch,
  type ComputedRef,
  type Reactive,
  type ShallowRef,
} from 'vue'
import {
  client,
  detailOf,
  isProblem,
  take,
  type Answers,
  type Desk,
  type DeskChange,
  type Kind,
  type Margin,
} from '@/api'
import { ROSTER_KEY } from '@/roster'
import { placed } from '@/takingon'
import { clockMoved } from './clockMoves'
import type { Edit, TypedEdit } from './edits'
import { useHalfTyped } from './halfTyped'
import { merged } from './merged'
import type { Notice, Notices } from './notices'
import type { DeskQueries } from './queries'
import { opposites } from './opposites'
import { createUnsent, isAway } from './unsent'
import { same, valueAt } from './values'

const SEND_AGAIN_AFTER = 3000
/** More edits are not kept to be taken back; the last act always is. */
const MOST_TAKEN_BACK = 5000
const KEPT_HERE = 'kept in this browser, not sent yet'

/** A cell that could not take what was typed: the text is kept there with what is wrong with it. */
export interface CellFault {
  typed: string
  detail: string
}

/** An object that is to be: its name, and what else is known of it. */
export interface NewObject {
  kind: Exclude<Kind, 'tenant' | 'number' | 'promise'>
  name: string
  fields?: Record<string, unknown>
}

function asSent({ op = 'set', object, path, value }: Edit): {
  op?: 'set' | 'move' | 'create' | 'delete'
  object: string
  path?: string
  value: unknown
} {
  if (op === 'set') return { object, path, value }
  return op === 'move' ? { op, object, path, value } : { op, object, value }
}

export const cellKey = (object: string, path: string): string => `${object} ${path}`

export interface HowEdited {
  /** Taking an edit back is not taken back itself. */
  isUndo?: boolean
  /** Cells that the server will not have are marked, and the others kept; else all are kept or none. */
  keepsRest?: boolean
}

type Change = Desk['draft']['changes'][number]
type Clash = Desk['draft']['clashes'][number]

/** Pending edits of one technician: made, taken back, dropped and entered. */
export interface DraftState {
  changes: ComputedRef<Change[]>
  clashes: ComputedRef<Clash[]>
  faults: Reactive<Map<string, CellFault>>
  /** What was typed into cells and is on its way to the server, by cell. */
  sending: Reactive<Map<string, string>>
  unsent: ShallowRef<TypedEdit[]>
  edit: (edits: TypedEdit[], how?: HowEdited) => Promise<void>
  make: (objects: NewObject[]) => Promise<string[]>
  /** Work that puts much into the draft at once, on the server; taken back in one. */
  around: (work: () => Promise<void>) => Promise<void>
  takeBack: () => Promise<void>
  /** Whether it was entered. */
  enter: (note: string) => Promise<boolean>
  drop: () => Promise<void>
  restore: () => Promise<void>
  leaveOut: (change: { object: string; path: string | null; op: string; after: unknown }) => Promise<void>
  undo: (revision: number) => Promise<void>
  answerAgain: (answers: Answers) => Promise<Record<string, string>>
}

export function createDraft(
  customer: string,
  queries: DeskQueries,
  book: UseQueryReturnType<Desk, Error>,
  { notice, complain, act }: Notices,
): DraftState {
  const queryClient = useQueryClient()
  const params = { path: { customer } }
  const faults = reactive(new Map<string, CellFault>())
  const sending = reactive(new Map<string, string>())
  /** What takes the edits of this visit back, the last one last; a reload is no end of it. */
  const taken = useHalfTyped<Edit[][]>(customer, 'edits that can be taken back', [])
  function remember(opposites: Edit[]): void {
    const all = [...taken.value, opposites]
    let edits = all.reduce((sum, each) => sum + each.length, 0)
    while (edits > MOST_TAKEN_BACK && all.length > 1) edits -= all.shift()?.length ?? 0
    taken.value = all
  }
  const changes = computed(() => book.data.value?.draft.changes ?? [])
  const clashes = computed(() => book.data.value?.draft.clashes ?? [])

  let isAskedAnew = false
  const askAnew = (): void => void queryClient.invalidateQueries({ queryKey: ['computed', customer] })
  // The same object while nothing changed: the query keeps what is equal.
  watch(
    () => book.data.value,
    (_is, was) => {
      if (was !== undefined && !isAskedAnew) askAnew()
    },
  )

  /** The book as it is after an edit. */
  async function changeIs(change: DeskChange): Promise<void> {
    const had = queryClient.getQueryData(queries.desk.queryKey)
    const desk = had === undefined ? undefined : merged(had, change)
    if (desk === undefined) await queryClient.refetchQueries({ queryKey: queries.desk.queryKey })
    else await deskIs(desk, change.margin)
  }

  /** The margin is asked for before the sheet is drawn anew, which takes its time. */
  async function deskIs(desk: Desk, margin?: Margin): Promise<void> {
    if (margin === undefined) askAnew()
    else {
      // What is said of the book came with it; whatever else is computed from it is asked for.
      queryClient.setQueryData(queries.margin.queryKey, margin)
      void queryClient.invalidateQueries({
        queryKey: ['computed', customer],
        predicate: (query) => query.queryKey[2] !== 'margin',
      })
    }
    // The requests leave a few microtasks later, and drawing is one as well.
    await new Promise((sent) => {
      setTimeout(sent)
    })
    isAskedAnew = true
    queryClient.setQueryData(queries.desk.queryKey, desk)
    await nextTick()
    isAskedAnew = false
  }

  function current(object: string, path: string): unknown {
    return valueAt(book.data.value?.objects.find((each) => each.ref === object)?.fields, path)
  }

  /** What takes an edit back. */
  function opposite(each: Edit): Edit {
    if (each.op === 'create') return { op: 'delete', object: each.object, path: '', value: null }
    if (each.op !== 'delete')
      return { op: each.op ?? 'set', object: each.object, path: each.path, value: current(each.object, each.path) }
    const fields = (book.data.value?.objects.find((object) => object.ref === each.object)?.fields ?? {}) as Record<
      string,
      unknown
    >
    return {
      op: 'create',
      object: each.object,
      path: '',
      value: Object.fromEntries(Object.entries(fields).filter(([name]) => name !== 'key')),
    }
  }

  /** One after another, so that no answer is older than the one before. */
  let line: Promise<unknown> = Promise.resolve()

  /** Sends edits. What could not be kept stays in its cell, marked. */
  function edit(edits: TypedEdit[], how: HowEdited = {}): Promise<void> {
    const typed = edits.flatMap((each) =>
      each.typed === undefined ? [] : [[cellKey(each.object, each.path), each.typed] as const],
    )
    typed.forEach(([key, text]) => sending.set(key, text))
    const sent = line
      .then(() => send(edits, how))
      .finally(() => {
        for (const [key, text] of typed) if (sending.get(key) === text) sending.delete(key)
      })
    line = sent
    return sent
  }

  async function send(edits: TypedEdit[], how: HowEdited): Promise<void> {
    const before = edits.map(opposite)
    try {
      await changeIs(
        await take(client.POST('/customers/{customer}/draft/edits', { params, body: { edits: edits.map(asSent) } })),
      )
      edits.forEach((each) => faults.delete(cellKey(each.object, each.path)))
      if (how.isUndo !== true) remember(before.reverse())
      notice.value = rounded(edits) ?? clockMoved(book.data.value?.objects ?? [], edits, before)
    } catch (error) {
      if (isAway(error)) {
        wait(edits, error)
        return
      }
      const refused = place(error, edits)
      if (refused.length === 0) {
        complain(error)
        return
      }
      const rest = edits.filter((each) => !refused.includes(each))
      if (how.keepsRest === true && rest.length > 0) await send(rest, how)
      else if (edits.length > 1 && isProblem(error))
        notice.value = { text: `${error.problem.detail} None of the ${edits.length} cells was changed.`, isFault: true }
    }
  }

  /**
   * New objects by their names, all or none. Returns what they are called in the book; what could not be made is told.
   */
  async function make(objects: NewObject[]): Promise<string[]> {
    try {
      const { made = [], ...change } = await take(
        client.POST('/customers/{customer}/draft/objects', { params, body: { objects } }),
      )
      await changeIs(change)
      remember([...made].reverse().map((object) => ({ op: 'delete' as const, object, path: '', value: null })))
      notice.value = undefined
      return made
    } catch (error) {
      complain(error)
      return []
    }
  }

  async function around(work: () => Promise<void>): Promise<void> {
    const before = book.data.value?.objects ?? []
    await work()
    await queryClient.refetchQueries({ queryKey: queries.desk.queryKey })
    const now = queryClient.getQueryData(queries.desk.queryKey)?.objects ?? []
    remember(opposites(before, now))
  }

  /**
   * Edits that the server could not be given: its line is down, or whoever typed is signed out. Nothing typed is lost
   * by that.
   */
  const kept = createUnsent(customer)
  const unsent = shallowRef<TypedEdit[]>(kept.all())
  let again: ReturnType<typeof setTimeout> | undefined

  /** What was typed stays where it was typed. */
  function mark(edits: TypedEdit[], detail: string): void {
    for (const { object, path, typed } of edits)
      if (typed !== undefined) faults.set(cellKey(object, path), { typed, detail })
  }

  function wait(edits: TypedEdit[], error: unknown): void {
    mark(edits, KEPT_HERE)
    unsent.value = [...unsent.value, ...edits]
    kept.add(edits)
    notice.value = {
      text:
        `${detailOf(error)} What you entered is kept in this browser ` +
        `(${unsent.value.length === 1 ? '1 edit' : `${unsent.value.length} edits`}) and sent as soon as it goes.`,
      isFault: true,
    }
    sendAgainLater()
  }

  function sendAgainLater(milliseconds = SEND_AGAIN_AFTER): void {
    clearTimeout(again)
    again = setTimeout(() => {
      line = line.then(sendAgain)
    }, milliseconds)
  }

  async function sendAgain(): Promise<void> {
    const edits = unsent.value
    if (edits.length === 0) return
    try {
      await changeIs(
        await take(client.POST('/customers/{customer}/draft/edits', { params, body: { edits: edits.map(asSent) } })),
      )
      noLongerWaiting(edits)
      edits.forEach((each) => faults.delete(cellKey(each.object, each.path)))
      notice.value = {
        text:
          `${edits.length === 1 ? 'The edit that was' : `The ${edits.length} edits that were`} kept in ` +
          `this browser ${edits.length === 1 ? 'is' : 'are'} pending now.`,
      }
    } catch (error) {
      if (isAway(error)) {
        sendAgainLater()
        return
      }
      // The server will not have them as they are: they are shown, and not sent again and again.
      noLongerWaiting(edits)
      const refused = place(error, edits)
      const rest = edits.filter((each) => !refused.includes(each))
      if (refused.length > 0 && rest.length > 0) await send(rest, { keepsRest: true })
      else {
        if (refused.length === 0) mark(edits, detailOf(error))
        complain(error)
      }
    }
  }

  function noLongerWaiting(edits: TypedEdit[]): void {
    unsent.value = unsent.value.filter((each) => !edits.includes(each))
    kept.remove(edits)
  }

  if (unsent.value.length > 0) {
    mark(unsent.value, KEPT_HERE)
    sendAgainLater(0)
  }
  onScopeDispose(() => {
    clearTimeout(again)
  })

  /** The switch keeps whole rings: what was made of a time is said, never done silently. */
  function rounded(edits: Edit[]): Notice | undefined {
    const changed = edits.filter(
      (each) => typeof each.value === 'number' && !same(each.value, current(each.object, each.path)),
    )
    const [first] = changed
    if (first === undefined) return undefined
    const others = changed.length > 1 ? `, and ${changed.length - 1} more likewise` : ''
    return {
      text:
        `The switch keeps whole rings: ${String(first.value)} s became ` +
        `${String(current(first.object, first.path))} s${others}.`,
    }
  }

  /** Puts what the server says at the cells it speaks of, and returns their edits. */
  function place(error: unknown, edits: TypedEdit[]): TypedEdit[] {
    if (!isProblem(error) || error.problem.status === 0) return []
    const refused: TypedEdit[] = []
    for (const fault of error.problem.errors ?? []) {
      const [only] = edits
      const at =
        edits.length === 1
          ? only
          : edits.find(
              (each) => each.object === fault.object && fault.path !== undefined && each.path.startsWith(fault.path),
            )
      if (at?.typed === undefined) continue
      faults.set(cellKey(at.object, at.path), { typed: at.typed, detail: fault.detail })
      refused.push(at)
    }
    return refused
  }

  /** Takes the last edit of this visit back, field by field. */
  async function takeBack(): Promise<void> {
    const last = taken.value.at(-1)
    taken.value = taken.value.slice(0, -1)
    if (last !== undefined) await edit(last, { isUndo: true })
  }

  function bookChanged(): Promise<unknown> {
    taken.value = []
    return Promise.all([
      queryClient.invalidateQueries({ queryKey: queries.desk.queryKey }),
      queryClient.invalidateQueries({ queryKey: queries.live.queryKey }),
      queryClient.invalidateQueries({ queryKey: queries.revisions.queryKey }),
      queryClient.invalidateQueries({ queryKey: ROSTER_KEY }),
    ])
  }

  async function enter(note: string): Promise<boolean> {
    let isEntered = false
    await act(async () => {
      const entered = await take(
        client.POST('/customers/{customer}/draft/enter', {
          params,
          body: { note: note.trim() === '' ? null : note.trim() },
        }),
      )
      isEntered = true
      await bookChanged()
      return { text: `Entered as revision ${entered.revision}.`, revision: entered.revision }
    })
    return isEntered
  }

  const drop = (): Promise<void> =>
    act(async () => {
      await take(client.DELETE('/customers/{customer}/draft', { params }))
      faults.clear()
      taken.value = []
      await queryClient.invalidateQueries({ queryKey: queries.desk.queryKey })
      return { text: 'Pending changes dropped; the book is as it was.', isDropped: true }
    })

  /** What was dropped last, put back onto what is pending now. */
  const restore = (): Promise<void> =>
    act(async () => {
      await deskIs(await take(client.POST('/customers/{customer}/draft/restore', { params })))
      return {
        text: `${changes.value.length === 1 ? '1 change is' : `${changes.value.length} changes are`} pending again.`,
      }
    })

  /** One pending change less; taken back like any edit. */
  const leaveOut = (change: { object: string; path: string | null; op: string; after: unknown }): Promise<void> =>
    act(async () => {
      await deskIs(
        await take(
          client.POST('/customers/{customer}/draft/leave-out', {
            params,
            body: { object: change.object, path: change.path },
          }),
        ),
      )
      if (change.op === 'set' && change.path !== null)
        remember([{ object: change.object, path: change.path, value: change.after }])
      return undefined
    })

  const undo = (revision: number): Promise<void> =>
    act(async () => {
      const entered = await take(
        client.POST('/customers/{customer}/revisions/{no}/undo', { params: { path: { customer, no: revision } } }),
      )
      await bookChanged()
      return { text: `Revision ${revision} is undone, by revision ${entered.revision}.`, revision: entered.revision }
    })

  /**
   * The customer's template once more: what it changes is a draft. Returns what is wrong with the answers, by place.
   */
  async function answerAgain(answers: Answers): Promise<Record<string, string>> {
    let wrong: Record<string, string> = {}
    await act(async () => {
      try {
        await deskIs(await take(client.POST('/customers/{customer}/intake', { params, body: { answers } })))
      } catch (error) {
        if (!isProblem(error) || (error.problem.errors ?? []).length === 0) throw error
        wrong = placed(error.problem.errors ?? [])
        return { text: error.problem.detail, isFault: true }
      }
      const pending = changes.value.length + clashes.value.length
      return {
        text:
          pending === 0
            ? 'These answers change nothing in the book.'
            : 'What these answers change is pending; look it over and enter it.',
      }
    })
    return wrong
  }

  return {
    changes,
    around,
    clashes,
    faults,
    sending,
    unsent,
    edit,
    make,
    takeBack,
    enter,
    drop,
    restore,
    leaveOut,
    undo,
    answerAgain,
  }
}
