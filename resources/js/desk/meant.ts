import { client, take, type Kind, type Meant } from '@/api'

/** Whom or what names, extensions and numbers mean: the server knows, of the book as it is with what is pending. */
export function whatIsMeant(customer: string, said: string[], kinds: readonly string[]): Promise<Meant[]> {
  if (said.length === 0) return Promise.resolve([])
  const body = { said, kinds: kinds as Kind[], outside: true }
  return take(client.POST('/customers/{customer}/meant', { params: { path: { customer } }, body })).then(
    ({ meant }) => meant,
  )
}
