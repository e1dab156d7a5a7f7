import { client, take, type Kind, type Meant } from '@/api'

/**
 * Whom or what names, extensions and numbers mean: the server knows, of the book as it is with what is pending.
 *
 * @param mayBeOutside whether a number that is no object's is an answer too
 */
export async function whatIsMeant(
  customer: string,
  said: string[],
  kinds: readonly Kind[],
  mayBeOutside = true,
): Promise<Meant[]> {
  if (said.length === 0) return []
  const body = { said, kinds: [...kinds], outside: mayBeOutside }
  return (await take(client.POST('/customers/{customer}/meant', { params: { path: { customer } }, body }))).meant
}
