import { queryOptions, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take, type Session } from '@/api'
import { setClock, setManner, setWho, USUAL_MANNER, type Manner } from '@/shared'

/** What the server's clock says, and how whoever is signed in reads it. */
function follow(session: Session): void {
  setClock(session.now, session.clockStandsStill)
  setManner(session.technician?.manner ?? USUAL_MANNER)
  setWho(session.technician?.signIn)
}

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: async (): Promise<Session> => {
    const session = await take(client.GET('/session'))
    follow(session)
    return session
  },
  staleTime: Infinity,
})

export function useSession() {
  const query = useQuery(sessionQuery)
  const queryClient = useQueryClient()

  /** What one technician read is not for the next. The session's own query stays: the page is watching it. */
  function forgetTheRest(): void {
    queryClient.removeQueries({ predicate: (query) => query.queryKey[0] !== sessionQuery.queryKey[0] })
  }

  async function signIn(signIn: string, password: string, code: string | null): Promise<void> {
    const session = await take(client.POST('/session', { body: { signIn, password, code } }))
    follow(session)
    forgetTheRest()
    queryClient.setQueryData(sessionQuery.queryKey, session)
  }

  async function choose(manner: Manner): Promise<void> {
    const session = await take(client.PUT('/session/manner', { body: manner }))
    follow(session)
    queryClient.setQueryData(sessionQuery.queryKey, session)
  }

  async function signOut(): Promise<void> {
    await take(client.DELETE('/session'))
    // What was half typed here is not for whoever signs in next.
    sessionStorage.clear()
    forgetTheRest()
    await queryClient.query({ ...sessionQuery, staleTime: 0 })
  }

  return {
    session: query.data,
    technician: computed(() => query.data.value?.technician ?? null),
    /** A sign-in that the demo is tried with; null in the house of a real reseller. */
    demo: computed(() => query.data.value?.demo ?? null),
    reseller: computed(() => query.data.value?.reseller ?? ''),
    /** The head of papers, besides the name. */
    paper: computed(() => query.data.value?.paper ?? { colour: '#2f5d62', letterhead: '' }),
    signIn,
    signOut,
    choose,
  }
}
