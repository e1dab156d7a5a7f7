<script setup lang="ts">
import { computed, nextTick } from 'vue'
import { detailOf, type ObjectOf } from '@/api'
import { OfferField } from '@/shared'
import { suggested } from '../cells'
import { typeAt, WORDS } from '../catalogue'
import { useDesk, useDraft } from '../desk'
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

const to = typeAt('menu', 'keys/1/to')
const places = computed(() => suggested(to, names.value))

function offered(text: string): string[] {
  const key = KEY.exec(text)?.[0]
  if (key === undefined) return []
  const wanted = text.slice(key.length).trim().toLowerCase()
  return places.value.filter((each) => each.toLowerCase().includes(wanted)).map((each) => key + each)
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
  const known = said.filter((each) => each.key !== '' && each.place !== '' && !words.includes(each.place))
  const asked = [...new Set(known.map((each) => each.place))]
  try {
    const meant = new Map((await whatIsMeant(customer, asked, to.kinds ?? [])).map((each) => [each.said, each]))
    for (const each of said) {
      const found = meant.get(each.place)
      if (each.key === '' || each.place === '')
        leave(each, `"${each.text}": say the key and where it leads, such as "1 Reception".`)
      else if (keys.some((set) => set.item === each.key)) leave(each, `Key ${each.key} is set already.`)
      else if (found?.value === null) leave(each, `Key ${each.key}: ${found.fault ?? 'not understood'}.`)
      else keys.push({ item: each.key, to: found?.value ?? each.place, label: null })
    }
  } catch (error) {
    notice.value = { text: detailOf(error), isFault: true }
    return
  }
  typed.value = left.join('; ')
  if (keys.length > props.menu.fields.keys.length) await edit([{ object: props.menu.ref, path: 'keys', value: keys }])
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
