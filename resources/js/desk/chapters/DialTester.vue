<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { client, detailOf, take, type BookObject } from '@/api'
import { asSentence, OfferField, useShortcuts } from '@/shared'
import { useDesk } from '../desk'
import { whatIsMeant } from '../meant'

/** Who dials what, and what becomes of it, with a reason for every route as one types. */
defineProps<{ trunks: BookObject[] }>()
const digits = defineModel<string>({ required: true })

/** Who leads callers on: nobody dials there, and the class is the object's. */
const LEADERS = ['group', 'chain', 'menu', 'attendant', 'mailbox'] as const

const { customer, names } = useDesk()
const who = ref('')
const at = ref('')
const full = ref<string[]>([])
const input = ref<{ focus: () => void }>()

const users = computed(() => names.value.objects.filter((object) => object.kind === 'user'))
/** A user without an extension only leads calls on to a mobile; nobody dials there. */
const usual = computed(() => users.value.find((user) => user.extension !== null) ?? users.value[0])
function usersLike(typed: string): string[] {
  const wanted = typed.trim().toLowerCase()
  return users.value
    .map((user) => `${user.extension ?? ''} ${user.label}`.trim())
    .filter((each) => each.toLowerCase().includes(wanted))
}
const said = computed(() => who.value.trim())
/** Whom a name means is the server's to say. */
const meant = useQuery({
  queryKey: computed(() => ['computed', customer, 'meant', said.value]),
  queryFn: () => whatIsMeant(customer, [said.value], ['user', ...LEADERS], false),
  enabled: () => said.value !== '',
  retry: false,
})
const sender = computed(() =>
  said.value === '' ? (usual.value?.ref ?? 'national') : (meant.data.value?.[0]?.value ?? undefined),
)
/** Why it is not known who dials: nobody is called so, or several are, or the server could not be asked. */
const unknown = computed(() => {
  if (said.value === '') return undefined
  if (meant.error.value !== null) return detailOf(meant.error.value)
  const fault = meant.data.value?.[0]?.fault ?? undefined
  return fault === undefined ? undefined : asSentence(fault)
})
/** Spaces and brackets are how people write numbers, not what they dial. */
const isLed = computed(() => LEADERS.some((kind) => sender.value?.startsWith(`${kind}:`)))
const dialled = computed(() => digits.value.replace(/[\s().-]/g, '').replace(/^\+/, isLed.value ? '' : '+'))

/** A question for each key would come to many; what is typed within a moment is one. */
const PAUSE = 120
const asked = ref({ who: '', digits: '', at: '', led: false, full: [] as string[] })
let pause: ReturnType<typeof setTimeout> | undefined
watch(
  [sender, dialled, at, full],
  () => {
    clearTimeout(pause)
    pause = setTimeout(
      () =>
        (asked.value = {
          who: sender.value ?? '',
          digits: dialled.value,
          at: at.value.trim(),
          led: isLed.value,
          full: full.value,
        }),
      PAUSE,
    )
  },
  { immediate: true, deep: true },
)
const answer = useQuery({
  queryKey: computed(() => ['computed', customer, 'dial', asked.value]),
  queryFn: () =>
    take(
      client.POST('/customers/{customer}/outbound/dial', {
        params: { path: { customer } },
        body: {
          who: asked.value.who,
          digits: asked.value.digits,
          at: asked.value.at === '' ? null : asked.value.at,
          led: asked.value.led ? 'outside' : null,
          full: asked.value.full,
        },
      }),
    ),
  enabled: () => asked.value.who !== '' && asked.value.digits !== '',
  placeholderData: keepPreviousData,
  retry: false,
})
const result = computed(() =>
  sender.value === undefined || asked.value.digits === '' || answer.error.value !== null
    ? undefined
    : answer.data.value,
)
const shown = computed(() => {
  const callerId = result.value?.callerId
  if (callerId === null || callerId === undefined) return ''
  return callerId.shown === ''
    ? `The other side sees ${callerId.whose}.`
    : `The other side sees ${callerId.shown}, ${callerId.whose}.`
})
const VOUCHED = { full: 'in full', partial: 'in part', gateway: 'only for where it came in' }
/** What the carrier says to the other side's of the number that is shown. */
const vouched = computed(() => {
  const told = result.value?.vouched
  return told === null || told === undefined
    ? ''
    : `The carrier vouches for it ${VOUCHED[told.level]} (${told.claim}): ${told.why}.`
})

