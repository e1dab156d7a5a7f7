import type { VueWrapper } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import type { BookObject, Change, Desk, Finding, Live, Push } from '@/api'
import { bookObject, close, type fakeServer, key, NOTHING_LIVE, Refused, settle } from '@/testing'
import { setWho } from '@/shared'
import CallLine from './CallLine.vue'
import { useDesk, type DeskState } from './desk'
import type { TypedEdit } from './edits'
import MarginNotes from './MarginNotes.vue'
import PushChapter from './PushChapter.vue'
import SheetGrid from './sheet/SheetGrid.vue'
import { asChange, deskOf, EDITS, openPart, ZONE } from './testing'
import { createUnsent } from './unsent'

function user(name: string, extension: string, seconds = 20): BookObject {
  return bookObject(
    `user:${name}`,
    { extension, name: { first: name }, legs: [{ item: 'desk', seconds }] },
    { label: name },
  )
}

let page: VueWrapper
afterEach(() => {
  close(page)
  vi.unstubAllGlobals()
})

/** A sheet with the margin, the push chapter and the call line. */
const Parts = defineComponent({
  setup: () => {
    const { book } = useDesk()
    return () => [
      h(SheetGrid, { kind: 'user', objects: book.data.value?.objects.filter((each) => each.kind === 'user') ?? [] }),
      h(MarginNotes, { title: 'Users', kinds: ['user'], zone: ZONE }),
      h(PushChapter, { zone: ZONE }),
      h(CallLine),
    ]
  },
})

async function openDesk(
  desk: Desk,
  live: Live = NOTHING_LIVE,
  more: Record<string, unknown> = {},
): Promise<{ server: ReturnType<typeof fakeServer>; state: DeskState }> {
  const opened = await openPart(Parts, desk.objects, {
    'GET /customers/inlet/desk': desk,
    'GET /customers/inlet/live': live,
    ...more,
  })
  page = opened.page
  return opened
}

function cell(row: number, column: number): HTMLElement {
  const found = page.findAll('table[role=grid] tbody tr')[row]?.findAll('td')[column]
  if (found === undefined) throw new Error(`no cell ${row}, ${column}`)
  return found.element
}

async function openCell(row: number, column: number): Promise<void> {
  cell(row, column).dispatchEvent(new MouseEvent('dblclick', { bubbles: true }))
  await settle()
}

async function typeInto(row: number, column: number, text: string): Promise<void> {
  await openCell(row, column)
  const editor = cell(row, column).querySelector('input')
  if (editor === null) throw new Error('the cell is not open')
  editor.value = text
  editor.dispatchEvent(new Event('input'))
  await key('Enter', editor)
}

async function paste(row: number, column: number, text: string): Promise<void> {
  cell(row, column).focus()
  const event = new Event('paste', { bubbles: true, cancelable: true })
  Object.assign(event, { clipboardData: { getData: () => text } })
  cell(row, column).dispatchEvent(event)
  await settle()
}

/** Read from the switch, which says the same. */
const READ: Live = { ...NOTHING_LIVE, onSwitch: true, readAt: '2026-12-01T18:05:00Z' }

const PUSH: Push = {
  id: 'p1',
  revision: 3,
  whole: true,
  status: 'queued',
  reason: null,
  by: 'Lena',
  requestedAt: '2026-12-01T18:05:00Z',
  endedAt: null,
  steps: [],
}

const [EXT, FIRST, , RINGS] = [0, 1, 2, 3]

