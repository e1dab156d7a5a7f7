<script setup lang="ts">
import { computed, nextTick, ref, useId, watch } from 'vue'
import { client, take, type Followed } from '@/api'
import { GetsSwatch, outcomeInWords, plural, useShortcuts } from '@/shared'
import { withNames } from './calls'
import { useCallLine, useDesk, useDraft } from './desk'
import { BOOKS, useFollowing } from './following'
import LookOver from './LookOver.vue'

const PAUSE = 120

const { customer, names, notice, busy, book } = useDesk()
const { changes, clashes, undo, restore, edit } = useDraft()
const { sentence } = useCallLine()
const id = useId()
const line = ref<HTMLInputElement>()
const trace = ref<HTMLElement>()
const looking = ref(false)
const { answers, shown, which, isOpen: open, follow, next } = useFollowing()
const followed = computed(() => shown.value?.followed)
const fault = ref<{ detail: string; at: number }>()
watch(shown, (answer) => (fault.value = answer?.followed === undefined ? answer?.fault : undefined))
/** Books by which callers get something else. */
const parting = computed(() => answers.value.filter((each) => each.parts && each.of !== shown.value?.of))
const offers = ref<{ text: string; says: string }[]>([])
const chosen = ref(-1)
const params = { path: { customer } }

function look(): void {
  if (changes.value.length + clashes.value.length > 0) looking.value = true
}

let asking = 0
let timer: ReturnType<typeof setTimeout> | undefined

/** Another call is followed by the first book, and the keys go to what it says: `t` comes back here. */
async function call(): Promise<void> {
  clearTimeout(timer)
  asking++
  offers.value = []
  await follow(true)
  await nextTick()
  if (open.value) trace.value?.focus()
}

function typed(): void {
  fault.value = undefined
  chosen.value = -1
  clearTimeout(timer)
  timer = setTimeout(() => void complete(), PAUSE)
}

async function complete(): Promise<void> {
  const said = sentence.value
  const mine = ++asking
  try {
    const found = (
      await take(client.POST('/customers/{customer}/calls/completions', { params, body: { typed: said } }))
    ).offers
    if (mine === asking && document.activeElement === line.value)
      offers.value = found.filter((each) => each.text.trim() !== said.trim())
  } catch {
    offers.value = []
  }
}

function takeOffer(index: number): void {
  const offer = offers.value[index]
  if (offer === undefined) return
  sentence.value = `${offer.text} `
  offers.value = []
  chosen.value = -1
  void nextTick(() => line.value?.focus())
}

/** Arrow up and down: the hour of the call, or the keys that are pressed, whichever the caret stands on. */
function step(by: number): void {
  const input = line.value
  if (input === undefined) return
  const caret = input.selectionStart ?? sentence.value.length
  const time =
    [...sentence.value.matchAll(/\b(\d{1,2}):(\d{2})\b/g)].find(
      (found) => caret >= found.index && caret <= found.index + found[0].length,
    ) ?? sentence.value.matchAll(/\b(\d{1,2}):(\d{2})\b/g).next().value
  const key = /\b(press(?:es)?|keys?) ([0-9])/.exec(sentence.value)
  const keyAt = key === null ? -1 : key.index + key[0].length
  if (key !== null && (time === undefined || caret >= key.index)) {
    const next = (Number(key[2]) + by + 10) % 10
    sentence.value = `${sentence.value.slice(0, keyAt - 1)}${next}${sentence.value.slice(keyAt)}`
  } else if (time !== undefined) {
    const minutes = (Number(time[1]) * 60 + Number(time[2]) + by * 30 + 1440) % 1440
    const text = `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`
    sentence.value = `${sentence.value.slice(0, time.index)}${text}${sentence.value.slice(time.index + time[0].length)}`
  } else return
  void nextTick(() => {
    input.setSelectionRange(caret, caret)
  })
  void follow()
}

