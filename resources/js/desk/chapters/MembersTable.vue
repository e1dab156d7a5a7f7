<script setup lang="ts">
import { computed } from 'vue'
import { plural, useKeysTold } from '@/shared'
import { detailOf, type ObjectOf } from '@/api'
import { typeAt } from '../catalogue'
import { read } from '../cells'
import { cellKey, useDesk, useDraft } from '../desk'
import { useHalfTyped } from '../halfTyped'
import InlineField from '../InlineField.vue'
import StepButtons from '../StepButtons.vue'
import { stepped } from '../stepped'
import { pastedPeople, peopleMeant } from '../people'
import { QUIET_DAYS, useCallRecords } from '../callRecords'

type Member = ObjectOf<'group'>['fields']['members'][number]

/** Who is in a hunt group, in ring order: a list one types, pastes and reorders. */
const props = defineProps<{ group: ObjectOf<'group'> }>()

const { customer, names, notice } = useDesk()
const { edit, faults } = useDraft()
const typed = useHalfTyped(customer, `members of ${props.group.ref}`, '')

const { records, byUser } = useCallRecords(QUIET_DAYS)
const isCounted = computed(() => (records.data.value?.whole.calls ?? 0) > 0)

function tally(who: string): { rang: number; answered: number } | undefined {
  return byUser.value.get(who)
}

/** Whether they take the calls they are given: the reason to leave somebody in, or out. */
function took(who: string): string {
  // The column is there before the calls are: nothing jumps as they come.
  if (!isCounted.value) return '—'
  const told = tally(who)
  if (told === undefined) return 'never rang'
  return told.answered === 0 ? `answered none of ${told.rang}` : `answered ${told.answered} of ${told.rang}`
}

const members = computed(() => props.group.fields.members)
const isByShare = computed(() => props.group.fields.order === 'weighted')
const isByHand = computed(() => props.group.fields.signInBy !== 'administrator')

async function whole(next: Partial<Member>[]): Promise<void> {
  await edit([{ object: props.group.ref, path: 'members', value: next }])
}

function move(index: number, by: number): void {
  if (index + by < 0 || index + by >= members.value.length) return
  void edit([{ op: 'move', object: props.group.ref, path: 'members', value: stepped(members.value, index, by) }])
}

/** A hundred of the calls, in as equal shares as whole numbers allow. */
function shareAlike(): void {
  const each = Math.floor(100 / members.value.length)
  const over = 100 - each * members.value.length
  void edit(
    members.value.map((member, place) => ({
      object: props.group.ref,
      path: `members/${member.item}/share`,
      value: each + (place < over ? 1 : 0),
    })),
  )
}

/** A column of shares, from the pasted one on. */
async function pasteShares(event: ClipboardEvent, from: number): Promise<void> {
  const shares = texts((event.clipboardData?.getData('text/plain') ?? '').split(/[\n\r\t;]+/))
  if (shares.length < 2) return
  event.preventDefault()
  event.stopPropagation()
  // What stood in the open field is not kept over what was pasted.
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
  const edits = shares.flatMap((typed, down) => {
    const item = members.value[from + down]?.item
    if (item === undefined) return []
    const path = `members/${item}/share`
    const result = read(typed, typeAt('group', path))
    if (!('fault' in result)) return [{ object: props.group.ref, path, value: result.value, typed }]
    faults.set(cellKey(props.group.ref, path), { typed, detail: result.fault })
    return []
  })
  if (edits.length > 0) await edit(edits, { keepsRest: true })
  const over = from + shares.length - members.value.length
  if (over > 0)
    notice.value = {
      text: `The list has ${plural(over, 'share')} more than there are members from here on; those were left out.`,
      isFault: true,
    }
}

function remove(item: string): void {
  void whole(members.value.filter((member) => member.item !== item))
}

const texts = (said: string[]): string[] => said.map((each) => each.trim()).filter((each) => each !== '')