describe('a sheet', () => {
  it('sends one edited cell, and what the server made of it stands there', async () => {
    const after = deskOf(
      [user('ines', '201', 35)],
      [{ op: 'set', object: 'user:ines', label: 'ines', path: 'legs/desk/seconds', before: 20, after: 35 }],
    )
    const { server } = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, { [EDITS]: asChange(after) })

    await typeInto(0, RINGS, '33 s')

    expect(server.asked.findLast((each) => each.call === EDITS)).toEqual({
      call: EDITS,
      body: { edits: [{ object: 'user:ines', path: 'legs/desk/seconds', value: 33 }] },
    })
    expect(cell(0, RINGS).textContent).toBe('35 s')
    expect(cell(0, RINGS).className).toContain('pending')
    expect(page.text()).toContain('The switch keeps whole rings: 33 s became 35 s.')
    expect(page.get('[data-testid=pending]').text()).toBe('1 change')
  })

  it('does not trouble the server with what cannot be read, and keeps what was typed', async () => {
    const { server, state } = await openDesk(deskOf([user('ines', '201')]))

    await typeInto(0, EXT, '2o1')

    expect(server.asked.some((each) => each.call === EDITS)).toBe(false)
    expect(cell(0, EXT).textContent).toContain('2o1')
    expect(cell(0, EXT).getAttribute('aria-invalid')).toBe('true')
    expect(page.text()).toContain('You typed “2o1”: an extension is digits only, not "2o1".')

    await openCell(0, EXT)
    expect(cell(0, EXT).querySelector('input')?.value).toBe('2o1')
    await key('Escape', cell(0, EXT).querySelector('input') ?? document.body)
    state.draft.faults.clear()
    await settle()
    expect(cell(0, EXT).textContent).toBe('201')
  })

  it("puts the server's refusal at the cell it speaks of", async () => {
    const refusal = new Refused(422, {
      errors: [{ detail: '202 is taken by colm', object: 'user:ines', path: 'extension' }],
    })
    await openDesk(deskOf([user('ines', '201'), user('colm', '202')]), NOTHING_LIVE, { [EDITS]: refusal })

    await typeInto(0, EXT, '202')

    expect(cell(0, EXT).textContent).toContain('202 is taken by colm')
    expect(cell(1, EXT).textContent).toBe('202')
  })

  it('sends nothing where nothing was changed', async () => {
    const { server } = await openDesk(deskOf([user('ines', '201')]))

    await typeInto(0, EXT, ' 201 ')

    expect(server.asked.some((each) => each.call === EDITS)).toBe(false)
  })

  it('takes a block from a spreadsheet as one change', async () => {
    const { server } = await openDesk(deskOf([user('ines', '201'), user('colm', '202')]), NOTHING_LIVE, {
      [EDITS]: asChange(deskOf([user('ines', '202'), user('colm', '201')])),
    })

    await paste(0, EXT, '202\tInes\n201\tColm\n')

    expect(server.asked.filter((each) => each.call === EDITS)).toEqual([
      {
        call: EDITS,
        body: {
          edits: [
            { object: 'user:ines', path: 'extension', value: '202' },
            { object: 'user:ines', path: 'name/first', value: 'Ines' },
            { object: 'user:colm', path: 'extension', value: '201' },
            { object: 'user:colm', path: 'name/first', value: 'Colm' },
          ],
        },
      },
    ])
  })

  it('keeps what can be read of a block and marks the rest', async () => {
    const { server } = await openDesk(deskOf([user('ines', '201'), user('colm', '202')]), NOTHING_LIVE, {
      [EDITS]: asChange(deskOf([user('ines', '203'), user('colm', '202')])),
    })

    await paste(0, EXT, '203\tInes\nx\tColm')

    expect(server.asked.findLast((each) => each.call === EDITS)?.body).toEqual({
      edits: [
        { object: 'user:ines', path: 'extension', value: '203' },
        { object: 'user:ines', path: 'name/first', value: 'Ines' },
        { object: 'user:colm', path: 'name/first', value: 'Colm' },
      ],
    })
    expect(page.get('[data-testid=notice]').text()).toContain('1 cell could not be kept and is marked.')
    expect(cell(1, EXT).textContent).toContain('x')
    expect(cell(1, EXT).getAttribute('aria-invalid')).toBe('true')
    expect(cell(0, EXT).textContent).toBe('203')
  })

  it('keeps the rest of a block where the server will not have a cell', async () => {
    let isFirst = true
    const { server } = await openDesk(deskOf([user('ines', '201'), user('colm', '202')]), NOTHING_LIVE, {
      [EDITS]: () => {
        if (!isFirst) return asChange(deskOf([user('ines', '203'), user('colm', '202')]))
        isFirst = false
        return new Refused(422, {
          errors: [{ object: 'user:colm', path: 'extension', detail: '300 is taken by Reception' }],
        })
      },
    })

    await paste(0, EXT, '203\n300')

    expect(server.asked.findLast((each) => each.call === EDITS)?.body).toEqual({
      edits: [{ object: 'user:ines', path: 'extension', value: '203' }],
    })
    expect(cell(1, EXT).textContent).toContain('300 is taken by Reception')
    expect(page.get('[data-testid=notice]').text()).toContain('1 cell could not be kept and is marked.')
  })

  it('takes a block under its titles, whatever their order and wherever the caret is', async () => {
    const { server } = await openDesk(deskOf([user('ines', '201'), user('colm', '202')]), NOTHING_LIVE, {
      [EDITS]: asChange(deskOf([user('ines', '203'), user('colm', '204')])),
    })

    await paste(0, RINGS, 'First name\tExt\nInes\t203\nColm\t204')

    expect((server.asked.findLast((each) => each.call === EDITS)?.body as { edits: unknown }).edits).toEqual([
      { object: 'user:ines', path: 'name/first', value: 'Ines' },
      { object: 'user:ines', path: 'extension', value: '203' },
      { object: 'user:colm', path: 'name/first', value: 'Colm' },
      { object: 'user:colm', path: 'extension', value: '204' },
    ])
  })

  it('says which lines of a block had no place', async () => {
    await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, { [EDITS]: asChange(deskOf([user('ines', '203')])) })

    await paste(0, EXT, '203\n204\n205')

    expect(page.text()).not.toContain('could not be read')
    expect(cell(0, EXT).textContent).toBe('203')
  })

  it('goes by the keyboard: arrows move, a letter begins to type, Delete empties', async () => {
    const { server } = await openDesk(deskOf([user('ines', '201'), user('colm', '202')]), NOTHING_LIVE, {
      [EDITS]: asChange(deskOf([user('ines', '201'), user('colm', '202')])),
    })
    cell(0, EXT).focus()
    await key('ArrowDown', cell(0, EXT))
    await key('ArrowRight', cell(1, EXT))
    expect(document.activeElement).toBe(cell(1, FIRST))

    await key('C', cell(1, FIRST))
    expect(cell(1, FIRST).querySelector('input')?.value).toBe('C')
    await key('Escape', cell(1, FIRST).querySelector('input') ?? document.body)
    await key('Delete', cell(1, FIRST))

    expect(server.asked.findLast((each) => each.call === EDITS)?.body).toEqual({
      edits: [{ object: 'user:colm', path: 'name/first', value: null }],
    })
  })

  it('takes the last edit back', async () => {
    const { server, state } = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, {
      [EDITS]: asChange(deskOf([user('ines', '203')])),
    })
    await typeInto(0, EXT, '203')

    await state.draft.takeBack()
    expect(server.asked.findLast((each) => each.call === EDITS)?.body).toEqual({
      edits: [{ object: 'user:ines', path: 'extension', value: '201' }],
    })

    const calls = server.asked.length
    await state.draft.takeBack()
    expect(server.asked.length).toBe(calls)
  })

  it('takes it back after a reload too', async () => {
    const edited = { [EDITS]: asChange(deskOf([user('ines', '203')])) }
    await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, edited)
    await typeInto(0, EXT, '203')
    page.unmount()

    const { server, state } = await openDesk(deskOf([user('ines', '203')]), NOTHING_LIVE, edited)
    await state.draft.takeBack()
    expect(server.asked.findLast((each) => each.call === EDITS)?.body).toEqual({
      edits: [{ object: 'user:ines', path: 'extension', value: '201' }],
    })
  })
})

