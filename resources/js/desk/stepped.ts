/** The items of a list in their order, with the one at a place moved by so many. */
export function stepped(list: { item: string }[], at: number, by: number): string[] {
  const order = list.map((each) => each.item)
  order.splice(at + by, 0, ...order.splice(at, 1))
  return order
}
