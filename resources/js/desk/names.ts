import type { BookObject } from '@/api'

/** What a destination may be besides an object or a number. */
export const WORDS: Record<string, string> = {
  operator: 'the operator',
  directory: 'the directory',
  again: 'the same menu again',
  back: 'the menu before',
  release: 'hang up',
  busy: 'busy tone',
}

/** A number of the North American plan or of London in groups; any other with its plus as it is. */
function grouped(number: string): string {
  return number.replace(/^\+1(\d{3})(\d{3})(\d{4})$/, '+1 $1 $2 $3').replace(/^\+44(20)(\d{4})(\d{4})$/, '+44 $1 $2 $3')
}

/** Names for what the book's references point at, both ways: for showing, and for reading what somebody typed. */
export class Names {
  private readonly byRef: Map<string, BookObject>

  constructor(readonly objects: BookObject[]) {
    this.byRef = new Map(objects.map((object) => [object.ref, object]))
  }

  get(ref: string): BookObject | undefined {
    return this.byRef.get(ref)
  }

  /** What can be typed for objects of some kinds: their names, each once. */
  choices(kinds: readonly string[]): string[] {
    return [...new Set(this.objects.filter((object) => kinds.includes(object.kind)).map((object) => object.display ?? object.label))]
  }

  /** A reference or destination in words; a text that is none is given back as it is. */
  of(value: string): string {
    const object = this.byRef.get(value)
    if (object !== undefined) return object.display ?? object.label
    if (value.startsWith('outside:')) return `outside ${grouped(value.slice('outside:'.length))}`
    if (value.startsWith('leg:')) return value.slice(value.indexOf('/') + 1)
    return WORDS[value] ?? value
  }

  /**
   * What somebody meant by a name, an extension, digits or a word: a reference as the book writes it.
   * @returns the reference, or why there is none
   */
  find(typed: string, kinds: readonly string[], isDestination: boolean): { value: string } | { fault: string } {
    const text = typed.trim().toLowerCase()
    const digits = text.replace(/[\s().-]/g, '')
    const word = Object.entries(WORDS).find(([key, said]) => key === text || said === text)
    if (isDestination && word !== undefined) return { value: word[0] }
    if (isDestination && /^(outside:?)?\+?\d{7,15}$/.test(digits.replace(/^outside:?\s*/, 'outside'))) {
      const number = digits.replace(/^outside:?/, '')
      const own = this.objects.find((object) => object.key === number)
      if (own === undefined) return { value: `outside:${number.startsWith('+') ? number : `+${number}`}` }
    }
    const candidates = this.objects.filter((object) => kinds.includes(object.kind))
    const exact = candidates.filter((object) => this.spellings(object).includes(text) || (digits !== '' && object.key.replace('+', '') === digits.replace('+', '')))
    const found = exact.length > 0 ? exact : candidates.filter((object) => object.label.toLowerCase().startsWith(text))
    const [first] = found
    if (first === undefined) return { fault: `nothing here is called "${typed.trim()}"` }
    if (found.length > 1) return { fault: `"${typed.trim()}" may be ${found.slice(0, 3).map((object) => object.label).join(' or ')}; say more` }
    return { value: first.ref }
  }

  private spellings(object: BookObject): string[] {
    return [object.ref, object.key, object.label, object.extension, object.display, `${object.extension ?? ''} ${object.label}`]
      .filter((each): each is string => each !== null)
      .map((each) => each.toLowerCase())
  }
}
