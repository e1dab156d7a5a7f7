import { computed, reactive, ref, type ComputedRef, type Ref } from 'vue'
import { client, take, type Answers, type Slot } from '@/api'

/** What was answered of one customer who is being taken on. */
export interface Kept {
  id: string
  template: string
  answers: Answers
}

interface Sets {
  kept: Kept
  others: ComputedRef<Kept[]>
  thrown: Ref<Kept | undefined>
  load: (id: string | undefined) => Promise<void>
  keep: () => Promise<void>
  keepLeaving: () => void
  begin: () => void
  goOn: (id: string) => void
  forget: () => Promise<void>
  throwAway: () => Promise<void>
  putBack: () => Promise<void>
}

/**
 * What was answered so far, kept on the server until the customer is taken on: the phone rings in between, and browsers
 * die. Each
 * customer being taken on is a set of its own, so that a second window, or a second customer, overwrites nothing.
 */
export function useAnswers(): Sets {
  const kept: Kept = reactive({ id: crypto.randomUUID(), template: '', answers: {} })
  const all = ref<Kept[]>([])
  const thrown = ref<Kept>()
  const others = computed(() => all.value.filter((each) => each.id !== kept.id))

  const open = (set: Kept): void =>
    void Object.assign(kept, { id: set.id, template: set.template, answers: { ...set.answers } })

  /** @param id of the set that is meant; unset for the one that was kept last */
  async function load(id: string | undefined): Promise<void> {
    all.value = (await take(client.GET('/taking-on/answers'))).kept
    const meant = all.value.find((each) => each.id === id) ?? (id === undefined ? all.value[0] : undefined)
    if (meant !== undefined) open(meant)
    else if (id !== undefined) kept.id = id
  }

  async function put(set: Kept, keepalive: boolean): Promise<void> {
    await take(
      client.PUT('/taking-on/answers/{id}', {
        params: { path: { id: set.id } },
        body: { template: set.template, answers: set.answers },
        keepalive,
      }),
    )
  }

  /** One after the other: what was answered first must not arrive last. */
  let before: Promise<unknown> = Promise.resolve()
  async function keep(): Promise<void> {
    const set = { id: kept.id, template: kept.template, answers: { ...kept.answers } }
    const sent = before.then(async () => {
      await put(set, false)
    })
    before = sent.catch(() => undefined)
    await sent
    all.value = [set, ...all.value.filter((each) => each.id !== set.id)]
  }

  /** What is not kept yet when the page goes: the browser sends it on without the page. */
  function keepLeaving(): void {
    // Nobody is left to be told; what browsers do not carry (64 KiB and more) they refuse.
    put(kept, true).catch(() => undefined)
  }

  /** Another customer; what was answered of this one stays kept. */
  function begin(): void {
    open({ id: crypto.randomUUID(), template: '', answers: {} })
  }

  function goOn(id: string): void {
    const meant = all.value.find((each) => each.id === id)
    if (meant !== undefined) open(meant)
  }

  async function forget(): Promise<void> {
    // What is still under way would bring them back.
    await before
    await take(client.DELETE('/taking-on/answers/{id}', { params: { path: { id: kept.id } } }))
    all.value = all.value.filter((each) => each.id !== kept.id)
  }

  async function throwAway(): Promise<void> {
    const set = { id: kept.id, template: kept.template, answers: kept.answers }
    await forget()
    thrown.value = set
    const [next] = all.value
    if (next === undefined) begin()
    else open(next)
  }

  async function putBack(): Promise<void> {
    if (thrown.value === undefined) return
    open(thrown.value)
    thrown.value = undefined
    await keep()
  }

  return { kept, others, thrown, load, keep, keepLeaving, begin, goOn, forget, throwAway, putBack }
}

/** What a set is called: by the customer, once they have a name. */
export function nameOfSet(set: Kept): string {
  const name = set.answers['name']
  return typeof name === 'string' && name.trim() !== '' ? name.trim() : 'a customer without a name yet'
}

/** Whether something was said to a question. */
export function isGiven(answers: Answers, slot: Slot): boolean {
  const answer = answers[slot.key]
  return typeof answer === 'string' ? answer.trim() !== '' : answer !== undefined && answer.length > 0
}

/** Questions that are asked, have to be answered, and are not. `asked` is unknown until the server was asked once. */
export function toAnswer(slots: Slot[], answers: Answers, asked: string[] | undefined): Slot[] {
  return slots.filter(
    (slot) => !slot.optional && !isGiven(answers, slot) && (asked === undefined || asked.includes(slot.key)),
  )
}

/** What may be taken instead of what is at fault, by where it belongs. */
export function offeredIn(
  faults: { offer?: string | undefined; pointer?: string | undefined }[],
): Record<string, string> {
  return Object.fromEntries(
    faults.flatMap(({ offer, pointer = '' }) =>
      offer === undefined ? [] : [[pointer.replace(/^\/answers\//, ''), offer]],
    ),
  )
}

/** Faults by where they belong: `name`, or `users/3/extension`. */
export function placed(faults: { detail: string; pointer?: string | undefined }[]): Record<string, string> {
  return Object.fromEntries(faults.map((fault) => [(fault.pointer ?? '').replace(/^\/answers\//, ''), fault.detail]))
}
