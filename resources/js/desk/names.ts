import type { BookObject, Kind, ObjectOf } from '@/api'

/** What a destination may be besides an object or a number. */
export const WORDS: Record<string, string> = {
  operator: 'the operator',
  directory: 'the directory',
  again: 'the same menu again',
  back: 'the menu before',
  release: 'hang up',
  busy: 'busy tone',
}

/** Fewer digits are an extension or a name. */
const LEAST_DIGITS = 7

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
    if (value.startsWith('outside:')) return `outside ${grouped(value.slice('outside:'.length))}`
    if (value.startsWith('leg:')) return value.slice(value.indexOf('/') + 1)
    return WORDS[value] ?? value
  }

  /**
   * What somebody meant by a name, an extension, digits or a word: a reference as the book writes it; a telephone
   * number stays as it
   * was typed, for the server to read.
   * @returns the reference, or why there is none
   */
  find(typed: string, kinds: readonly string[], isDestination: boolean): { value: string } | { fault: string } {
    const text = typed.trim().toLowerCase()
    const word = Object.entries(WORDS).find(([key, said]) => key === text || said === text)
    if (isDestination && word !== undefined) return { value: word[0] }
    const candidates = this.objects.filter((object) => kinds.includes(object.kind))
    // What is written just like one of them is that one, however many begin so.
    for (const called of this.spellings(text)) {
      const exact = candidates.filter(called)
      if (exact.length > 1) return { fault: `"${typed.trim()}" may be ${either(exact)}; say more` }
      if (exact[0] !== undefined) return { value: exact[0].ref }
    }
    const number = isDestination ? asNumber(text) : undefined
    if (number !== undefined) return this.outside(number)
    const [first, ...others] = candidates.filter((object) => object.label.toLowerCase().startsWith(text))
    if (first === undefined) return { fault: `nothing here is called "${typed.trim()}"` }
    if (others.length > 0) return { fault: `"${typed.trim()}" may be ${either([first, ...others])}; say more` }
    return { value: first.ref }
  }

  /** A number as it was typed: the server reads it by the customer's region. */
  private outside(typed: string): { value: string } | { fault: string } {
    const digits = typed.replace(/\D/g, '')
    const own = this.objects.find((object) => object.kind === 'number' && object.key === `+${digits}`)
    if (own !== undefined) return { fault: `${typed} is a number of this customer; say where its calls go instead` }
    return { value: `outside:${typed.startsWith('+') ? `+${digits}` : typed}` }
  }

  /** How an object can be called, the plainest first: each way is asked of all of them before the next. */
  private spellings(text: string): ((object: BookObject) => boolean)[] {
    const digits = text.replace(/[\s().-]/g, '')
    const is = (said: string | null): boolean => said?.toLowerCase() === text
    return [
      (object) => is(object.ref),
      (object) => is(object.label) || is(object.display),
      (object) => is(object.extension) || is(`${object.extension ?? ''} ${object.label}`),
      (object) => object.kind === 'number' && isNumber(object.key, digits),
      (object) => is(object.key),
    ]
  }
}

/** Whether digits are a number of the customer's, its country code or a digit before an area written or not. */
function isNumber(key: string, digits: string): boolean {
  const own = key.replace('+', '')
  return (
    /^\+?\d+$/.test(digits) &&
    (digits.replace('+', '') === own ||
      (digits.length >= LEAST_DIGITS && !digits.startsWith('+') && own.endsWith(digits.replace(/^0/, ''))))
  )
}

/** Text that is meant for a telephone number, without the word that says it leads outside. */
function asNumber(text: string): string | undefined {
  const number = text.replace(/^outside:?\s*/, '')
  return /^\+?[\d\s()./\u2010-\u2015-]+$/.test(number) && number.replace(/\D/g, '').length >= LEAST_DIGITS
    ? number
    : undefined
}

function either(objects: BookObject[]): string {
  return objects
    .slice(0, 3)
    .map((object) => object.label)
    .join(' or ')
}
