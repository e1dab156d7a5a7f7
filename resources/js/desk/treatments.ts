export interface Sides {
  outside: string | null
  inside: string | null
}

/** A treatment as the book writes it: one destination for both kinds of caller, or one for each. */
export function sidesOf(treatment: unknown): Sides {
  if (typeof treatment !== 'object' || treatment === null) {
    const both = typeof treatment === 'string' ? treatment : null
    return { outside: both, inside: both }
  }
  const { outside = null, inside = null } = treatment as Partial<Sides>
  return { outside, inside }
}

export function asTreatment(sides: Sides): string | null | Sides {
  return sides.outside === sides.inside ? sides.outside : sides
}

/** One side of it changed. */
export function withSide(treatment: unknown, side: 'outside' | 'inside', to: unknown): string | null | Sides {
  return asTreatment({ ...sidesOf(treatment), [side]: typeof to === 'string' ? to : null })
}
