<script setup lang="ts">
import { computed } from 'vue'
import { detailOf, type BookObject } from '@/api'
import { useDesk, useDraft } from '../desk'
import { useHalfTyped } from '../halfTyped'
import { pastedPeople, peopleMeant } from '../people'
import StepButtons from '../StepButtons.vue'
import { stepped } from '../stepped'

/** People of one thing in their order: typed, pasted, moved and taken out. */
const props = defineProps<{ object: BookObject; members: readonly { item: string; who: string }[]; label: string }>()

const { customer, names, notice, mayEdit } = useDesk()
const { edit } = useDraft()
const typed = useHalfTyped(customer, `members of ${props.object.ref}`, '')
const list = computed(() => props.members)

const whole = (next: { item?: string; who: string }[]): Promise<void> =>
  edit([{ object: props.object.ref, path: 'members', value: next }])

async function add(said: string[]): Promise<void> {
  if (said.every((each) => each.trim() === '')) return
  try {
    const { found, left } = await peopleMeant(customer, said, false)
    const fresh = [...new Set(found)].filter((who) => !list.value.some((member) => member.who === who))
    typed.value = left.join(', ')
    if (fresh.length > 0) await whole([...list.value, ...fresh.map((who) => ({ who }))])
    if (left.length > 0)
      notice.value = { text: `Nobody here is called ${left.map((each) => `"${each}"`).join(', ')}.`, isFault: true }
    else if (fresh.length < found.length) notice.value = { text: 'Who is in the list already was left out.' }
  } catch (error) {
    typed.value = said.join(', ')
    notice.value = { text: detailOf(error), isFault: true }
  }
}

function paste(event: ClipboardEvent): void {
  const lines = pastedPeople(event)
  if (lines === undefined) return
  event.preventDefault()
  void add(lines)
}

function move(at: number, by: number): void {
  if (at + by < 0 || at + by >= list.value.length) return
  void edit([{ op: 'move', object: props.object.ref, path: 'members', value: stepped([...list.value], at, by) }])
}

function onKey(event: KeyboardEvent, at: number): void {
  if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
  event.preventDefault()
  move(at, event.key === 'ArrowUp' ? -1 : 1)
}
</script>

<template>
  <table v-if="list.length > 0" class="people" :aria-label="label" data-testid="people">
    <tbody>
      <tr v-for="(member, at) in list" :key="member.item" @keydown="onKey($event, at)">
        <td class="mono soft ext">{{ names.get(member.who)?.extension ?? '—' }}</td>
        <td>{{ names.of(member.who) }}</td>
        <td v-if="mayEdit" class="hands">
          <StepButtons :at :count="list.length" :what="names.of(member.who)" keys @move="move(at, $event)" />
          <button
            type="button"
            class="text-button"
            :aria-label="`take out ${names.of(member.who)}`"
            @click="whole(list.filter((each) => each.item !== member.item))"
          >
            take out
          </button>
        </td>
      </tr>
    </tbody>
  </table>
  <form v-if="mayEdit" @submit.prevent="add(typed.split(';'))">
    <el-input
      v-model="typed"
      class="lined"
      :aria-label="`New: ${label}`"
      placeholder="type a name or extension, or paste a list"
      autocomplete="off"
      @paste="paste"
    />
  </form>
</template>

<style scoped>
.people {
  width: 100%;
}

.ext {
  width: 60px;
}

.hands {
  text-align: right;
  white-space: nowrap;
}

.hands button + button {
  margin-left: 10px;
}
</style>