/** On the trace the arrows go on with the hour or the key of the call. */
function onTraceKey(event: KeyboardEvent): void {
  if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return
  event.preventDefault()
  step(event.key === 'ArrowUp' ? 1 : -1)
}

function onKey(event: KeyboardEvent): void {
  if (event.key === 'Escape') {
    if (offers.value.length > 0) offers.value = []
    else if (open.value) open.value = false
    else line.value?.blur()
  } else if (event.key === 'Enter') {
    if (chosen.value >= 0) takeOffer(chosen.value)
    else void call()
  } else if (event.key === 'Tab' && offers.value.length > 0 && !event.shiftKey) takeOffer(Math.max(0, chosen.value))
  else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    const by = event.key === 'ArrowDown' ? 1 : -1
    if (offers.value.length > 0) chosen.value = Math.max(-1, Math.min(offers.value.length - 1, chosen.value + by))
    else step(-by)
  } else return
  event.preventDefault()
  event.stopPropagation()
}

async function keep(): Promise<void> {
  const call = followed.value
  if (call === undefined) return
  const taken = new Set(
    book.data.value?.objects.filter((object) => object.kind === 'promise').map((object) => object.key),
  )
  let number = taken.size + 1
  while (taken.has(`promise-${number}`)) number++
  const text =
    `${call.sentence ?? sentence.value}: ${names.value.of(call.trace.target)} ` + outcomeInWords(call.trace.outcome)
  await edit([
    {
      op: 'create',
      object: `promise:promise-${number}`,
      path: '',
      value: {
        text,
        call: call.script,
        expect: { outcome: call.trace.outcome, target: call.trace.target, within: call.trace.seconds },
      },
    },
  ])
  if (notice.value?.isFault !== true)
    notice.value = { text: 'Kept as a promise, pending; its words can be changed under Proof.' }
}

function tellingInWords(telling: Followed['telling']): string {
  return `${outcomeInWords(telling.outcome)}: ${names.value.of(telling.target)} at ${telling.seconds} s`
}

const steps = computed(() => followed.value?.trace.steps ?? [])

defineExpose({
  look,
  focus: (): void => {
    line.value?.focus()
  },
})

useShortcuts([
  { keys: 't', label: 'the call line', scope: 'Desk', run: () => line.value?.focus() },
  { keys: 'T', label: 'the same call as edited, in the book, on the switch', scope: 'Desk', run: next },
  {
    keys: 'Escape',
    label: 'close the trace',
    scope: 'Desk',
    run: () => {
      open.value = false
    },
  },
  { keys: 'l', label: 'look over the pending changes', scope: 'Desk', run: look },
])
</script>

