import { queryOptions, useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take, type Session } from '@/api'
import { setClock } from '@/shared'

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: async (): Promise<Session> => {
    const session = await take(client.GET('/session'))
    setClock(session.now, session.clockStandsStill)
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
    setClock(session.now, session.clockStandsStill)
    forgetTheRest()
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
    reseller: computed(() => query.data.value?.reseller ?? ''),
    signIn,
    signOut,
  }
}