/** Names, extensions or outside numbers, one or a pasted list; what is not understood stays in the line. */
async function add(said: string[]): Promise<void> {
  if (texts(said).length === 0) return
  try {
    const { found, left } = await peopleMeant(customer, said)
    const next: Partial<Member>[] = [...members.value]
    for (const who of found)
      if (next.some((member) => member.who === who))
        notice.value = { text: `${names.value.of(who)} is in the list already.` }
      else next.push({ who })
    typed.value = left.join(', ')
    if (next.length > members.value.length) await whole(next)
    if (left.length > 0)
      notice.value = {
        text:
          `Nobody here is called ${left.map((each) => `"${each}"`).join(', ')}` +
          (found.length > 0 ? '; the others were added.' : '.'),
        isFault: true,
      }
  } catch (error) {
    // Where the server cannot be asked, all of it stays in the line.
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

function onKey(event: KeyboardEvent, index: number): void {
  if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
  event.preventDefault()
  move(index, event.key === 'ArrowUp' ? -1 : 1)
}

useKeysTold('among members', { 'Alt ↑ ↓': 'move the member' })
</script>

<template>
  <table data-testid="members">
    <thead>
      <tr>
        <th scope="col">#</th>
        <th scope="col">Member</th>
        <th scope="col">Ext</th>
        <th scope="col">{{ isByHand ? 'Starts signed in' : 'Signed in' }}</th>
        <th scope="col">Tier</th>
        <th v-if="isByShare" scope="col">Share</th>
        <th scope="col">Confirms by a key</th>
        <th scope="col">In {{ QUIET_DAYS }} days</th>
        <td class="corner" />
      </tr>
    </thead>
    <tbody>
      <tr v-for="(member, index) in members" :key="member.item" @keydown="onKey($event, index)">
        <td class="mono soft">{{ index + 1 }}</td>
        <td><InlineField :object="group" :path="`members/${member.item}/who`" :label="`Member ${index + 1}`" /></td>
        <td class="mono">
          {{ names.get(member.who)?.extension ?? (member.who.startsWith('outside:') ? 'outside' : '—') }}
        </td>
        <td>
          <InlineField
            :object="group"
            :path="`members/${member.item}/signedIn`"
            :label="`${names.of(member.who)} signed in`"
          />
        </td>
        <td>
          <InlineField
            :object="group"
            :path="`members/${member.item}/tier`"
            :label="`Tier of ${names.of(member.who)}`"
          />
        </td>
        <td v-if="isByShare" @paste.capture="pasteShares($event, index)">
          <InlineField
            :object="group"
            :path="`members/${member.item}/share`"
            :label="`Share of ${names.of(member.who)}`"
          />
        </td>
        <td>
          <InlineField
            v-if="member.who.startsWith('outside:')"
            :object="group"
            :path="`members/${member.item}/confirm`"
            :label="`${names.of(member.who)} confirms`"
          /><span v-else class="soft">as their phones say</span>
        </td>
        <td :class="{ quiet: tally(member.who)?.answered === 0 }">{{ took(member.who) }}</td>
        <td class="hands">
          <StepButtons
            :at="index"
            :count="members.length"
            :what="names.of(member.who)"
            keys
            @move="move(index, $event)"
          />
          <button
            type="button"
            class="text-button"
            :aria-label="`take out ${names.of(member.who)}`"
            @click="remove(member.item)"
          >
            take out
          </button>
        </td>
      </tr>
      <tr>
        <td class="mono soft">{{ members.length + 1 }}</td>
        <td colspan="6">
          <form @submit.prevent="add(typed.split(';'))">
            <el-input
              v-model="typed"
              class="lined add"
              aria-label="New member"
              placeholder="type a name, extension or outside number, or paste a list"
              autocomplete="off"
              @paste="paste"
            />
          </form>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="isByShare && members.length > 1">
    <button type="button" class="text-button" @click="shareAlike">Share alike</button>
  </p>
</template>

<style scoped>
.quiet {
  color: var(--buoy);
}

td {
  white-space: nowrap;
}

.hands {
  text-align: right;
}

.hands button + button {
  margin-left: 10px;
}

.hands button:disabled {
  visibility: hidden;
}

.add {
  width: 100%;
}
</style>
