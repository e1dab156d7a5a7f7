<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, onBeforeUnmount, onMounted, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, detailOf, isProblem, take, type BookObject, type Finding, type Slot, type Strip } from '@/api'
import { ROSTER_KEY } from '@/roster'
import { useSession } from '@/session'
import {
  EmptyState,
  ErrorState,
  FieldRow,
  inManner,
  LoadingLines,
  PageTop,
  plural,
  SeverityBars,
  useShortcuts,
  useTitle,
  WeekStrip,
} from '@/shared'
import AnswerForm from './AnswerForm.vue'
import OtherSets from './OtherSets.vue'
import TemplateChoice from './TemplateChoice.vue'
import { isGiven, offeredIn, placed, toAnswer, useAnswers } from './answers'
import { kindsIn, whatItSays } from './preview'

const PAUSE = 250

const router = useRouter()
const route = useRoute()
const queryClient = useQueryClient()
const { technician } = useSession()
const { kept, others, thrown, load, keep, keepLeaving, begin, goOn, forget, throwAway, putBack } = useAnswers()

const templates = useQuery({ queryKey: ['templates'], queryFn: async () => await take(client.GET('/templates')) })
const before = useQuery({
  queryKey: ['answers kept'],
  queryFn: async () => (await load(typeof route.query['set'] === 'string' ? route.query['set'] : undefined), true),
  gcTime: 0,
  staleTime: Infinity,
})
const stock = useQuery({ queryKey: ['stock'], queryFn: async () => (await take(client.GET('/stock'))).numbers })

const template = computed(() => templates.data.value?.templates.find((each) => each.key === kept.template))
const slots = computed<Slot[]>(() => template.value?.slots ?? [])
const unanswered = computed(() => toAnswer(slots.value, kept.answers, asked.value))
const shown = computed(() => slots.value.filter((slot) => asked.value === undefined || asked.value.includes(slot.key)))

const made = ref<BookObject[]>([])
const labels = computed(() => new Map(made.value.map((object) => [object.ref, object.label])))
const findings = ref<Finding[]>([])
const strip = ref<Strip | null>(null)
const madeFrom = ref('')
const isWhole = ref(true)
const keptAs = ref<'kept' | 'being kept' | 'not kept: the server does not answer'>('kept')
const form = ref<HTMLFormElement>()
const faults = ref<Record<string, string>>({})
const offers = ref<Record<string, string>>({})
const asked = ref<string[]>()
const readAs = ref<Record<string, string>>({})
const tables = ref<Record<string, Record<string, string>[]>>({})
const failure = ref<string>()
const looked = ref(new Set<string>())
const entering = ref(false)
/** Kinds of which every object is shown. */
const opened = reactive(new Set<string>())
const wanted = computed(() => JSON.stringify([template.value?.key, kept.answers]))
const current = computed(() => madeFrom.value === wanted.value)

// Which questions are asked is the template's.
watch(
  () => kept.template,
  () => {
    asked.value = undefined
    void nextTick(() => {
      document.scrollingElement?.scrollTo(0, 0)
    })
  },
)

// Most regions lie in one zone: it goes along with the region until somebody chose another.
const zoneOf = (region: unknown): string | undefined =>
  templates.data.value?.regions.find((each) => each.code === region)?.zone ?? undefined
watch(
  () => kept.answers['region'],
  (region, before) => {
    const zone = kept.answers['zone']
    if (!slots.value.some((slot) => slot.key === 'zone')) return
    if (zone !== undefined && zone !== '' && zone !== zoneOf(before)) return
    const there = zoneOf(region)
    if (there !== undefined) kept.answers['zone'] = there
  },
)

let timer: ReturnType<typeof setTimeout> | undefined
watch(
  wanted,
  () => {
    clearTimeout(timer)
    if (template.value === undefined || !slots.value.some((slot) => isGiven(kept.answers, slot))) return
    keptAs.value = 'being kept'
    timer = setTimeout(() => void Promise.all([keepNow(), preview()]), PAUSE)
  },
  { immediate: true },
)

