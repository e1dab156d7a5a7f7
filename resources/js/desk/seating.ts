import type { ObjectOf } from '@/api'
import type { TypedEdit } from './edits'
import { freeItem } from './stepped'

export type Workplace = ObjectOf<'site'>['fields']['workplaces'][number]
type Person = ObjectOf<'user'>

/** Everything that follows where somebody sits: one place each, and what help services are told of it. */
export class Seating {
  private readonly site: ObjectOf<'site'>
  private readonly people: readonly Person[]

  constructor(site: ObjectOf<'site'>, people: readonly Person[]) {
    this.site = site
    this.people = people
  }

  get places(): readonly Workplace[] {
    return this.site.fields.workplaces
  }

  /** Who has no place on any plan of the site, works there and nowhere else. */
  get unplaced(): Person[] {
    const placed = new Set(this.places.map((each) => each.who))
    return this.people.filter(
      ({ ref, fields }) => !placed.has(ref) && fields.emergency.address === null && fields.status === 'active',
    )
  }

  seat(item: string, who: string | null): TypedEdit[] {
    const place = this.place(item)
    if (place === undefined || place.who === who) return []
    return [
      ...this.leaves(place),
      ...this.places.filter((each) => who !== null && each.who === who).map((each) => this.set(each.item, 'who', null)),
      this.set(item, 'who', who),
      ...this.told(who, this.floorOf(place), place.room ?? null),
    ]
  }

  room(item: string, room: string | null): TypedEdit[] {
    const place = this.place(item)
    if (place === undefined) return []
    return [this.set(item, 'room', room), ...this.told(place.who ?? null, this.floorOf(place), room)]
  }

  moved(item: string, across: number, down: number): TypedEdit[] {
    const place = this.place(item)
    return [
      ...(place?.across === across ? [] : [this.set(item, 'across', across)]),
      ...(place?.down === down ? [] : [this.set(item, 'down', down)]),
    ]
  }

  added(floor: string, across: number, down: number): { item: string; edits: TypedEdit[] } {
    const item = freeItem(this.places, 'place')
    return { item, edits: [this.whole([...this.places, { item, floor, room: null, across, down, who: null }])] }
  }

  removed(...items: string[]): TypedEdit[] {
    const gone = this.places.filter((each) => items.includes(each.item))
    return [
      ...gone.flatMap((each) => this.leaves(each)),
      ...(gone.length === 0 ? [] : [this.whole(this.places.filter((each) => !gone.includes(each)))]),
    ]
  }

  private place(item: string): Workplace | undefined {
    return this.places.find((each) => each.item === item)
  }

  private floorOf(place: Workplace): string {
    return this.site.fields.floors.find((each) => each.item === place.floor)?.name ?? place.floor
  }

  /** Whoever sat there: nothing is told of a place they have left. */
  private leaves(place: Workplace): TypedEdit[] {
    const person = this.people.find((each) => each.ref === place.who)
    if (person === undefined) return []
    const { floor, room } = person.fields.emergency
    const isTold = room === (place.room ?? null) && [this.floorOf(place), place.floor].includes(floor ?? '')
    return isTold ? this.told(person.ref, null, null) : []
  }

  private told(who: string | null, floor: string | null, room: string | null): TypedEdit[] {
    const person = this.people.find((each) => each.ref === who)
    if (person === undefined) return []
    const told = person.fields.emergency
    return [
      ...(told.floor === floor ? [] : [{ object: person.ref, path: 'emergency/floor', value: floor }]),
      ...(told.room === room ? [] : [{ object: person.ref, path: 'emergency/room', value: room }]),
    ]
  }

  private set(item: string, field: keyof Workplace, value: string | number | null): TypedEdit {
    return { object: this.site.ref, path: `workplaces/${item}/${field}`, value }
  }

  private whole(value: Workplace[]): TypedEdit {
    return { object: this.site.ref, path: 'workplaces', value }
  }
}
