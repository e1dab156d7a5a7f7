<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import type { UploadFile } from 'element-plus'
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { client, take, type Port } from '@/api'
import {
  age,
  ChoiceField,
  DayField,
  dayInWords,
  EmptyState,
  ErrorState,
  FieldRow,
  LoadingLines,
  PageTop,
  plural,
  readHours,
  TextRow,
  useAttempt,
  useNow,
  useTitle,
} from '@/shared'
import CutOverSheet from './CutOverSheet.vue'
import { placeOf, portInWords, REASONS, WAY } from './ports'

/** One port: what it says, its papers, how far it is at the carrier, and what to do on its day. */
const route = useRoute()
const customer = String(route.params['customer'])
const id = String(route.params['port'])
const queryClient = useQueryClient()
const now = useNow()
const params = { path: { customer, port: id } }
const queryKey = ['ports', customer]
const ports = useQuery({
  queryKey,
  queryFn: async () =>
    (await take(client.GET('/customers/{customer}/ports', { params: { path: { customer } } }))).ports,
})
const port = computed(() => ports.data.value?.find((each) => each.id === id))
const { busy, faults, attempt } = useAttempt()
const outcome = ref('')

const said = reactive({
  name: '',
  street: '',
  city: '',
  postcode: '',
  losingCarrier: '',
  account: '',
  billing: '',
  signatory: '',
  pin: '',
  staying: '',
  stayingMain: '',
  day: '',
  hours: '',
})
const isPart = ref(false)
function asKept(kept: Port): typeof said {
  const { name, street, city, postcode, losingCarrier, account, billing, signatory, day, hours } = kept
  const staying = kept.staying.join(', ')
  return {
    ...{ name, street, city, postcode, losingCarrier, account, billing, signatory, day, hours, staying },
    stayingMain: kept.stayingMain,
    pin: '',
  }
}
watch(
  port,
  (kept) => {
    if (kept === undefined) return
    Object.assign(said, asKept(kept))
    isPart.value = kept.isPart
  },
  { immediate: true },
)
const isChanged = computed(() => {
  const kept = port.value
  if (kept === undefined) return false
  return isPart.value !== kept.isPart || JSON.stringify(asKept(kept)) !== JSON.stringify({ ...asKept(kept), ...said })
})

/** What is missing, or what the other carrier took amiss, at its field. */
const lacking = computed(() => {
  const kept = port.value
  if (kept === undefined) return {}
  const lacks = Object.fromEntries(kept.lacks.map((each) => [each.at, each.why]))
  return kept.state === 'rejected' && kept.remarkAt !== null ? { ...lacks, [kept.remarkAt]: kept.remark } : lacks
})
/** Whoever has just typed into a field is not told what it lacked before. */
const isTyped = (field: string): boolean => {
  const kept = port.value === undefined ? undefined : (asKept(port.value) as Record<string, unknown>)
  return kept !== undefined && field in kept && kept[field] !== (said as Record<string, unknown>)[field]
}
const at = (field: string): string | undefined =>
  faults.value[field] ?? (isTyped(field) ? undefined : lacking.value[field])

const TEXTS = [
  ['name', 'In the name of', 'As the customer’s latest bill says it, to the letter; so are the next five.'],
  ['street', 'Address', null],
  ['city', 'Town', null],
  ['postcode', 'Postcode', null],
  ['losingCarrier', 'Losing carrier', null],
  ['account', 'Account', null],
  ['billing', 'Billed to the number', 'Where the bill names one.'],
  ['signatory', 'Who signs', 'Somebody who may, for this account.'],
] as const

function keep(kept: Port, words: string): void {
  queryClient.setQueryData<Port[]>(queryKey, (all) => (all ?? []).map((each) => (each.id === id ? kept : each)))
  outcome.value = words
}
const act = (words: string, work: () => Promise<{ port: Port }>): Promise<void> =>
  attempt(async () => {
    outcome.value = ''
    keep((await work()).port, words)
  })

const save = (): Promise<void> =>
  act('Kept.', () =>
    take(
      client.PUT('/customers/{customer}/ports/{port}', {
        params,
        body: {
          ...said,
          hours: readHours(said.hours),
          pin: said.pin === '' ? null : said.pin,
          isPart: isPart.value,
          numbers: port.value?.numbers ?? [],
        },
      }),
    ),
  )