let lastKept = ''
async function keepNow(): Promise<void> {
  const question = wanted.value
  try {
    await keep()
    lastKept = question
    if (question === wanted.value) keptAs.value = 'kept'
  } catch {
    keptAs.value = 'not kept: the server does not answer'
  }
}

function leave(): void {
  if (wanted.value === lastKept || !slots.value.some((slot) => isGiven(kept.answers, slot))) return
  clearTimeout(timer)
  keepLeaving()
}
onMounted(() => {
  window.addEventListener('pagehide', leave)
})
onBeforeUnmount(() => {
  // What is being typed in a cell is told when the cell is left; nobody leaves it where the page goes first.
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
  leave()
  window.removeEventListener('pagehide', leave)
})

async function preview(): Promise<void> {
  const question = wanted.value
  if (template.value === undefined) return
  try {
    const answer = await take(
      client.POST('/taking-on/preview', { body: { template: template.value.key, answers: kept.answers } }),
    )
    if (question !== wanted.value) return
    asked.value = answer.asked
    readAs.value = answer.readAs
    tables.value = answer.tables
    faults.value = placed(answer.faults.filter((each) => each.pointer !== '/template'))
    offers.value = offeredIn(answer.faults)
    failure.value = answer.faults.find((each) => each.pointer === '/template')?.detail
    // What was made of earlier answers stays in view, dimmed, until these make something.
    if (answer.customer === null) return
    made.value = answer.objects
    isWhole.value = answer.isWhole
    findings.value = answer.findings
    strip.value = answer.strip
    madeFrom.value = question
  } catch (error) {
    if (question === wanted.value) place(error)
  }
}

function nameOf(ref: string): string {
  return made.value.find((object) => object.ref === ref)?.label ?? ref
}

function place(error: unknown): void {
  const told = isProblem(error) ? (error.problem.errors ?? []) : []
  faults.value = placed(told.filter((each) => each.pointer?.startsWith('/answers/') === true))
  // What belongs to no answer is said below what would be made.
  failure.value =
    told.length > 0 && told.length === Object.keys(faults.value).length
      ? undefined
      : (told.find((each) => each.pointer?.startsWith('/answers/') !== true)?.detail ?? detailOf(error))
}

/** The faults to show; of an answer that was not given yet none, until it was looked at and left. */
const complaints = computed(() =>
  Object.fromEntries(
    Object.entries(faults.value).filter(([place]) => {
      const slot = slots.value.find((each) => each.key === place)
      return slot === undefined || isGiven(kept.answers, slot) || looked.value.has(place)
    }),
  ),
)

const inTheWay = computed(() => {
  if (unanswered.value.length > 0)
    return (
      `${plural(unanswered.value.length, 'answer')} to go: ` +
      unanswered.value.map((slot) => slot.question.toLowerCase()).join('; ')
    )
  const wrong = Object.keys(faults.value).length
  if (wrong > 0) return `${plural(wrong, 'answer')} ${wrong === 1 ? 'needs' : 'need'} another look`
  return undefined
})

async function enter(): Promise<void> {
  slots.value.forEach((slot) => looked.value.add(slot.key))
  if (template.value === undefined || entering.value || inTheWay.value !== undefined) return
  entering.value = true
  try {
    const taken = await take(
      client.POST('/taking-on', { body: { template: template.value.key, answers: kept.answers } }),
    )
    clearTimeout(timer)
    await forget()
    await queryClient.invalidateQueries({ queryKey: ROSTER_KEY })
    void queryClient.invalidateQueries({ queryKey: ['stock'] })
    await router.push({ name: 'desk', params: { customer: taken.customer } })
  } catch (error) {
    place(error)
    void queryClient.invalidateQueries({ queryKey: ['stock'] })
  } finally {
    entering.value = false
  }
}

/** Nothing of the customer before stays in view. */
function empty(): void {
  clearTimeout(timer)
  looked.value.clear()
  made.value = []
  findings.value = []
  strip.value = null
  faults.value = {}
  readAs.value = {}
  madeFrom.value = ''
  keptAs.value = 'kept'
}

/** The first question takes the keys: whoever chose by them goes on by them. */
async function beginWith(key: string): Promise<void> {
  kept.template = key
  await nextTick()
  form.value?.querySelector<HTMLElement>('input:not([name=template]), textarea')?.focus()
}