describe('the margin', () => {
  it('tells what waits to be pushed from what was changed on the switch', async () => {
    const each = {
      object: 'user:ines',
      label: 'Ines Marsh',
      what: 'field' as const,
      path: 'legs/desk/seconds',
      book: 20,
      live: 5,
      signed: null,
      since: null,
      by: null,
    }
    await openDesk(deskOf([user('ines', '201')]), { ...READ, differences: [{ ...each, whose: 'ours' }] })

    expect(page.get('[data-testid=not-pushed]').text()).toContain('1 change here not pushed yet')
    expect(page.get('[data-testid=not-pushed]').text()).toContain('rings for (desk) 20 s; the switch has 5 s')
    expect(page.find('[data-testid=drift]').exists()).toBe(false)
    expect(page.get('[data-testid=compared]').text()).toContain('1 change not pushed yet')
    expect(page.find('[data-testid=differences]').exists()).toBe(false)
  })

  it('says that it could not look, and never that all is well then', async () => {
    await openDesk(deskOf([user('ines', '201')]), READ, {
      'GET /customers/inlet/margin': new Refused(500, { detail: 'Something went wrong here.' }),
    })

    expect(page.get('[data-testid=not-looked]').text()).toContain('This could not be looked over')
    expect(page.text()).not.toContain('Nothing to say')
  })

  it('takes what is said of the edited book with the edit, and does not ask for it again', async () => {
    const finding: Finding = {
      rule: 'users.ring-too-short',
      name: 'Rings too short',
      severity: 'warning',
      title: 'ines: rings for three seconds',
      detail: '',
      why: '',
      remedy: '',
      source: '',
      objects: ['user:ines'],
      item: '',
      path: null,
      count: 1,
      fingerprint: 'f1',
      call: null,
      fix: null,
    }
    const { server } = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, {
      [EDITS]: asChange({
        ...deskOf([user('ines', '201', 3)]),
        margin: { findings: [finding], waived: [], strip: null },
      }),
    })
    const asked = server.asked.filter((each) => each.call === 'GET /customers/inlet/margin').length

    await typeInto(0, RINGS, '3')
    await settle()

    expect(page.text()).toContain('ines: rings for three seconds')
    expect(server.asked.filter((each) => each.call === 'GET /customers/inlet/margin')).toHaveLength(asked)
  })

  it('offers to tell the switch a PIN that is all there is to push', async () => {
    const { server } = await openDesk(
      deskOf([user('ines', '201')]),
      { ...READ, pinsToTell: ['user:ines'] },
      { 'POST /customers/inlet/pushes': PUSH },
    )

    await page.get('[data-testid=push]').trigger('click')
    await settle()

    expect(server.asked.find((asked) => asked.call === 'POST /customers/inlet/pushes')?.body).toEqual({ only: null })
  })

  it('shows what somebody else changed meanwhile with all three values, and sends the decision', async () => {
    const clash = { object: 'user:ines', path: 'legs/desk/seconds', base: 20, ours: 25, theirs: 30 }
    const { server } = await openDesk(deskOf([user('ines', '201', 30)], [], [clash]), NOTHING_LIVE, {
      [EDITS]: asChange(deskOf([user('ines', '201', 25)])),
    })

    const note = page.get('[data-testid=clash]')
    expect(note.text()).toContain('It was 20 s. You want 25 s; the book now says 30 s.')
    await note.findAll('button')[0]?.trigger('click')
    await settle()

    expect(server.asked.findLast((each) => each.call === EDITS)?.body).toEqual({
      edits: [{ object: 'user:ines', path: 'legs/desk/seconds', value: 25 }],
    })
    expect(page.find('[data-testid=clash]').exists()).toBe(false)
  })

  it('puts back the field of a difference, whole fields at a time', async () => {
    const live: Live = {
      ...READ,
      differences: [
        {
          object: 'user:ines',
          label: 'Ines Marsh',
          what: 'field',
          whose: 'theirs',
          path: 'legs/desk/seconds',
          book: 20,
          live: 5,
          signed: null,
          since: '2026-11-28T22:14:00Z',
          by: 'admin by hand',
        },
      ],
    }
    const { server } = await openDesk(deskOf([user('ines', '201')]), live, {
      'POST /customers/inlet/pushes': { ...PUSH, whole: false },
    })

    const note = page.get('[data-testid=drift]')
    expect(note.text()).toContain('Ines Marsh: rings for (desk) was changed on the switch')
    expect(note.text()).toContain('Book 20 s, live 5 s.')
    expect(note.text()).toContain('Since 28 Nov 2026, 18:14, by admin by hand.')
    await note.get('button').trigger('click')
    await settle()

    expect(server.asked.find((each) => each.call === 'POST /customers/inlet/pushes')?.body).toEqual({
      only: [{ object: 'user:ines', field: 'legs' }],
    })
  })

  it('does not offer to put back what is only on the switch', async () => {
    const live: Live = {
      ...READ,
      runSheet: [{ kind: 'delete', object: 'user:live-1', label: 'Temp test', fields: [] }],
      differences: [
        {
          object: 'user:live-1',
          label: 'Temp test',
          what: 'unknown',
          whose: 'theirs',
          path: null,
          book: null,
          live: null,
          signed: null,
          since: null,
          by: null,
        },
      ],
    }
    await openDesk(deskOf([user('ines', '201')]), live)

    expect(page.get('[data-testid=drift]').text()).toContain('Temp test is only on the switch')
    expect(page.get('[data-testid=drift]').findAll('button')).toEqual([])
    expect(page.text()).toContain('Removes 1 object from the switch: Temp test')
  })
})

