import createClient from 'openapi-fetch'
import type { paths } from './generated/schema'
import { ProblemError } from './problem'

function xsrfToken(): string {
  const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='))
  return cookie === undefined ? '' : decodeURIComponent(cookie.slice('XSRF-TOKEN='.length))
}

export const client = createClient<paths>({
  baseUrl: '/api',
  headers: { Accept: 'application/json' },
  credentials: 'same-origin',
  // Looked up at each call, so that tests can put their own in its place.
  fetch: (request) => globalThis.fetch(request),
})

client.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', xsrfToken())
    return request
  },
})

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The answer's body; a refusal is thrown as the problem the server described. */
export async function take<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>
  try {
    answer = await call
  } catch {
    throw ProblemError.unreachable()
  }
  if (!answer.response.ok) throw ProblemError.from(answer.response.status, answer.error)
  return answer.data as T
}