function another(): void {
  empty()
  begin()
}

function goOnWith(id: string): void {
  empty()
  goOn(id)
}

async function away(): Promise<void> {
  empty()
  try {
    await throwAway()
  } catch (error) {
    failure.value = detailOf(error)
  }
}

// The address names the set: a reload, a window beside this one and the way back open the same.
watch(
  () => kept.id,
  (set) => {
    void router.replace({ query: { ...route.query, set } })
  },
)

useShortcuts([
  { keys: 'ctrl+Enter', label: 'enter in the book', scope: 'Taking on', whileTyping: true, run: () => void enter() },
])

function askAgain(): void {
  for (const query of [templates, stock, before]) void query.refetch()
}

function backToWhatWas(): void {
  empty()
  void putBack()
}

useTitle(() => ['Taking on', typeof kept.answers['name'] === 'string' ? kept.answers['name'] : undefined])
</script>

<template>
  <PageTop>
    <router-link to="/">‹ Roster</router-link>
    <h1 class="title">Taking on{{ kept.answers['name'] ? `: ${kept.answers['name']}` : ' a customer' }}</h1>
    <span class="soft">nothing exists yet</span>
    <template #hand>
      <span class="soft small" role="status">answers are {{ keptAs }}</span>
      <button type="button" class="quiet-button" @click="another">Another customer</button>
      <button v-if="slots.some((slot) => isGiven(kept.answers, slot))" type="button" class="text-button" @click="away">
        Throw away
      </button>
    </template>
  </PageTop>
  <main v-if="technician?.mayTakeOn === false">
    <EmptyState title="Taking customers on is not granted to you"
      ><router-link to="/">Back to the Roster</router-link></EmptyState
    >
  </main>
  <main v-else-if="templates.error.value !== null || stock.error.value !== null || before.error.value !== null">
    <ErrorState :error="templates.error.value ?? stock.error.value ?? before.error.value" @again="askAgain" />
  </main>
  <main v-else-if="templates.data.value === undefined || before.isPending.value">
    <LoadingLines what="templates and stock" />
  </main>
  <main v-else-if="template === undefined" class="beginning">
    <div class="head">
      <h2>What shall callers get?</h2>
      <OtherSets :thrown :others @put-back="backToWhatWas" @go-on="goOnWith" />
    </div>
    <TemplateChoice :templates="templates.data.value.templates" @choose="beginWith" />
  </main>
  <main v-else class="two">
    <form ref="form" class="said" novalidate @submit.prevent="enter">
      <OtherSets :thrown :others @put-back="backToWhatWas" @go-on="goOnWith" />
      <h2>What the customer said</h2>
      <FieldRow v-slot="field" label="Template" :help="template.about">
        <el-select :id="field.id" v-model="kept.template" filterable default-first-option name="template">
          <el-option
            v-for="each in templates.data.value?.templates"
            :key="each.key"
            :label="each.name"
            :value="each.key"
          />
        </el-select>
      </FieldRow>
      <AnswerForm
        v-model="kept.answers"
        :template="template.key"
        :slots="shown"
        :stock="stock.data.value"
        :regions="templates.data.value?.regions"
        :faults="complaints"
        :offers
        :read-as
        :tables
        @left="looked.add($event)"
      />
    </form>
    <section class="made" aria-labelledby="made-title">
      <div class="head">
        <h2 id="made-title">What will be made</h2>
        <p class="soft" role="status">
          {{
            current
              ? `${plural(made.length, 'object')}${isWhole ? '' : ', without what needs another look'}`
              : made.length > 0
                ? 'as of your earlier answers'
                : ''
          }}
        </p>
      </div>
      <template v-if="made.length > 0">
        <div v-if="strip !== null" class="week" :class="{ stale: !current }">
          <p class="soft small">A caller to the main number: if somebody answers, and below, if nobody does</p>
          <WeekStrip :pieces="strip" label="The week of the main number" :name="nameOf" />
        </div>
        <section class="findings" :class="{ stale: !current }" aria-labelledby="findings-title">
          <h3 id="findings-title" class="soft">Findings before anything exists</h3>
          <p v-if="findings.length === 0" class="soft" data-testid="no-findings">
            None: nothing of it would lose or mislead a call.
          </p>
          <ul data-testid="preview-findings">
            <li v-for="finding in findings" :key="finding.fingerprint">
              <SeverityBars :severity="finding.severity" />
              {{ ' ' }}
              <div>
                <strong>{{ inManner(finding.title) }}</strong>
                <p class="soft">{{ inManner(finding.detail) }}</p>
              </div>
            </li>
          </ul>
        </section>
        <table :class="{ stale: !current }" data-testid="will-be-made">
          <thead>
            <tr>
              <th scope="col">Kind</th>
              <th scope="col">Which</th>
              <th scope="col">Says</th>
            </tr>
          </thead>
          <tbody>
            <template v-for="{ one, many, objects, inOne } in kindsIn(made)" :key="one">
              <tr v-if="inOne !== undefined">
                <th scope="row">{{ many }}</th>
                <td>
                  <span class="mono">{{ objects.length }}</span>
                  {{ ' ' }}
                  <button
                    type="button"
                    class="text-button"
                    :aria-expanded="opened.has(one)"
                    @click="opened.has(one) ? opened.delete(one) : opened.add(one)"
                  >
                    {{ opened.has(one) ? 'fold' : 'show all' }}
                  </button>
                </td>
                <td class="soft">{{ inOne }}</td>
              </tr>
              <tr v-for="object in inOne === undefined || opened.has(one) ? objects : []" :key="object.ref">
                <th scope="row">{{ one }}</th>
                <td class="which">
                  <span v-if="object.extension !== null" class="mono">{{ object.extension }}</span> {{ object.label }}
                </td>
                <td class="soft">{{ whatItSays(object, labels) }}</td>
              </tr>
            </template>
          </tbody>
        </table>
      </template>
      <p v-else class="soft none">
        Shown here, object by object, once the answers that everything hangs on are given. Nothing is written before you
        enter it in the book.
      </p>
      <p v-if="failure !== undefined" class="fault" role="alert">{{ failure }}</p>
      <p class="act">
        <el-button type="primary" data-testid="enter" :disabled="entering || inTheWay !== undefined" @click="enter"
          >Enter in the book</el-button
        ><kbd>Ctrl Enter</kbd>
        <span class="soft">{{ inTheWay ?? 'makes revision 1; nothing goes to the switch yet' }}</span>
      </p>
    </section>
  </main>