describe('what was typed', () => {
  afterEach(() => {
    localStorage.clear()
  })

  const SECONDS: TypedEdit = { object: 'user:ines', path: 'legs/desk/seconds', value: 25, typed: '25' }
  const AWAY = { [EDITS]: new Refused(401, { detail: 'Sign in to go on.' }) }
  const waited = async (): Promise<void> => {
    await new Promise((done) => {
      setTimeout(done, 5)
    })
    await settle()
  }

  it('is kept in the browser while the server is away, marked in its cell, and sent once it answers', async () => {
    const { server, state } = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, AWAY)
    await state.draft.edit([SECONDS])
    await settle()
    expect(page.get('[data-testid=notice]').text()).toContain('kept in this browser (1 edit)')
    expect(state.draft.faults.get('user:ines legs/desk/seconds')?.typed).toBe('25')
    close(page)

    // Signed in again, or another day.
    const again = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, {
      [EDITS]: asChange(deskOf([user('ines', '201', 25)])),
    })
    await waited()
    expect(again.server.asked.find((each) => each.call === EDITS)?.body).toEqual({
      edits: [{ object: 'user:ines', path: 'legs/desk/seconds', value: 25 }],
    })
    expect(again.state.draft.unsent.value).toEqual([])
    expect(again.state.draft.faults.size).toBe(0)
    expect(server.asked.filter((each) => each.call === EDITS)).toHaveLength(1)
  })

  it('is not sent in the name of who signs in next', async () => {
    setWho('lena')
    const { state } = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, AWAY)
    await state.draft.edit([SECONDS])
    close(page)

    setWho('sol')
    const { server } = await openDesk(deskOf([user('ines', '201')]))
    await waited()
    expect(server.asked.filter((each) => each.call === EDITS)).toEqual([])
    close(page)

    setWho('lena')
    const back = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, AWAY)
    expect(back.state.draft.unsent.value).toEqual([SECONDS])
  })

  it('stands in its cell with the reason where the server will not have it after a reload', async () => {
    const { state } = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, AWAY)
    await state.draft.edit([SECONDS])
    close(page)

    const again = await openDesk(deskOf([user('ines', '201')]), NOTHING_LIVE, {
      [EDITS]: new Refused(422, {
        detail: 'A ring lasts 5 s.',
        errors: [{ object: 'user:ines', path: 'legs/desk/seconds', detail: 'a ring lasts 5 s' }],
      }),
    })
    await waited()
    expect(again.state.draft.faults.get('user:ines legs/desk/seconds')).toEqual({
      typed: '25',
      detail: 'a ring lasts 5 s',
    })
    expect(localStorage).toHaveLength(0)
  })

  it('in another tab is kept beside it', () => {
    const one = createUnsent('inlet')
    const other = createUnsent('inlet')
    one.add([SECONDS])
    other.add([{ ...SECONDS, object: 'user:joss' }])
    one.remove([SECONDS])
    expect(other.all()).toEqual([{ ...SECONDS, object: 'user:joss' }])
  })
})

