/** A field set to a value; an object made or taken away where `op` says so. */
export interface Edit {
  op?: 'set' | 'move' | 'create' | 'delete'
  object: string
  path: string
  value: unknown
}

/** An edit, with what was typed where it was typed. */
export type TypedEdit = Edit & { typed?: string }