</template>

<style scoped>
kbd {
  white-space: nowrap;
}

.title {
  overflow: hidden;
  font-size: 18px;
  text-overflow: ellipsis;
}

.two {
  display: grid;
  grid-template-columns: minmax(440px, 1fr) minmax(440px, 1fr);
  min-height: calc(100% - 44px);
}

.said,
.made {
  padding: 16px 22px;
}

.said {
  border-right: 1px solid var(--rule);
  background: var(--sheet);
}

/* What is made stays in view while the answers scroll. */
.made {
  position: sticky;
  top: 0;
  align-self: start;
  max-height: calc(100vh - 44px);
  padding-bottom: 0;
  overflow-y: auto;
}

.said h2 {
  padding-bottom: 6px;
}

.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}

.made th[scope='row'] {
  border-bottom: 1px solid var(--rule-soft);
  color: var(--ink);
  font-size: inherit;
  font-weight: 600;
  vertical-align: baseline;
}

.which {
  white-space: nowrap;
}

.week {
  padding: 6px 0 10px;
}

.findings h3 {
  font-weight: 400;
}

.findings ul {
  margin: 0 0 10px;
  padding: 0;
  list-style: none;
}

.findings li {
  display: grid;
  grid-template-columns: 22px 1fr;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.stale {
  opacity: 0.55;
}

.none {
  max-width: 34em;
  padding: 18px 0;
}

.beginning {
  padding: 16px 22px;
}

/* However much will be made: what makes it is in sight. */
.act {
  display: flex;
  position: sticky;
  bottom: 0;
  gap: 14px;
  align-items: baseline;
  margin-top: 22px;
  padding: 10px 0;
  border-top: 1px solid var(--rule-soft);
  background: var(--paper);
}

@media (width < 940px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
