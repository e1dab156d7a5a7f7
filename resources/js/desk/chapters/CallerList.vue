<script setup lang="ts">
import { computed, ref } from 'vue'
import { client, take, type BookObject } from '@/api'
import { ChoiceField, OfferField, useAttempt } from '@/shared'
import { callersInWords, writeCallers } from '../callers'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import StepButtons from '../StepButtons.vue'
import { freeItem, stepped } from '../stepped'
import { whatIsMeant } from '../meant'
import { TAKES_CALLS } from '../catalogue'
import { placesLike } from '../places'

/**
 * Callers who are treated otherwise, in order: the first line that fits takes a call. Made by picking; with a field
 * that says for any caller which line it is.
 */
const { object, path, of } = defineProps<{
  object: BookObject
  /** A list of the object: of its own callers, with where they go, or of those who are blocked. */
  path: 'callerRules' | 'blocked'
  /** The number that callers are tried on. */
  of: string
}>()

interface Line {
  item: string
  callers: string
  then?: string | null
}

const { customer, names, mayEdit } = useDesk()
const { edit } = useDraft()
const lines = computed(() => ((object.fields as unknown as Record<string, unknown>)[path] ?? []) as Line[])
const leads = computed(() => path === 'callerRules')

const WAYS = computed(() => [
  ['one', 'the number'] as const,
  ['begins', 'numbers that begin with'] as const,
  ['withheld', 'withheld numbers'] as const,
  ...(leads.value ? [['anyone', 'anybody'] as const] : []),
])
const way = ref<'one' | 'begins' | 'withheld' | 'anyone'>('one')
const typed = ref('')
const then = ref('')
const { busy, faults, attempt } = useAttempt()
const wrong = ref('')
const OUTSIDE = 'outside:+'

/** The beginning of a number, as people write it: `+1 902`, or the digits with the country code. */
function beginning(): string | undefined {
  const digits = typed.value.replaceAll(/[\s().-]/g, '').replace(/^\+|^00/, '')
  return /^[1-9]\d{0,13}$/.test(digits) ? digits : undefined
}

const add = (): Promise<void> =>
  attempt(async () => {
    wrong.value = ''
    let callers: string = way.value
    if (way.value === 'begins') {
      const digits = beginning()
      if (digits === undefined) wrong.value = `“${typed.value}” begins no number: country code first, such as +1 902.`
      callers = writeCallers('begins', digits ?? '')
    } else if (way.value === 'one') {
      const [number] = await whatIsMeant(customer, [typed.value], [], true)
      if (number?.value?.startsWith(OUTSIDE) !== true)
        wrong.value = number?.fault ?? `“${typed.value}” is no telephone number.`
      callers = writeCallers('one', number?.value?.slice(OUTSIDE.length) ?? '')
    }
    const line: Line = { item: freeItem(lines.value, 'callers'), callers }
    if (leads.value) {
      const [place] = then.value.trim() === '' ? [] : await whatIsMeant(customer, [then.value], TAKES_CALLS, true)
      if (place?.value === null) wrong.value ||= place.fault ?? `nothing here is called “${then.value}”`
      line.then = place?.value ?? null
      if (then.value.trim() === '') wrong.value ||= 'Say where they go.'
    }
    if (wrong.value !== '') return
    await edit([{ object: object.ref, path, value: [...lines.value, line] }])
    typed.value = then.value = ''
  })
function remove(item: string): void {
  void edit([{ object: object.ref, path, value: lines.value.filter((each) => each.item !== item) }])
}
function move(at: number, by: number): void {
  void edit([{ op: 'move', object: object.ref, path, value: stepped(lines.value, at, by) }])
}

const caller = ref('')
const { busy: isTrying, faults: tryFaults, attempt: tries } = useAttempt()
const verdict = ref<{ from: string; verdict: 'blocked' | 'rule' | 'caller'; rule: string | null }>()
const tryOut = (): Promise<void> =>
  tries(async () => {
    verdict.value = undefined
    verdict.value = await take(
      client.GET('/customers/{customer}/numbers/{number}/caller', {
        params: { path: { customer, number: of }, query: { from: caller.value } },
      }),
    )
  })
