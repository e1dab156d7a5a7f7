<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type CalledBack, type ObjectOf, type SiteView } from '@/api'
import { dateThere, dayThere, outcomeInWords, plural, useAttempt, useNow } from '@/shared'
import { withNames } from '../calls'
import { useCallLine, useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import SiteContacts from './SiteContacts.vue'
import SiteFloors from './SiteFloors.vue'
import SiteLine from './SiteLine.vue'
import TestCallForm from './TestCallForm.vue'

/** One site: its address beside the carrier's, the last test call, and what help services see of each who is there. */
const { site, object } = defineProps<{ site: SiteView; object: ObjectOf<'site'> }>()

const { customer, queries, names, zone: customersZone, mayEdit } = useDesk()
const { edit } = useDraft()
const { sentence, asked } = useCallLine()
const queryClient = useQueryClient()
const now = useNow()
const { busy, faults, attempt } = useAttempt()
const isTesting = ref(false)
const MOST = 12
const isWhole = ref(false)

const zone = computed(() => site.zone ?? customersZone.value)
const PARTS = [
  ['street', 'Street'],
  ['city', 'Town'],
  ['subdivision', 'State or province'],
  ['postcode', 'Postcode'],
  ['country', 'Country'],
] as const
/** The carrier's, where it is of this address and says otherwise. */
const better = computed(() => (site.check?.verdict === 'better' && site.check.holds ? site.check.better : null))
const differing = computed(() =>
  PARTS.filter(([part]) => better.value !== null && (better.value[part] ?? '') !== (site.address[part] ?? '')),
)

const when = (at: string): string => dateThere(at, zone.value)

const params = computed(() => ({ path: { customer, site: site.key } }))
async function again(sites: SiteView[]): Promise<void> {
  queryClient.setQueryData(queries.sites.queryKey, sites)
  await queryClient.invalidateQueries({ queryKey: queries.margin.queryKey })
}
const check = (): Promise<void> =>
  attempt(async () => {
    const { sites } = await take(
      client.POST('/customers/{customer}/sites/{site}/address-checks', { params: params.value }),
    )
    await again(sites)
  })

const takeOver = (): Promise<void> =>
  edit(
    differing.value.map(([part]) => ({
      object: site.ref,
      path: `address/${part}`,
      value: better.value?.[part] === '' ? null : (better.value?.[part] ?? null),
    })),
  )

const SINCE = { address: 'the address', callback: 'the number called back', telephones: 'its telephones' }
const people = computed(() => (isWhole.value ? site.people : site.people.slice(0, MOST)))

/** Every number that help services are shown of those in view, once. */
const shown = computed(() => [
  ...new Set(people.value.flatMap((each) => each.calls.flatMap((call) => (call.isLet ? (call.shown ?? []) : [])))),
])
const callbacks = useQuery(queries.callbacks)
const backOf = (number: string): CalledBack[] => (callbacks.data.value ?? []).filter((each) => each.number === number)

/** What helps is a person's telephone that rings; anything else is said as what it is. */
function meets(back: CalledBack): string {
  const before = back.heard === null ? '' : ` after ${names.value.of(back.heard)}`
  if (back.ringsAPerson) return `a person rings${before}`
  if (back.outside !== null) return `${names.value.of(back.outside)} rings outside${before}`
  return `${names.value.of(back.target)} ${outcomeInWords(back.outcome)}`
}

function listen(back: CalledBack): void {
  sentence.value = back.sentence
  asked.value++
}
</script>

<template>
  <section class="place">
    <h2>{{ site.name }}</h2>
    <div class="halves">
      <div>
        <table data-testid="address">
          <thead>
            <tr>
              <th scope="col">Address</th>
              <th scope="col">In the book</th>
              <th v-if="better !== null" scope="col">As the carrier writes it</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="[part, label] in PARTS" :key="part">
              <th scope="row" class="soft">{{ label }}</th>
              <td><InlineField :object :path="`address/${part}`" :label="`${label} of ${site.name}`" /></td>
              <td v-if="better !== null" :class="{ offered: differing.some(([each]) => each === part) }">
                {{ better[part] }}
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="site.check === null" class="soft">The carrier was never asked about it.</p>
        <p v-else class="soft">
          <template v-if="site.check.by === null">Noted as checked {{ dayThere(site.check.at, zone, now) }}.</template>
          <template v-else
            >{{ site.check.by }} asked the carrier {{ when(site.check.at)
            }}<template v-if="site.check.remark !== ''">: {{ site.check.remark }}</template
            >.</template
          >
          <strong v-if="!site.check.holds"> The address was changed since.</strong>
        </p>
        <p v-if="Object.keys(faults).length > 0" class="fault" role="alert">{{ Object.values(faults)[0] }}</p>
        <p v-if="mayEdit" class="acts">
          <el-button v-if="differing.length > 0" type="primary" @click="takeOver"
            >Write it as the carrier does</el-button
          >
          <button type="button" class="quiet-button" :disabled="busy" @click="check">
            Ask the carrier about the address
          </button>
        </p>
      </div>
      <div>
        <h3>Test call for help</h3>
        <p v-if="site.test === null">None was recorded from here.</p>
        <template v-else>
          <p>
            <strong>{{ site.test.passed ? 'Passed' : 'Failed' }}</strong> {{ when(site.test.at)
            }}<template v-if="site.test.caller !== null"
              >, from the telephone of {{ names.of(site.test.caller) }}, by {{ site.test.by }}</template
            >.
          </p>
          <p v-if="site.test.isNoted" class="soft">
            Only the day is known: it was noted before what was shown and read back was recorded.
          </p>
          <dl v-else>
            <dt class="soft">Number read back</dt>
            <dd class="mono">{{ names.of(`number:${site.test.numberShown ?? ''}`) }}</dd>
            <dt class="soft">Address read back</dt>
            <dd>{{ site.test.addressRead }}</dd>
            <template v-if="site.test.note !== ''">
              <dt class="soft">Note</dt>
              <dd>{{ site.test.note }}</dd>
            </template>
          </dl>
          <p v-if="site.test.changed.length > 0" class="fault">
            Changed since: {{ site.test.changed.map((each) => SINCE[each]).join(', ') }}. It says nothing of what is
            now.
          </p>
        </template>
        <p v-if="mayEdit && !isTesting" class="acts">
          <button type="button" class="quiet-button" :disabled="site.people.length === 0" @click="isTesting = true">
            Record a test call
          </button>
        </p>
      </div>
    </div>
    <TestCallForm v-if="isTesting" :site :zone @done="again" @close="isTesting = false" />
    <SiteContacts :site :object :zone />
    <SiteFloors :key="site.ref" :site :object @done="again" />
    <h3>What help services see</h3>
    <p v-if="site.people.length === 0" class="soft">Nobody has a place here.</p>
    <table v-else class="lines" data-testid="help">
      <thead>
        <tr>
          <th scope="col">User</th>
          <th scope="col">Sits at</th>
          <th scope="col">Number shown, and whose</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="person in people" :key="person.ref">
          <tr v-for="(call, nth) in person.calls.length > 0 ? person.calls : [null]" :key="nth">
            <th scope="row">{{ nth === 0 ? names.of(person.ref) : '' }}</th>
            <td>{{ [person.address, person.floor, person.room].filter((each) => each).join(', ') || site.name }}</td>
            <td v-if="call === null" class="soft">no telephone of this house</td>
            <td v-else-if="!call.isLet" class="fault">a call to {{ call.digits }} does not go out</td>
            <template v-else>
              <td>
                <span v-if="call.shown !== null" class="mono">{{ names.of(`number:${call.shown}`) }}</span><span
                  v-else
                  class="fault"
                  >none</span
                >{{ ' ' }}<span class="soft">{{ withNames(call.whose, names) }}</span>
              </td>
            </template>
          </tr>
        </template>
      </tbody>
    </table>
    <p v-if="site.people.length > MOST && !isWhole">
      <button type="button" class="text-button" @click="isWhole = true">
        Show all {{ plural(site.people.length, 'person', 'people') }}
      </button>
    </p>
    <template v-if="shown.length > 0">
      <h3>If they call back and wait</h3>
      <table class="lines" data-testid="back">
        <thead>
          <tr>
            <th scope="col">Number</th>
            <th scope="col">What they meet in each kind of time</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="number in shown" :key="number">
            <th scope="row" class="mono">{{ names.of(`number:${number}`) }}</th>
            <td class="back">
              <span v-if="callbacks.isError.value" class="fault">could not be looked at</span>
              <span v-else-if="callbacks.data.value === undefined" class="soft">looking</span>
              <span v-else-if="backOf(number).length === 0" class="fault">unknown: the number is not in this book</span>
              <template v-for="(back, place) in backOf(number)" v-else :key="place">
                <template v-if="place > 0">; </template>{{ back.kind }}:
                <button type="button" class="text-button" :class="{ fault: !back.ringsAPerson }" @click="listen(back)">
                  {{ meets(back) }}
                </button>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
    <p>
      <template v-if="site.told.length > 0">A call for help is told to {{ site.told.join(', ') }}.</template>
      <span v-else class="fault">Nobody is told of a call for help from here.</span>
    </p>
    <SiteLine :site :zone @done="again" />
  </section>
</template>

<style scoped>
.place {
  max-width: 1000px;
  margin-top: 18px;
}

.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 8px 32px;
}

.offered {
  color: var(--teal);
  font-weight: 600;
}

.lines {
  width: 100%;
}

tbody th {
  border-bottom: 1px solid var(--rule-soft);
  font-size: inherit;
}

h3 {
  margin: 18px 0 4px;
}

/* One line from the start: what is found out later moves nothing. */
.back {
  max-width: 0;
  width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.halves h3 {
  margin-top: 0;
}

.acts {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
  padding: 8px 0;
}

dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 2px 12px;
  margin: 0;
}

dd {
  margin: 0;
}
</style>