describe('the pending bar', () => {
  const change: Change = {
    op: 'set',
    object: 'user:ines',
    label: 'ines',
    path: 'extension',
    before: '201',
    after: '203',
  }

  it('is no button while nothing is pending', async () => {
    await openDesk(deskOf([user('ines', '201')]))

    expect(page.find('[data-testid=look-over]').exists()).toBe(false)
    expect(page.text()).toContain('nothing pending')
  })

  it('enters with the reason, and offers to undo what it entered', async () => {
    const { server } = await openDesk(deskOf([user('ines', '203')], [change]), NOTHING_LIVE, {
      'POST /customers/inlet/draft/enter': { revision: 4 },
      'POST /customers/inlet/revisions/4/undo': { revision: 5 },
    })
    await page.get('[data-testid=look-over]').trigger('click')
    await settle()
    await page.get('input[name=note]').setValue('  a new desk ')
    await page.get('.el-dialog form').trigger('submit')
    await settle()

    expect(server.asked.find((each) => each.call === 'POST /customers/inlet/draft/enter')?.body).toEqual({
      note: 'a new desk',
    })
    expect(page.get('[data-testid=notice]').text()).toContain('Entered as revision 4.')
    await page.get('[data-testid=notice] .quiet-button').trigger('click')
    await settle()
    expect(page.get('[data-testid=notice]').text()).toContain('Revision 4 is undone, by revision 5.')
  })

  it('does not enter while a clash waits', async () => {
    const clash = { object: 'user:ines', path: 'email', base: null, ours: 'a@x.example', theirs: 'b@x.example' }
    const { server } = await openDesk(deskOf([user('ines', '203')], [change], [clash]))
    await page.get('[data-testid=look-over]').trigger('click')
    await settle()
    await page.get('.el-dialog form').trigger('submit')
    await settle()

    expect(
      page
        .findAll('.el-dialog')
        .map((each) => each.text())
        .join(' '),
    ).toContain('1 field changed by somebody else meanwhile')
    expect(server.asked.some((each) => each.call.endsWith('/enter'))).toBe(false)
  })

  it("says the server's refusal in its words and keeps everything", async () => {
    await openDesk(deskOf([user('ines', '203')], [change]), NOTHING_LIVE, {
      'POST /customers/inlet/draft/enter': new Refused(409, { detail: '+19025550150 is not free any more.' }),
    })
    await page.get('[data-testid=look-over]').trigger('click')
    await settle()
    await page.get('.el-dialog form').trigger('submit')
    await settle()

    expect(page.get('[data-testid=notice]').text()).toContain('+19025550150 is not free any more.')
    expect(page.get('[data-testid=pending]').text()).toBe('1 change')
  })
})