useShortcuts([{ keys: 'd', label: 'dial tester', scope: 'Outbound', run: () => input.value?.focus() }])
</script>

<template>
  <section class="tester" aria-label="Dial tester">
    <p class="line">
      <OfferField
        v-model="who"
        class="lined who"
        :offers="usersLike"
        :trigger-on-focus="false"
        :placeholder="usual?.label ?? 'anybody'"
        aria-label="Who dials"
        :aria-invalid="unknown !== undefined"
        autocomplete="off"
      />
      {{ isLed ? 'leads callers from outside on to' : 'dials' }}
      <el-input
        ref="input"
        v-model="digits"
        class="lined mono digits"
        inputmode="tel"
        placeholder="1 902 555 0199"
        aria-label="What is dialled"
        autocomplete="off"
        data-testid="dialled"
      />
      at
      <el-input
        v-model="at"
        class="lined mono at"
        placeholder="now"
        aria-label="When, as 2026-12-24T20:00"
        autocomplete="off"
      />
      <kbd>d</kbd>
    </p>
    <p v-if="trunks.length > 0" class="small soft">
      Say that there is no channel free on
      <el-checkbox-group v-model="full" class="full" aria-label="No channel free on" size="small">
        <el-checkbox v-for="trunk in trunks" :key="trunk.ref" :value="trunk.ref" :label="trunk.label" />
      </el-checkbox-group>
    </p>
    <p v-if="unknown !== undefined" class="fault" role="alert">{{ unknown }}</p>
    <p v-else-if="asked.digits !== '' && answer.error.value !== null" class="fault" role="alert">
      {{ detailOf(answer.error.value) }}
    </p>
    <div v-if="result !== undefined" class="result" aria-live="polite" data-testid="dial-result">
      <p :class="['end', result.end]">
        <strong>{{ result.words }}</strong>: {{ result.reason }}.
      </p>
      <p v-if="result.route !== null">
        Sent: <span class="mono">{{ result.sent === '' ? 'nothing' : result.sent }}</span><template
          v-if="result.read !== null"
          >, which is <span class="mono">{{ result.read }}</span></template
        >. {{ shown }} <span class="soft">{{ vouched }}</span>
      </p>
      <p v-for="remark in result.remarks" :key="remark" class="remark">Mind: {{ remark }}.</p>
      <ol class="said">
        <li v-for="each in result.routes" :key="each.route" :class="each.verdict">
          <span class="verdict">{{ each.words }}</span> <strong>{{ names.of(each.route) }}</strong>
          {{ ' ' }}
          <span class="soft">{{ each.why === each.words ? '' : each.why }}</span>
        </li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
.full {
  display: inline-flex;
  gap: 4px 14px;
  margin-left: 8px;
  vertical-align: middle;
}

.tester {
  padding: 4px 0 12px;
  border-bottom: 1px solid var(--rule);
}

.line {
  display: flex;
  gap: 10px;
  align-items: baseline;
}

.line > .who {
  flex: 0 0 230px;
}

.line > .digits {
  flex: 0 0 210px;
  font-size: 16px;
}

.line > .at {
  flex: 0 0 170px;
}

label {
  margin-left: 10px;
}

.result {
  padding-top: 8px;
}

.end.nowhere,
.end.waits,
.remark {
  color: var(--red);
}

.end.waits {
  color: var(--ochre);
}

.said {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}

.said li {
  display: grid;
  grid-template-columns: 100px 180px 1fr;
  padding: 2px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.said li:not(.takes) strong {
  font-weight: 400;
}

.said .takes .verdict {
  color: var(--teal);
  font-weight: 600;
}

.verdict {
  color: var(--ink-soft);
}
</style>