<template>
  <footer class="foot">
    <p
      v-if="notice !== undefined"
      class="notice"
      :class="{ fault: notice.isFault }"
      :role="notice.isFault ? 'alert' : 'status'"
      data-testid="notice"
    >
      {{ notice.text }}
      <button
        v-if="notice.revision !== undefined"
        type="button"
        class="quiet-button"
        :disabled="busy"
        @click="undo(notice.revision)"
      >
        Undo
      </button>
      <button
        v-if="notice.isDropped === true"
        type="button"
        class="quiet-button"
        :disabled="busy"
        data-testid="restore"
        @click="restore"
      >
        Put them back
      </button>
      <button type="button" class="close" aria-label="Close this note" @click="notice = undefined">×</button>
    </p>
    <!-- Takes the keys once a call was followed. -->
    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
    <section
      v-if="open && followed !== undefined"
      ref="trace"
      tabindex="-1"
      class="trace"
      aria-label="The call, step by step"
      data-testid="trace"
      @keydown="onTraceKey"
    >
      <div class="traceHead">
        <h3>{{ followed.sentence ?? sentence }}</h3>
        <span class="books" role="group" aria-label="By which book">
          <button
            v-for="each in answers"
            :key="each.of"
            type="button"
            :class="{ here: each.of === shown?.of, otherwise: each.parts }"
            :aria-pressed="each.of === shown?.of"
            @click="which = each.of"
          >
            {{ BOOKS[each.of] }}<template v-if="each.parts">: otherwise</template
            ><template v-else-if="each.followed === undefined">: not known</template>
          </button>
          <kbd v-if="answers.length > 1">T</kbd>
        </span>
        <button type="button" class="quiet-button" data-testid="keep-promise" @click="keep">Keep as promise</button>
        <button type="button" class="close" aria-label="Close the trace" @click="open = false">×</button>
      </div>
      <table>
        <thead class="visually-hidden">
          <tr>
            <th scope="col">Second</th>
            <th scope="col">Where</th>
            <th scope="col">What</th>
            <th scope="col">Why</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(each, index) in steps" :key="index">
            <td class="mono second">{{ each.at }} s</td>
            <td>{{ names.of(each.object) }}</td>
            <td>{{ each.what }}</td>
            <td class="soft">{{ withNames(each.reason, names) }}</td>
          </tr>
          <tr class="end">
            <td class="mono second">{{ followed.trace.seconds }} s</td>
            <td colspan="2">
              <GetsSwatch :gets="followed.telling.sort" /> <strong>{{ names.of(followed.trace.target) }}</strong>
              {{ outcomeInWords(followed.trace.outcome) }}
            </td>
            <td class="soft">{{ withNames(followed.trace.reason, names) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="warning in followed.trace.warnings" :key="warning" class="soft small">{{ warning }}</p>
    </section>
    <ul v-if="offers.length > 0" :id="`${id}-offers`" class="offers" role="listbox" aria-label="What may come next">
      <!-- Chosen with the arrow keys and Tab in the line below; the list itself takes only the mouse. -->
      <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
      <!-- eslint-disable vuejs-accessibility/interactive-supports-focus -->
      <li
        v-for="(offer, index) in offers"
        :id="`${id}-${index}`"
        :key="offer.text"
        role="option"
        :aria-selected="index === chosen"
        @mousedown.prevent="takeOffer(index)"
      >
        <span class="mono">{{ offer.text }}</span> <span class="soft small">{{ offer.says }}</span>
      </li>
    </ul>
    <div class="call">
      <kbd>t</kbd>
      <input
        ref="line"
        v-model="sentence"
        type="text"
        class="mono ask"
        role="combobox"
        aria-label="Call line"
        placeholder="902 555 0110 sat 10:00 press 1"
        autocomplete="off"
        :aria-expanded="offers.length > 0"
        :aria-controls="`${id}-offers`"
        :aria-activedescendant="chosen >= 0 ? `${id}-${chosen}` : undefined"
        :aria-invalid="fault !== undefined"
        :aria-describedby="`${id}-answer`"
        @input="typed"
        @keydown="onKey"
        @blur="offers = []"
      />
      <p :id="`${id}-answer`" class="answer" role="status" data-testid="call-answer">
        <span v-if="fault !== undefined" class="wrong">{{ fault.detail }}</span>
        <template v-else-if="followed !== undefined">
          <button
            v-for="each in parting"
            :key="each.of"
            type="button"
            class="parting"
            data-testid="parting"
            @click="which = each.of"
          >
            {{ BOOKS[each.of] }}: {{ each.followed === undefined ? '' : tellingInWords(each.followed.telling) }}
          </button>
          <button type="button" class="told" :aria-expanded="open" @click="open = !open">
            <template v-for="(part, index) in followed.telling.parts" :key="index"
              >{{ names.of(part.object) }} <span class="mono">{{ part.seconds }} s</span> →
            </template>
            <strong :class="followed.telling.sort"
              >{{ outcomeInWords(followed.telling.outcome)
              }}{{
                ['mailbox', 'person', 'outside'].includes(followed.telling.sort)
                  ? `: ${names.of(followed.telling.target)}`
                  : ''
              }}
              at {{ followed.telling.seconds }} s</strong
            >
          </button>
        </template>
      </p>
      <p v-if="changes.length + clashes.length > 0" class="pending">
        <span data-testid="pending"
          >{{ plural(changes.length, 'change')
          }}<template v-if="clashes.length > 0">, {{ plural(clashes.length, 'clash', 'clashes') }}</template></span
        >
        <el-button type="primary" data-testid="look-over" @click="look">Look over</el-button>
      </p>
      <p v-else class="none">nothing pending</p>
    </div>
    <LookOver v-model="looking" />
  </footer>
</template>

<style scoped>
.foot {
  position: relative;
}

@media (width < 820px) {
  .foot {
    position: sticky;
    z-index: 5;
    bottom: 0;
  }
}

.notice,
.traceHead {
  display: flex;
  gap: 12px;
  align-items: center;
}

.notice {
  padding: 7px 18px;
  border-top: 1px solid var(--rule);
  background: var(--sheet);
}

.close {
  margin-left: auto;
  padding: 0 8px;
  border: 0;
  background: none;
  cursor: pointer;
}

.books {
  display: flex;
  gap: 4px;
  align-items: center;
}

.books button {
  padding: 1px 8px;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: none;
  cursor: pointer;
}

.books .here {
  border-color: var(--ink);
  background: var(--shade);
}

.books .otherwise {
  border-color: var(--red);
  color: var(--red);
}

.parting {
  flex: 0 1 auto;
  min-width: 120px;
  margin-right: 14px;
  overflow: hidden;
  text-overflow: ellipsis;
  padding: 1px 8px;
  border: 0;
  border-radius: var(--corner);
  background: var(--red);
  color: var(--sheet);
  cursor: pointer;
}

.trace {
  position: absolute;
  right: 0;
  bottom: 44px;
  left: 0;
  z-index: 5;
  max-height: min(34vh, 320px);
  padding: 10px 18px;
  border-top: 1px solid var(--ink);
  background: var(--sheet);
  overflow-y: auto;
}

.trace table {
  table-layout: auto;
}

.trace td {
  padding: 1px 8px;
  white-space: nowrap;
}

.trace td:last-child {
  width: 100%;
  white-space: normal;
}

.trace td.second {
  width: 70px;
  text-align: right;
}

.end td {
  border-top: 1px solid var(--ink);
}

.offers {
  position: absolute;
  bottom: 44px;
  left: 46px;
  z-index: 6;
  min-width: 320px;
  margin: 0;
  padding: 4px 0;
  border: 1px solid var(--ink);
  background: var(--sheet);
  list-style: none;
}

.offers li {
  display: flex;
  gap: 16px;
  justify-content: space-between;
  padding: 3px 12px;
  cursor: pointer;
}

.offers li[aria-selected='true'],
.offers li:hover {
  background: var(--shade);
}

.call {
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 44px;
  padding: 0 18px;
  background: var(--line);
  color: var(--on-line);
}

.ask {
  flex: 0 1 380px;
  min-width: 200px;
  padding: 4px 2px;
  border: 0;
  background: none;
  color: var(--on-line);
}

.ask::placeholder,
.none {
  color: var(--on-line-soft);
}

.ask:focus-visible {
  outline-color: var(--on-line);
}

.answer {
  display: flex;
  flex: 1;
  justify-content: flex-end;
  min-width: 0;
  overflow: hidden;
  white-space: nowrap;
  color: var(--on-line-soft);
  text-align: right;
}

.told {
  max-width: 100%;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

.told strong {
  color: var(--on-line);
}

.told strong.lost,
.wrong {
  color: #ff9d85;
}

.none {
  white-space: nowrap;
}

.pending {
  display: flex;
  gap: 14px;
  align-items: center;
  white-space: nowrap;
}
</style>