describe('what callers notice of drift', () => {
  const drifted: Live = {
    ...READ,
    differences: [
      {
        object: 'user:ines',
        label: 'ines',
        what: 'field',
        whose: 'theirs',
        path: 'legs/desk/seconds',
        book: 20,
        live: 40,
        signed: null,
        since: null,
        by: null,
      },
    ],
  }

  it('is told in the book’s names, with a call that shows it', async () => {
    await openDesk(deskOf([user('ines', '201')]), drifted, {
      'GET /customers/inlet/live/impact': {
        readAt: '2026-12-01T18:00:00Z',
        impact: {
          isComplete: true,
          count: 3,
          newlyReached: ['user:ines'],
          noLongerReached: [],
          dialling: [],
          contrasts: [
            {
              called: 'extension:201',
              words: 'every caller: rings user:ines -> released by user:ines',
              ofDegree: false,
              when: 'Sat 09:00 to 12:00',
              call: { to: '201', at: '2026-12-05T13:00:00Z', keys: [{ key: '1' }], world: { 'user:ines': 'busy' } },
              sentence: '201, Sat 5 Dec 2026 09:00, press 1, 201 busy',
            },
            {
              called: 'extension:201',
              words: 'a caller after busy: hears nothing',
              ofDegree: false,
              when: 'at all times',
              call: null,
              sentence: null,
            },
          ],
        },
        strips: null,
        findings: [],
        noticed: [{ object: 'user:ines', path: 'legs/desk/seconds' }],
        brings: [
          {
            rule: 'users.rings-too-long',
            name: 'Rings too long',
            severity: 'warning',
            title: 'ines rings for long',
            detail: 'Callers give up.',
            why: 'W.',
            remedy: 'R.',
            source: 'common practice',
            objects: ['user:ines'],
            item: '',
            path: null,
            count: 1,
            fingerprint: 'f',
            call: null,
            fix: null,
          },
        ],
      },
    })

    expect(
      page
        .get('[data-testid=differences] tbody tr')
        .findAll('td')
        .map((each) => each.text()),
    ).toContain('yes')
    const rows = page.findAll('[data-testid=callers-notice] tbody tr').map((row) => row.text())
    expect(rows[0]).toContain('every caller: rings ines → released by ines')
    expect(rows[0]).toContain('press 1, 201 busy')
    expect(rows[1]).toContain('only if somebody’s state changes during the call')
    expect(page.text()).toContain('and 1 place more')
    expect(page.text()).toContain('Newly reached: ines')
    expect(page.get('[data-testid=brings]').text()).toContain('ines rings for long')
  })

  it('is said to be nothing where no call goes otherwise', async () => {
    await openDesk(deskOf([user('ines', '201')]), drifted, {
      'GET /customers/inlet/live/impact': {
        readAt: null,
        impact: { isComplete: true, count: 0, contrasts: [], newlyReached: [], noLongerReached: [], dialling: [] },
        strips: null,
        findings: [],
        noticed: [],
        brings: [],
      },
    })

    expect(
      page
        .get('[data-testid=differences] tbody tr')
        .findAll('td')
        .map((each) => each.text()),
    ).toContain('no')
    expect(page.get('[data-testid=nobody-notices]').text()).toContain('every call of the coming year goes the same way')
  })

  it('can be adopted: the switch’s value goes into the draft', async () => {
    const after = deskOf(
      [user('ines', '201', 40)],
      [{ op: 'set', object: 'user:ines', label: 'ines', path: 'legs/desk/seconds', before: 20, after: 40 }],
    )
    const { server } = await openDesk(deskOf([user('ines', '201')]), drifted, { [EDITS]: asChange(after) })

    await page
      .findAll('[data-testid=differences] button')
      .find((each) => each.text() === 'Adopt')
      ?.trigger('click')
    await settle()

    expect(server.asked.findLast((each) => each.call === EDITS)?.body).toEqual({
      edits: [{ object: 'user:ines', path: 'legs/desk/seconds', value: 40 }],
    })
    expect(
      page
        .findAll('[data-testid=differences] button')
        .find((each) => each.text() === 'Adopt')
        ?.attributes('disabled'),
    ).toBeDefined()
  })
})
