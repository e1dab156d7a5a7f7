import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { mount, type VueWrapper } from '@vue/test-utils'
import { defineComponent, h, type Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { BookObject, Desk, DeskChange, Meant, ObjectOf } from '@/api'
import { bookObject, fakeServer, NOTHING_LIVE, settle } from '@/testing'

export { bookObject as object, NOTHING_LIVE, PRACTICE } from '@/testing'
import { provideDesk, type DeskState } from './desk'

export const EDITS = 'POST /customers/inlet/draft/edits'
export const OBJECTS = 'POST /customers/inlet/draft/objects'
export const MEANT = 'POST /customers/inlet/meant'

/** The answer to an edit that leaves the desk so, whatever it had before. */
export function asChange(desk: Desk & Pick<DeskChange, 'margin'>): DeskChange {
  const { key, revision, numbers, objects, draft } = desk
  const margin = desk.margin === undefined ? {} : { margin: desk.margin }
  return { key, revision, numbers, objects, draft, ...margin, gone: [], order: {} }
}

/** The answer to an edit where what the server made of it does not matter: these objects, and nothing pending. */
export const unchanged = (objects: BookObject[]): DeskChange => asChange(deskOf(objects))

/** A server that knows whom these names mean, and nobody else. */
export const meaning =
  (known: Record<string, string>) =>
  (body: unknown): { meant: Meant[] } => ({
    meant: (body as { said: string[] }).said.map((said) => {
      const value = known[said] ?? null
      return { said, value, fault: value === null ? `nothing here is called "${said}"` : null }
    }),
  })

export const ZONE = 'America/Halifax'

export const NO_CALLS = {
  readAt: null,
  whole: {
    calls: 0,
    answered: 0,
    missed: 0,
    messages: 0,
    usualWait: null,
    longestWait: null,
    talked: 0,
    lastAnswered: null,
  },
  mostAtOnce: 0,
  numbers: [],
  groups: [],
  users: [],
  forms: [],
}

/** Two users, and a group of one of them. */
export const INES = bookObject('user:ines', { display: 'Ines Marsh', extension: '201', mailbox: 'mailbox:ines' })
export const JOSS = bookObject('user:joss', { display: 'Joss Arden', extension: '202' })
export const FRONT_DESK = bookObject('group:desk', {
  name: 'Front Desk',
  extension: '300',
  order: 'sequential',
  ringsEach: 3,
  rotations: 1,
  noAnswerSeconds: 35,
  queue: null,
  mailbox: null,
  signInBy: 'member',
  members: [{ item: 'ines', who: 'user:ines', tier: 1, share: null, signedIn: true, confirm: false }],
  otherwise: { noAnswer: 'mailbox:desk' },
})

export function deskOf(
  objects: BookObject[],
  changes: Desk['draft']['changes'] = [],
  clashes: Desk['draft']['clashes'] = [],
): Desk {
  return { key: 'inlet', revision: 3, may: 'push', numbers: {}, objects, draft: { changes, clashes } }
}

/** Parts of a desk around one fake server, at an address. */
export async function openPart(
  which: Component,
  objects: BookObject[],
  handlers: Record<string, unknown> = {},
  { props = {}, at = '' }: { props?: Record<string, unknown>; at?: string } = {},
): Promise<{ page: VueWrapper; server: ReturnType<typeof fakeServer>; state: DeskState }> {
  const server = fakeServer({
    'GET /customers/inlet/desk': deskOf(objects),
    'GET /customers/inlet/live': NOTHING_LIVE,
    'GET /customers/inlet/live/impact': {
      readAt: null,
      impact: null,
      strips: null,
      findings: [],
      noticed: [],
      brings: [],
    },
    'GET /customers/inlet/pushes': { pushes: [] },
    'GET /customers/inlet/revisions': { revisions: [] },
    'GET /customers/inlet/margin': { findings: [], waived: [], strip: null },
    'GET /customers/inlet/now': { book: null, live: null, readAt: null },
    'GET /customers': { customers: [] },
    'GET /templates': { templates: [], regions: [] },
    'GET /stock': { numbers: [] },
    'GET /customers/inlet/ports': { ports: [] },
    'GET /customers/inlet/history': NO_CALLS,
    ...handlers,
  })
  let state: DeskState | undefined
  const Around = defineComponent({
    setup: () => {
      state = provideDesk('inlet')
      return () => (state?.book.data.value === undefined ? null : h(which, props))
    },
  })
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/', component: Around },
      { path: '/customers/:customer/:chapter?', name: 'desk', component: Around },
    ],
  })
  await router.push({ path: '/', query: at === '' ? {} : { at } })
  const page = mount(Around, {
    attachTo: document.body,
    global: {
      plugins: [
        router,
        [VueQueryPlugin, { queryClient: new QueryClient({ defaultOptions: { queries: { retry: false } } }) }],
      ],
    },
  })
  await settle()
  if (state === undefined) throw new Error('no desk')
  return { page, server, state }
}

/** The edits sent last. */
export function sent(server: ReturnType<typeof fakeServer>): unknown {
  return (server.asked.findLast((each) => each.call === EDITS)?.body as { edits: unknown } | undefined)?.edits
}

/** A site of two floors with workplaces on both. */
export const FLOORED: ObjectOf<'site'> = bookObject('site:office', {
  name: 'Office',
  floors: [
    { item: '1', name: 'Ground floor' },
    { item: '2', name: 'First floor' },
  ],
  workplaces: [
    { item: 'a', floor: '1', room: '1.01', across: 100, down: 200, who: 'user:ines' },
    { item: 'b', floor: '1', room: null, across: 950, down: 200, who: null },
    { item: 'c', floor: '2', room: '2.01', across: 500, down: 500, who: 'user:joss' },
  ],
  contacts: [{ item: 'otto', name: 'Otto Vane', role: 'keys', phone: '+19025550199', hours: null }],
})
const seatedPerson = (
  key: string,
  floor: string | null,
  room: string | null,
  more: { address?: string; status?: 'active' | 'leaver' } = {},
): ObjectOf<'user'> =>
  bookObject(`user:${key}`, {
    site: 'site:office',
    status: more.status ?? 'active',
    emergency: { floor, room, address: more.address ?? null },
  })
/** Whoever has a place at it, or belongs there. */
export const SEATED = [
  seatedPerson('ines', 'Ground floor', '1.01'),
  seatedPerson('joss', 'Loft', '2.01'),
  seatedPerson('ana', null, null),
  seatedPerson('far', null, null, { address: '7 Shore Road' }),
  seatedPerson('gone', null, null, { status: 'leaver' }),
]