const answer = computed(() => {
  const told = verdict.value
  if (told === undefined) return ''
  const who = told.from === 'withheld' ? 'A withheld number' : told.from
  if (told.verdict === 'blocked') return `${who} is blocked: the call ends at once.`
  const rule = lines.value.find((each) => each.item === told.rule)
  if (told.verdict === 'rule' && rule !== undefined)
    return `${who} goes to ${names.value.of(rule.then ?? '')}, by line ${lines.value.indexOf(rule) + 1}.`
  return `${who} is let through, as anybody.`
})
</script>

<template>
  <div class="callers" :data-testid="path">
    <ol v-if="lines.length > 0">
      <li v-for="(line, at) in lines" :key="line.item" :class="{ takes: verdict?.rule === line.item }">
        <span class="mono place">{{ at + 1 }}</span>
        <span class="who">{{ callersInWords(line.callers) }}</span>
        <template v-if="leads">
          → <InlineField :object :path="`${path}/${line.item}/then`" :label="`Where line ${at + 1} leads`" />
        </template>
        <span v-if="mayEdit" class="hand">
          <StepButtons :at="at" :count="lines.length" :what="`line ${at + 1}`" @move="move(at, $event)" />
          <button type="button" class="text-button" :aria-label="`Line ${at + 1} away`" @click="remove(line.item)">
            take away
          </button>
        </span>
      </li>
    </ol>
    <p v-else class="soft">{{ leads ? 'Nobody: all callers go where the number leads.' : 'Nobody.' }}</p>
    <form v-if="mayEdit" class="add" novalidate @submit.prevent="add">
      <ChoiceField v-model="way" :options="WAYS" aria-label="Which callers" />
      <el-input
        v-if="way === 'one' || way === 'begins'"
        v-model="typed"
        class="number"
        size="small"
        :placeholder="way === 'one' ? '902 555 0123' : '+1 902'"
        aria-label="Number of callers"
        autocomplete="off"
      />
      <template v-if="leads">
        →
        <OfferField
          v-model="then"
          :offers="(text) => placesLike(names, text)"
          placeholder="where they go"
          aria-label="Where they go"
        />
      </template>
      <button type="submit" class="quiet-button" :disabled="busy">Add</button>
    </form>
    <p v-if="wrong !== '' || faults[''] !== undefined" class="fault" role="alert">{{ wrong || faults[''] }}</p>
    <form v-if="leads" class="try" novalidate @submit.prevent="tryOut">
      <label :for="`try-${path}`" class="soft">Who is let through?</label>
      <el-input
        :id="`try-${path}`"
        v-model="caller"
        class="number"
        size="small"
        placeholder="a caller’s number, or withheld"
        autocomplete="off"
      />
      <button type="submit" class="quiet-button" :disabled="isTrying || caller.trim() === ''">Try</button>
      <span role="status" :class="{ fault: tryFaults['from'] !== undefined || tryFaults[''] !== undefined }">{{
        tryFaults['from'] ?? tryFaults[''] ?? answer
      }}</span>
    </form>
  </div>
</template>

<style scoped>
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li,
.add,
.try {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  padding: 3px 0;
}

li {
  border-bottom: 1px solid var(--rule);
}

.takes {
  background: color-mix(in srgb, var(--buoy) 9%, transparent);
}

.place {
  width: 20px;
  color: var(--ink-soft);
}

.hand {
  display: flex;
  gap: 8px;
  margin-left: auto;
}

label {
  flex-basis: 100%;
}

.number {
  width: 150px;
}

.add :deep(.el-select) {
  width: 160px;
}

.add :deep(.el-autocomplete) {
  width: 140px;
}

.try .number {
  width: 210px;
}
</style>
