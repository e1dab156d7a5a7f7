import { afterEach, expect, vi } from 'vitest'
import { faultOf } from './contract'

/** What stubs answered otherwise than the contract has it. */
const faults: string[] = []
afterEach(() => {
  const told = faults.splice(0)
  expect(told, 'answers of stubs that the server cannot give').toEqual([])
})

/** A refusal of the server, as the API says it. */
export class Refused {
  constructor(
    readonly status: number,
    readonly problem: Record<string, unknown> = {},
  ) {}
}

/**
 * A server inside the test. Answers what it was told to for `METHOD /path`, a function being asked with the body and
 * the address, at its leisure where it promises; a call it was not told of fails.
 * `asked` holds what was sent, in order.
 */
export function fakeServer(handlers: Record<string, unknown>): {
  asked: { call: string; body: unknown }[]
  handlers: Record<string, unknown>
} {
  const asked: { call: string; body: unknown }[] = []
  vi.stubGlobal('fetch', async (request: Request) => {
    const address = new URL(request.url)
    const call = `${request.method} ${address.pathname.replace(/^\/api/, '')}`
    const text = await request.text()
    // A file is what it is.
    const isFile = !(request.headers.get('Content-Type') ?? 'application/json').startsWith('application/json')
    const body: unknown = text === '' ? undefined : isFile ? text : JSON.parse(text)
    asked.push({ call, body })
    if (!(call in handlers)) throw new Error(`nobody told the server what to say to ${call}`)
    const handler = handlers[call]
    const answer: unknown = await (typeof handler === 'function'
      ? (handler as (body: unknown, address: URL) => unknown)(body, address)
      : handler)
    if (answer instanceof Refused) {
      const problem = {
        type: 'urn:jaunty-roster:problem:test',
        title: 'Refused',
        status: answer.status,
        detail: 'Refused.',
        ...answer.problem,
      }
      return new Response(JSON.stringify(problem), {
        status: answer.status,
        headers: { 'Content-Type': 'application/problem+json' },
      })
    }
    const sent: unknown = answer === null ? null : JSON.parse(JSON.stringify(answer))
    const fault = faultOf(call, sent)
    if (fault !== undefined) faults.push(fault)
    return answer === null
      ? new Response(null, { status: 204 })
      : new Response(JSON.stringify(sent), { headers: { 'Content-Type': 'application/json' } })
  })
  return { asked, handlers }
}
