import type { components } from './generated/schema'

export type Problem = components['schemas']['Problem']
export type FieldFault = components['schemas']['FieldFault']

/** A refusal in the server's words (RFC 9457), with the fields it is about. */
export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail)
    this.name = 'ProblemError'
  }

  static unreachable(): ProblemError {
    return new ProblemError({
      type: 'urn:jaunty-roster:problem:unreachable',
      title: 'No connection',
      status: 0,
      detail: 'The server cannot be reached. What you entered before is kept; try again in a moment.',
    })
  }

  static from(status: number, body: unknown): ProblemError {
    if (typeof body === 'object' && body !== null && 'detail' in body) return new ProblemError(body as Problem)
    return new ProblemError({
      type: 'about:blank',
      title: 'No proper answer',
      status,
      detail: `The server answered with an error (${status}). Try again in a moment.`,
    })
  }

  /** The fault of one field of what was sent, by its JSON pointer. */
  at(pointer: string): string | undefined {
    return this.problem.errors?.find((fault) => fault.pointer === pointer)?.detail
  }
}

export function isProblem(error: unknown): error is ProblemError {
  return error instanceof ProblemError
}

/** What to tell the person, whatever was thrown. */
export function detailOf(error: unknown): string {
  if (isProblem(error)) return error.problem.detail
  return 'Something went wrong in this page. Reload it; drafts are kept on the server.'
}

/** What a refusal says, by the field of the form that it is about; under an empty name, what is about none. */
export function faultsByField(error: unknown): Record<string, string> {
  const told = isProblem(error) ? (error.problem.errors ?? []) : []
  return told.length === 0
    ? { '': detailOf(error) }
    : Object.fromEntries(told.map((each) => [(each.pointer ?? '').slice(1), each.detail]))
}
