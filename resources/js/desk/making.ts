/** A key for a new item of a list. */
export function itemFor(wanted: string, taken: string[]): string {
  const slug =
    wanted
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'item'
  let item = slug
  for (let number = 2; taken.includes(item); number++) item = `${slug}-${number}`
  return item
}
