type Item = Record<string, unknown> & { item: string }

function isItems(value: unknown): value is Item[] {
  return (
    Array.isArray(value) && value.every((each: unknown) => typeof each === 'object' && each !== null && 'item' in each)
  )
}

/** The value at a path of the tenant book: names joined by slashes, items of a list by their `item` key. */
export function valueAt(fields: unknown, path: string): unknown {
  let value: unknown = fields
  for (const step of path.split('/')) {
    if (isItems(value))
      value = step === '#order' ? value.map((each) => each.item) : value.find((each) => each.item === step)
    else if (typeof value === 'object' && value !== null) value = (value as Record<string, unknown>)[step]
    else return null
  }
  return value ?? null
}

export function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b)
}

/** A plain value as text; what is no plain value as JSON, so that nothing is hidden. */
export function asText(value: unknown): string {
  if (typeof value === 'string') return value
  return typeof value === 'number' || typeof value === 'boolean' ? String(value) : JSON.stringify(value)
}
