import type { BookObject, Kind, ObjectOf } from '@/api'
import { WORDS } from './catalogue'

/** Names for what the book's references point at. What somebody means by a name the server knows. */
export class Names {
  private readonly byRef: Map<string, BookObject>

  /** @param numbers outside numbers as they are read, by E.164 */
  constructor(
    readonly objects: BookObject[],
    private readonly numbers: Record<string, string> = {},
  ) {
    this.byRef = new Map(objects.map((object) => [object.ref, object]))
  }

  get(ref: string): BookObject | undefined {
    return this.byRef.get(ref)
  }

  /** An object of one kind. */
  as<K extends Kind>(kind: K, ref: string | null | undefined): ObjectOf<K> | undefined {
    return this.all(kind).find((object) => object.ref === ref)
  }

  all<K extends Kind>(kind: K): ObjectOf<K>[] {
    return this.objects.filter((object): object is ObjectOf<K> => object.kind === kind)
  }

  /** What can be typed for objects of some kinds: their names, each once. */
  choices(kinds: readonly string[]): string[] {
    return [
      ...new Set(
        this.objects.filter((object) => kinds.includes(object.kind)).map((object) => object.display ?? object.label),
      ),
    ]
  }

  /** A reference or destination in words; a text that is none is given back as it is. */
  of(value: string): string {
    const object = this.byRef.get(value)
    if (object !== undefined) return object.display ?? object.label
    if (value.startsWith('outside:')) {
      const number = value.slice('outside:'.length)
      return `outside ${this.numbers[number] ?? number}`
    }
    if (value.startsWith('leg:')) return value.slice(value.indexOf('/') + 1)
    return WORDS[value] ?? value
  }
}
