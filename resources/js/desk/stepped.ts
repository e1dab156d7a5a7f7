/** The items of a list in their order, with the one at a place moved by so many. */
export function stepped(list: { item: string }[], at: number, by: number): string[] {
  const order = list.map((each) => each.item)
  order.splice(at + by, 0, ...order.splice(at, 1))
  return order
}

/** A key for one more item of a list, that none of it has: `floor-3`. */
export function freeItem(list: readonly { item: string }[], prefix: string): string {
  const taken = new Set(list.map((each) => each.item))
  let no = list.length + 1
  while (taken.has(`${prefix}-${no}`)) no++
  return `${prefix}-${no}`
}
