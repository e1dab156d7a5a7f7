import { whatIsMeant } from './meant'

const texts = (said: string[]): string[] => said.map((each) => each.trim()).filter((each) => each !== '')

/**
 * People of a list as somebody typed or pasted it, one or several to a line: those who were found, and what of it is
 * nobody. A comma parts people only where it is not part of a name.
 */
export async function peopleMeant(
  customer: string,
  said: string[],
  mayBeOutside = true,
): Promise<{ found: string[]; left: string[] }> {
  const lines = texts(said)
  const asWhole = await whatIsMeant(customer, lines, ['user'], mayBeOutside)
  const parted = asWhole.filter((each) => each.value === null && each.said.includes(','))
  const parts = await whatIsMeant(
    customer,
    texts(parted.flatMap((each) => each.said.split(','))),
    ['user'],
    mayBeOutside,
  )
  const meant = [...asWhole.filter((each) => !parted.includes(each)), ...parts]
  return {
    found: meant.flatMap((each) => (each.value === null ? [] : [each.value])),
    left: meant.flatMap((each) => (each.value === null ? [each.said] : [])),
  }
}

/** A pasted list in lines; undefined where it is one name. */
export function pastedPeople(event: ClipboardEvent): string[] | undefined {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\n\t,;]/.test(text.trim())) return undefined
  return text.split(/[\n\r;]+/).map((line) => line.replaceAll('\t', '  '))
}