const send = (): Promise<void> =>
  act('Sent to the carrier.', () => take(client.POST('/customers/{customer}/ports/{port}/sending', { params })))
const withdraw = (): Promise<void> =>
  act('Withdrawn.', () => take(client.POST('/customers/{customer}/ports/{port}/withdrawal', { params })))

const until = ref('')
const lend = (): Promise<void> =>
  act('A number is lent.', () =>
    take(client.POST('/customers/{customer}/ports/{port}/loan', { params, body: { until: until.value } })),
  )

const reason = ref('')
const answer = (agreed: boolean): Promise<void> =>
  act(agreed ? 'Agreed to.' : 'Refused.', () =>
    take(
      client.POST('/customers/{customer}/ports/{port}/answer', {
        params,
        body: { agreed, reason: reason.value === '' ? null : (reason.value as (typeof REASONS)[number][0]) },
      }),
    ),
  )

const read = (): Promise<void> =>
  attempt(async () => {
    outcome.value = ''
    const all = await take(client.POST('/customers/{customer}/ports/read', { params: { path: { customer } } }))
    queryClient.setQueryData(queryKey, all.ports)
    outcome.value = 'Read from the carrier.'
  })

const dated = ref('')
const upload = (paper: 'authority' | 'bill', file: UploadFile): Promise<void> =>
  act('Put with it.', async () => {
    const query = { paper, name: file.name, ...(paper === 'bill' ? { dated: dated.value } : {}) }
    return take(
      client.POST('/customers/{customer}/ports/{port}/papers', {
        params: { ...params, query },
        body: (file.raw ?? new Blob()) as unknown as string,
        bodySerializer: (body) => body as unknown as BodyInit,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    )
  })
const PAPERS = [
  ['authority', 'Letter of authority, signed'],
  ['bill', 'Latest bill'],
] as const
const papers = (kind: string): Port['papers'] => port.value?.papers.filter((each) => each.kind === kind) ?? []
const address = (tail: string): string => `/api/customers/${customer}/ports/${id}/${tail}`
const language = ref<'en' | 'fr-CA'>('en')

const title = computed(() => {
  const kept = port.value
  if (kept === undefined) return 'Port'
  const others = kept.losingCarrier === '' ? 'another carrier' : kept.losingCarrier
  return kept.direction === 'in' ? `Port from ${others}` : `Numbers that leave to ${others}`
})
useTitle(() => [title.value, customer])
</script>

<template>
  <PageTop
    ><router-link :to="`/customers/${customer}/numbers`">‹ Numbers of this customer</router-link>
    <h1 class="title">{{ title }}</h1>
    <template #hand><router-link to="/ports">Ports</router-link></template></PageTop
  >
  <main class="port">
    <LoadingLines v-if="ports.isPending.value" what="the port" />
    <ErrorState v-else-if="ports.error.value !== null" :error="ports.error.value" @again="ports.refetch()" />
    <EmptyState v-else-if="port === undefined" title="There is no such port"
      ><router-link :to="`/customers/${customer}/numbers`"
        >Look at the numbers of this customer</router-link
      ></EmptyState
    >
    <template v-else>
      <p class="outcome" :class="{ said: outcome !== '' }" role="status">{{ outcome }}</p>
      <p class="numbers">
        <span v-for="each in port.shown" :key="each" class="mono">{{ each }}</span>
        <span class="soft"
          >{{ port.isTollFree ? 'toll-free, ' : '' }}{{ portInWords(port.state) }}, {{ dayInWords(port.day) }}
          {{ port.hours }}<template v-if="port.openedBy !== null"> · begun by {{ port.openedBy }}</template
          ><template v-if="port.readAt !== null"> · read {{ age(port.readAt, now) }}</template></span
        >
      </p>
      <el-steps
        v-if="port.direction === 'in' && port.state !== 'withdrawn'"
        :active="placeOf(port)"
        :process-status="port.state === 'rejected' || port.state === 'failedBack' ? 'error' : 'process'"
        finish-status="success"
        align-center
      >
        <el-step v-for="[state, label] in WAY" :key="state" :title="label" />
      </el-steps>
      <p v-if="port.state === 'rejected' || port.state === 'failedBack'" class="turned" role="alert">
        {{ port.state === 'rejected' ? 'The losing carrier turned it down' : 'It was tried and failed back' }}:
        {{ port.remark }}.
        {{ port.state === 'rejected' ? 'Mend it below, and send it again.' : 'The numbers are with the old carrier.' }}
      </p>
      <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>

      <template v-if="port.direction === 'out'">
        <section>
          <h2>Another carrier asks for them</h2>
          <p>
            {{ port.losingCarrier }} asks in the name of {{ port.name }}; they go on {{ dayInWords(port.day) }}.
            <template v-if="port.state === 'asked' && port.answerBy !== null"
              >Who has not answered by {{ dayInWords(port.answerBy) }} has agreed.</template
            >
          </p>
          <p v-if="port.state === 'asked'" class="acts">
            <el-button type="primary" :disabled="busy" @click="answer(true)">Let them go</el-button>
            <ChoiceField v-model="reason" :options="REASONS" placeholder="or why not" aria-label="Why they do not go" />
            <button type="button" class="quiet-button" :disabled="busy || reason === ''" @click="answer(false)">
              Refuse
            </button>
          </p>
        </section>
      </template>

      <div v-else class="halves">
        <form novalidate @submit.prevent="save">
          <h2>What it says</h2>
          <fieldset :disabled="!port.mayMend">
            <TextRow
              v-for="[key, label, help] in TEXTS"
              :key="key"
              v-model="said[key]"
              :label
              :help
              :fault="at(key)"
              :name="key"
              :disabled="!port.mayMend"
              autocomplete="off"
            />
            <TextRow
              v-model="said.pin"
              label="Port PIN"
              :help="
                port.hasPin
                  ? 'One is kept; it is shown to nobody. Type another to replace it.'
                  : 'Where the account has one.'
              "
              :fault="at('pin')"
              name="pin"
              :disabled="!port.mayMend"
              autocomplete="off"
            />
            <FieldRow
              v-slot="field"
              label="Of the account"
              :fault="at('numbers') ?? (isPart ? undefined : (at('stayingMain') ?? at('staying')))"
            >
              <el-radio-group :id="field.id" v-model="isPart" :disabled="!port.mayMend">
                <el-radio :value="false">all numbers come over</el-radio>
                <el-radio :value="true">some stay</el-radio>
              </el-radio-group>
            </FieldRow>
            <template v-if="isPart">
              <TextRow
                v-model="said.staying"
                label="These stay"
                help="Numbers and ranges, as far as they are known."
                :fault="at('staying')"
                name="staying"
                :disabled="!port.mayMend"
                autocomplete="off"
              />
              <TextRow
                v-model="said.stayingMain"
                label="Their main number"
                help="What the account is called by from then on."
                :fault="at('stayingMain')"
                name="stayingMain"
                :disabled="!port.mayMend"
                autocomplete="off"
              />
            </template>
            <FieldRow v-slot="field" label="Wanted on" :fault="at('day')">
              <DayField :id="field.id" v-model="said.day" :disabled="!port.mayMend" />
            </FieldRow>
            <TextRow
              v-model="said.hours"
              label="In the hours"
              help="As 09:00-12:00; left empty, any."
              :fault="at('hours')"
              name="hours"
              :disabled="!port.mayMend"
              autocomplete="off"
            />
          </fieldset>
          <p v-if="port.mayMend" class="acts">
            <el-button type="primary" native-type="submit" :disabled="busy || !isChanged">Keep</el-button>
          </p>
        </form>
        <div>
          <h2>Papers</h2>
          <p class="acts">
            <a class="quiet-button" :href="address(`letter?language=${language}`)" download
              >Letter of authority as PDF</a
            >
            <ChoiceField
              v-model="language"
              in-sentence
              aria-label="Language of the letter"
              :options="[
                ['en', 'in English'],
                ['fr-CA', 'in French'],
              ]"
            />
          </p>
          <section v-for="[kind, label] in PAPERS" :key="kind" class="paper" :data-testid="kind">
            <h3>{{ label }}</h3>
            <p v-if="papers(kind).length === 0" class="soft">
              {{ kind === 'bill' && port.isTollFree ? 'Not needed for toll-free numbers.' : 'Not here yet.' }}
            </p>
            <ul v-else>
              <li v-for="(paper, place) in papers(kind)" :key="paper.id" :class="{ soft: place > 0 }">
                <a :href="address(`papers/${paper.id}`)" download>{{ paper.name }}</a>
                <template v-if="paper.dated !== null"> of {{ dayInWords(paper.dated) }}</template>
                <span class="soft small after">{{ paper.putBy }}, {{ age(paper.putAt, now) }}</span>
              </li>
            </ul>
            <p v-if="at(kind) !== undefined" class="fault">{{ at(kind) }}</p>
            <p v-if="faults['dated'] !== undefined && kind === 'bill'" class="fault" role="alert">
              {{ faults['dated'] }}
            </p>
            <p v-if="port.mayMend" class="acts">
              <DayField v-if="kind === 'bill'" v-model="dated" past aria-label="Day of the bill" />
              <el-upload
                :auto-upload="false"
                :show-file-list="false"
                accept="application/pdf,image/png,image/jpeg"
                :disabled="busy || (kind === 'bill' && dated === '')"
                :on-change="(file: UploadFile) => void upload(kind, file)"
                ><span class="quiet-button" :class="{ off: kind === 'bill' && dated === '' }">{{
                  kind === 'bill' && dated === '' ? 'Say of which day it is, then take the file' : 'Take a file'
                }}</span></el-upload
              >
            </p>
          </section>
          <h2>At the carrier</h2>
          <ol v-if="port.steps.length > 0" class="steps">
            <li v-for="(step, place) in port.steps" :key="place">
              {{ portInWords(step.state) }}<template v-if="step.remark !== ''">: {{ step.remark }}</template>
              <span class="soft small after">{{ age(step.at, now) }}</span>
            </li>
          </ol>
          <p v-if="port.lent !== null">
            <span class="mono">{{ port.lent.number }}</span> is lent until {{ dayInWords(port.lent.until) }}.
            <router-link :to="`/customers/${customer}/numbers`">Put it in the book</router-link> as lent, in the place
            of the number that comes over.
          </p>
          <p v-else-if="port.mayWithdraw && port.state !== 'failedBack' && port.state !== 'open'" class="acts">
            <span>A number lent until</span> <DayField v-model="until" aria-label="Lent until" />
            <button type="button" class="quiet-button" :disabled="busy || until === ''" @click="lend">
              Ask for one
            </button>
          </p>
          <p v-if="faults['until'] !== undefined" class="fault" role="alert">{{ faults['until'] }}</p>
          <p class="acts">
            <el-button
              v-if="port.mayMend"
              type="primary"
              :disabled="busy || isChanged || port.lacks.length > 0"
              data-testid="send"
              @click="send"
              >{{ port.state === 'rejected' ? 'Send it again' : 'Send it to the carrier' }}</el-button
            >
            <button
              v-if="!port.mayMend && port.mayWithdraw"
              type="button"
              class="quiet-button"
              :disabled="busy"
              @click="read"
            >
              Ask the carrier how far it is
            </button>
            <button v-if="port.mayWithdraw" type="button" class="quiet-button" :disabled="busy" @click="withdraw">
              Withdraw it
            </button>
          </p>
          <p v-if="port.mayMend && port.lacks.length > 0" class="soft">
            {{ plural(port.lacks.length, 'thing') }} missing; each stands at its place.
          </p>
          <p v-else-if="port.mayMend && isChanged" class="soft">Keep what you changed first.</p>
        </div>
      </div>
      <section v-if="port.direction === 'in' && port.state !== 'withdrawn' && port.state !== 'done'" class="day">
        <h2>The day, by the minute</h2>
        <CutOverSheet :customer :port="port.id" :changed="`${port.day} ${port.hours} ${port.lent?.number ?? ''}`" />
      </section>
    </template>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.port {
  display: grid;
  gap: 12px;
  max-width: 1160px;
  padding: 14px 22px 60px;
}

.outcome.said {
  padding: 8px 12px;
  border-left: 3px solid var(--buoy);
  background: var(--sheet);
}

.numbers,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}

.turned {
  padding: 8px 12px;
  border-left: 3px solid var(--red);
  background: var(--sheet);
}

.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(420px, 1fr));
  gap: 12px 40px;
  align-items: start;
}

fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}

.paper ul,
.steps {
  margin: 4px 0;
  padding-left: 18px;
}

.acts {
  padding-top: 8px;
}

.after {
  margin-left: 8px;
}

h2,
h3 {
  margin-top: 10px;
}

.port :deep(.el-step__head.is-success),
.port :deep(.el-step__title.is-success) {
  border-color: var(--teal);
  color: var(--teal);
}

.port :deep(.el-step__title) {
  font-size: 14px;
}

.off {
  opacity: 0.7;
}
</style>
