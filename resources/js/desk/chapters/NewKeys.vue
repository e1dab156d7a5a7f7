<script setup lang="ts">
import { computed, nextTick } from 'vue'
import { detailOf, type ObjectOf } from '@/api'
import { OfferField } from '@/shared'
import { suggested } from '../cells'
import { typeAt, WORDS } from '../catalogue'
import { useDesk, useDraft } from '../desk'
import type { TypedEdit } from '../edits'
import { useHalfTyped } from '../halfTyped'
import { whatIsMeant } from '../meant'

/**
 * More keys of a menu, as one says them: "1 Reception", one or a pasted list. What is not understood stays in the line.
 */
const props = defineProps<{ menu: ObjectOf<'menu'>; free: string[] }>()

const { customer, names, notice } = useDesk()
const { edit } = useDraft()
const typed = useHalfTyped(customer, `keys of ${props.menu.ref}`, '')

const KEY = /^\s*(?:press\s+|key\s+)?([0-9*#])(?:\s*[:=.)>→-]+\s*|\s+)(?:for\s+|to\s+)?/i
const PARTED = /[\n\r;]+|,\s*(?=[0-9*#][\s:=.)>→-])/

/** A menu that is to be: `3 new menu Billing`. */
const FRESH = /^(?:a\s+)?new\s+menu(?:\s*[:,-]?\s*(.*))?$/i

const to = typeAt('menu', 'keys/1/to')
const places = computed(() => suggested(to, names.value))

function offered(text: string): string[] {
  const key = KEY.exec(text)?.[0]
  if (key === undefined) return []
  const wanted = text.slice(key.length).trim().toLowerCase()
  const fresh = 'new menu'.startsWith(wanted) ? [`${key}new menu `] : []
  return [...places.value.filter((each) => each.toLowerCase().includes(wanted)).map((each) => key + each), ...fresh]
}

interface Said {
  text: string
  key: string
  place: string
}

function read(text: string): Said {
  const begins = KEY.exec(text)
  return { text: text.trim(), key: begins?.[1] ?? '', place: text.slice(begins?.[0].length ?? 0).trim() }
}

/** A key for one more menu, by its name. */
function freeMenu(name: string, made: readonly TypedEdit[]): string {
  const slug =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '') || 'menu'
  const isTaken = (ref: string): boolean =>
    names.value.get(ref) !== undefined || made.some((each) => each.object === ref)
  let ref = `menu:${slug}`
  for (let no = 2; isTaken(ref); no++) ref = `menu:${slug}-${no}`
  return ref
}

async function add(text: string): Promise<void> {
  const said = text
    .split(PARTED)
    .filter((each) => each.trim() !== '')
    .map((each) => read(each.replaceAll('\t', ' ')))
  if (said.length === 0) return
  const keys = [...props.menu.fields.keys]
  const left: string[] = []
  const whys: string[] = []
  const leave = (each: Said, why: string): void => {
    left.push(each.text)
    whys.push(why)
  }
  const words = Object.values(WORDS)
  const known = said.filter(
    (each) => each.key !== '' && each.place !== '' && !words.includes(each.place) && !FRESH.test(each.place),
  )
  const made: TypedEdit[] = []
  const asked = [...new Set(known.map((each) => each.place))]
  try {
    const meant = new Map((await whatIsMeant(customer, asked, to.kinds ?? [])).map((each) => [each.said, each]))
    for (const each of said) {
      const found = meant.get(each.place)
      if (each.key === '' || each.place === '')
        leave(each, `"${each.text}": say the key and where it leads, such as "1 Reception".`)
      else if (keys.some((set) => set.item === each.key)) leave(each, `Key ${each.key} is set already.`)
      else if (FRESH.test(each.place)) {
        const name = FRESH.exec(each.place)?.[1]?.trim() ?? ''
        if (name === '') leave(each, `Key ${each.key}: say what the new menu is called, such as "new menu Billing".`)
        else {
          const object = freeMenu(name, made)
          made.push({ op: 'create', object, path: '', value: { name, site: props.menu.fields.site, silence: 'back' } })
          keys.push({ item: each.key, to: object, label: name })
        }
      } else if (found?.value === null) leave(each, `Key ${each.key}: ${found.fault ?? 'not understood'}.`)
      else keys.push({ item: each.key, to: found?.value ?? each.place, label: null })
    }
  } catch (error) {
    notice.value = { text: detailOf(error), isFault: true }
    return
  }
  typed.value = left.join('; ')
  if (keys.length > props.menu.fields.keys.length)
    await edit([...made, { object: props.menu.ref, path: 'keys', value: keys }])
  if (whys.length > 0) notice.value = { text: whys.join(' '), isFault: true }
}

/** What is chosen in the list that drops down comes by its own event, after this one. */
function enter(): void {
  void nextTick(() => add(typed.value))
}

function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\n\t;]/.test(text.trim())) return
  event.preventDefault()
  void add(text)
}
</script>

<template>
  <OfferField
    v-model="typed"
    class="lined"
    :offers="offered"
    :placeholder="`${free[0] ?? ''} and where it leads, or a pasted list`"
    :aria-label="`Another key of ${menu.label}`"
    @select="enter"
    @keydown.enter.prevent.stop="enter"
    @paste="paste"
  />
</template>
