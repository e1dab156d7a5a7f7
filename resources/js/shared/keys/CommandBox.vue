<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import ModalSheet from '../components/ModalSheet.vue'
import { allCommands, foundElsewhere, matching, said, type Command } from './commands'
import { useShortcuts } from './registry'

const MOST_SHOWN = 14
/** Of what is found at other customers, at least so many are shown. */
const LEAST_ELSEWHERE = 7
const FEWEST_LETTERS = 2
const ASK_AFTER = 120

const open = ref(false)
const typed = ref('')
const at = ref(0)
useShortcuts([
  { keys: 'ctrl+k', label: 'command box: jump to anything', scope: 'everywhere', whileTyping: true, run: show },
])

const elsewhere = shallowRef<Command[]>([])
const isLooking = ref(false)
const found = computed(() => {
  if (!open.value) return []
  const here = matching(allCommands(), typed.value).slice(
    0,
    MOST_SHOWN - Math.min(LEAST_ELSEWHERE, elsewhere.value.length),
  )
  const known = new Set(here.map((each) => each.label))
  const more = elsewhere.value.filter((each) => !known.has(each.label))
  return [...said(typed.value), ...here, ...more].slice(0, MOST_SHOWN)
})

let asking = 0
let waiting: ReturnType<typeof setTimeout> | undefined
watch(typed, (now) => {
  at.value = 0
  clearTimeout(waiting)
  const mine = ++asking
  isLooking.value = now.trim().length >= FEWEST_LETTERS
  if (!isLooking.value) {
    elsewhere.value = []
    return
  }
  waiting = setTimeout(
    () =>
      void foundElsewhere(now)
        .catch(() => [])
        .then((commands) => {
          if (mine !== asking) return
          elsewhere.value = commands
          isLooking.value = false
        }),
    ASK_AFTER,
  )
})

function show(): void {
  typed.value = ''
  at.value = 0
  open.value = true
}

function move(by: number): void {
  at.value = Math.max(0, Math.min(found.value.length - 1, at.value + by))
}

function choose(command: Command | undefined): void {
  if (command === undefined) return
  open.value = false
  command.run()
}
</script>

<template>
  <ModalSheet v-model="open" title="Jump to" :closable="false">
    <input
      v-model="typed"
      data-takes-keys
      class="typed"
      type="text"
      role="combobox"
      aria-label="Customer, town, number, extension, user, rule or what to do"
      aria-expanded="true"
      aria-controls="command-list"
      :aria-activedescendant="found.length > 0 ? `command-${at}` : undefined"
      placeholder="Customer, town, number, extension, user, rule or what to do"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="choose(found[at])"
    />
    <ul id="command-list" class="found" role="listbox" aria-label="Found">
      <!-- Chosen with the arrow keys in the field above; the list itself takes only the mouse. -->
      <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
      <!-- eslint-disable vuejs-accessibility/interactive-supports-focus -->
      <li
        v-for="(command, index) in found"
        :id="`command-${index}`"
        :key="`${index} ${command.kind} ${command.label}`"
        role="option"
        :aria-selected="index === at"
        @click="choose(command)"
        @mousemove="at = index"
      >
        <span>{{ command.label }}</span>
        <span class="soft small">{{ command.kind }}</span>
      </li>
    </ul>
    <p v-if="found.length === 0" class="soft" role="status">
      {{ isLooking ? 'Looking …' : 'Nothing is called that, here or at another customer of yours.' }}
    </p>
  </ModalSheet>
</template>

<style scoped>
.typed {
  width: 100%;
  padding: 8px 10px;
  border: 1px solid var(--ink-soft);
  border-radius: var(--corner);
  background: var(--sheet);
}

.found {
  margin: 10px 0 0;
  padding: 0;
  list-style: none;
}

.found li {
  display: flex;
  justify-content: space-between;
  padding: 5px 10px;
  border-bottom: 1px solid var(--rule-soft);
  cursor: pointer;
}

.found li[aria-selected='true'] {
  background: var(--shade);
  box-shadow: inset 3px 0 var(--buoy);
}
</style>
