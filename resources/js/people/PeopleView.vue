<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ElMessageBox } from 'element-plus'
import { computed, nextTick, ref } from 'vue'
import { client, take } from '@/api'
import { namesQuery } from '@/roster'
import { useSession } from '@/session'
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
  TextRow,
  useAttempt,
  useNow,
  useTitle,
} from '@/shared'
import { abilityInWords, ABILITIES, type Ability } from './abilities'
import LeaveSheet from './LeaveSheet.vue'

const { technician } = useSession()
const queryClient = useQueryClient()
const now = useNow()
const people = useQuery({ queryKey: ['people'], queryFn: () => take(client.GET('/people')) })
const customers = useQuery(namesQuery)

const EVERY = '*'
const signIn = ref('')
// Nothing is chosen beforehand: a grant for every customer is asked for, never given by passing over a field.
const customer = ref('')
const ability = ref<Ability>('edit')
const from = ref('')
const until = ref('')
const whichCustomers = computed(() => [
  [EVERY, 'every customer, and those taken on later'] as const,
  ...(customers.data.value ?? []).map((each) => [each.key, each.name] as const),
])
const purpose = ref('')
const { faults, attempt: send } = useAttempt()
const said = ref('')
const form = ref<HTMLElement>()

const invitations = computed(() => people.data.value?.invitations ?? [])
const known = computed(
  () => people.data.value?.people.some((person) => person.signIn === signIn.value.trim().toLowerCase()) === true,
)

async function attempt(work: () => Promise<string>): Promise<void> {
  said.value = ''
  await send(async () => {
    said.value = await work()
  })
  await queryClient.invalidateQueries({ queryKey: ['people'] })
}

const give = (): Promise<void> =>
  attempt(async () => {
    const to = signIn.value.trim()
    const { isInvited } = await take(
      client.POST('/people/grants', {
        body: {
          signIn: to,
          ...(customer.value === EVERY ? { everyCustomer: true } : { customer: customer.value }),
          ability: ability.value,
          from: from.value.trim() === '' ? null : from.value.trim(),
          until: until.value.trim() === '' ? null : until.value.trim(),
          purpose: purpose.value.trim() === '' ? null : purpose.value.trim(),
        },
      }),
    )
    signIn.value = customer.value = from.value = until.value = purpose.value = ''
    return isInvited ? `An invitation went to ${to}.` : `${to} has the grant.`
  })

type GrantLine = NonNullable<typeof people.data.value>['people'][number]['grants'][number]

/** What was taken away last, to be given again. */
const taken = ref<{ signIn: string; name: string; grant: GrantLine }>()

const takeAway = (person: { signIn: string; name: string }, grant: GrantLine): Promise<void> =>
  attempt(async () => {
    await take(client.DELETE('/people/grants/{grant}', { params: { path: { grant: grant.id } } }))
    taken.value = { signIn: person.signIn, name: person.name, grant }
    return `A grant of ${person.name} is taken away.`
  })

const giveBack = (): Promise<void> =>
  attempt(async () => {
    if (taken.value === undefined) return ''
    const { signIn: to, name, grant } = taken.value
    await take(
      client.POST('/people/grants', {
        body: {
          signIn: to,
          ...(grant.everyCustomer ? { everyCustomer: true } : { customer: grant.customer ?? '' }),
          ability: grant.ability,
          from: grant.from ?? null,
          until: grant.until,
          purpose: grant.purpose,
        },
      }),
    )
    taken.value = undefined
    return `${name} has it again.`
  })

const sendAgain = (invitation: string, to: string): Promise<void> =>
  attempt(async () => {
    await take(client.POST('/people/invitations/{invitation}/send', { params: { path: { invitation } } }))
    return `Another letter went to ${to}; the one before opens nothing any more.`
  })

const takeBack = (invitation: string, to: string): Promise<void> =>
  attempt(async () => {
    await take(client.DELETE('/people/invitations/{invitation}', { params: { path: { invitation } } }))
    return `The invitation of ${to} is taken back.`
  })

type Person = NonNullable<typeof people.data.value>['people'][number]

/** Whoever is about to be switched off. */
const leaver = ref<Person>()

const colleagues = computed(() => people.data.value?.people ?? [])
const isLastLead = (person: Person): boolean => person.lead && colleagues.value.filter((each) => each.lead).length === 1

const lead = (person: Person, leads: boolean): Promise<void> =>
  attempt(async () => {
    await take(
      client.PUT('/people/{technician}/lead', { params: { path: { technician: person.id } }, body: { lead: leads } }),
    )
    await queryClient.invalidateQueries({ queryKey: ['session'] })
    return leads ? `${person.name} is a lead now.` : `${person.name} is no lead any more.`
  })

async function resetFactor(person: Person): Promise<void> {
  const isMeant = await ElMessageBox.confirm(
    `${person.name} signs in by the password alone until they set up another device, is signed out everywhere, and ` +
      'is told so by letter. Be sure that it is they who ask.',
    'Reset the second factor',
    { confirmButtonText: 'Reset it', cancelButtonText: 'Leave it' },
  ).then(
    () => true,
    () => false,
  )
  if (!isMeant) return
  await attempt(async () => {
    await take(client.DELETE('/people/{technician}/second-factor', { params: { path: { technician: person.id } } }))
    return `The second factor of ${person.name} is off; a letter says so.`
  })
}

const sendPassword = (person: Person): Promise<void> =>
  attempt(async () => {
    await take(client.POST('/people/{technician}/password-letters', { params: { path: { technician: person.id } } }))
    return `A letter went to ${person.signIn}: it opens once, for a day.`
  })

function act(person: Person, what: string): void {
  const acts: Record<string, () => unknown> = {
    grant: () => giveTo(person.signIn),
    lead: () => lead(person, true),
    unlead: () => lead(person, false),
    factor: () => resetFactor(person),
    password: () => sendPassword(person),
    off: () => (leaver.value = person),
  }
  void acts[what]?.()
}

async function wentOff(name: string): Promise<void> {
  leaver.value = undefined
  taken.value = undefined
  await attempt(() => Promise.resolve(`${name} is switched off.`))
}

async function giveTo(who: string): Promise<void> {
  signIn.value = who
  await nextTick()
  form.value?.querySelector<HTMLInputElement>('input[name=purpose]')?.focus()
}

function forWhom(grant: { everyCustomer: boolean; customerName: string | null }): string {
  if (grant.everyCustomer) return 'every customer'
  return grant.customerName ?? 'a customer not granted to you'
}

useTitle(() => ['People'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">People</h1>
    <span class="soft">who may do what, and until when</span></PageTop
  >
  <main class="people">
    <p class="outcome" :class="{ said: said !== '' }" role="status">
      {{ said }}
      <button v-if="taken !== undefined && said !== ''" type="button" class="quiet-button" @click="giveBack">
        Give it back
      </button>
    </p>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <LoadingLines v-if="people.isPending.value" what="the staff" />
    <ErrorState v-else-if="people.error.value !== null" :error="people.error.value" @again="people.refetch()" />
    <template v-else>
      <table class="lines">
        <thead>
          <tr>
            <th scope="col">Who</th>
            <th scope="col">May</th>
            <th scope="col">For</th>
            <th scope="col">Until</th>
            <th scope="col">What for</th>
            <td class="corner" />
          </tr>
        </thead>
        <tbody v-for="person in people.data.value?.people" :key="person.signIn">
          <tr
            v-for="(grant, index) in person.grants.length === 0 ? [undefined] : person.grants"
            :key="grant?.id ?? 'none'"
            :class="{ over: grant !== undefined && !grant.holds }"
          >
            <td>
              <template v-if="index === 0">
                <strong>{{ person.name }}</strong> <span class="soft">{{ person.signIn }}</span>
                <span v-if="person.lead" class="mark">lead</span
                ><span v-if="!person.secondFactor" class="soft small"> · no second factor</span>
              </template>
            </td>
            <td v-if="grant === undefined" colspan="4" class="soft">nothing: signs in to an empty roster</td>
            <template v-else>
              <td>{{ abilityInWords(grant.ability) }}</td>
              <td>{{ forWhom(grant) }}</td>
              <td>
                <template v-if="grant.from !== null && grant.from !== undefined"
                  >{{ dayInWords(grant.from) }} to </template
                >{{ grant.until === null ? 'no end' : dayInWords(grant.until)
                }}<span v-if="grant.hasRunOut"> · run out</span><span v-else-if="!grant.holds"> · not begun</span>
              </td>
              <td class="soft"><span v-if="grant.inEmergency" class="mark">broken glass</span> {{ grant.purpose }}</td>
            </template>
            <td class="act">
              <button
                v-if="grant !== undefined && person.signIn !== technician?.signIn"
                type="button"
                class="text-button"
                :aria-label="`Take away: ${person.name}, ${forWhom(grant)}`"
                @click="takeAway(person, grant)"
              >
                Take away
              </button>
              <el-dropdown v-if="index === 0" trigger="click" @command="act(person, $event)">
                <button type="button" class="text-button" :aria-label="`More: ${person.name}`">More</button>
                <template #dropdown>
                  <el-dropdown-menu>
                    <el-dropdown-item v-if="person.signIn !== technician?.signIn" command="grant"
                      >Give a grant</el-dropdown-item
                    >
                    <el-dropdown-item v-if="!person.lead" command="lead">Make a lead</el-dropdown-item>
                    <el-dropdown-item v-else command="unlead" :disabled="isLastLead(person)">{{
                      isLastLead(person) ? 'The last lead stays one' : 'Lead no longer'
                    }}</el-dropdown-item>
                    <el-dropdown-item command="password">Send a letter for a new password</el-dropdown-item>
                    <el-dropdown-item
                      v-if="person.secondFactor && person.signIn !== technician?.signIn"
                      command="factor"
                      >Reset the second factor</el-dropdown-item
                    >
                    <el-dropdown-item v-if="person.signIn !== technician?.signIn" command="off" divided
                      >Switch off</el-dropdown-item
                    >
                  </el-dropdown-menu>
                </template>
              </el-dropdown>
            </td>
          </tr>
        </tbody>
      </table>

      <h2>
        {{ invitations.length === 0 ? 'Invitations' : plural(invitations.length, 'invitation') }} not accepted yet
      </h2>
      <EmptyState v-if="invitations.length === 0" title="Nobody is being waited for" />
      <table v-else class="lines">
        <thead>
          <tr>
            <th scope="col">Who</th>
            <th scope="col">May</th>
            <th scope="col">For</th>
            <th scope="col">Sent</th>
            <th scope="col">Opens until</th>
            <td class="corner" />
          </tr>
        </thead>
        <tbody>
          <tr v-for="invitation in invitations" :key="invitation.id" :class="{ over: !invitation.isOpen }">
            <td>{{ invitation.signIn }}</td>
            <td>{{ abilityInWords(invitation.ability) }}</td>
            <td>{{ forWhom(invitation) }}</td>
            <td>
              {{ age(invitation.sentAt, now) }} <span class="soft">by {{ invitation.invitedBy }}</span>
            </td>
            <td>
              {{ dayInWords(invitation.openUntil.slice(0, 10)) }}<span v-if="!invitation.isOpen"> · run out</span>
            </td>
            <td class="act">
              <button type="button" class="text-button" @click="sendAgain(invitation.id, invitation.signIn)">
                Send again
              </button>
              <button type="button" class="text-button" @click="takeBack(invitation.id, invitation.signIn)">
                Take back
              </button>
            </td>
          </tr>
        </tbody>
      </table>

      <h2>Give a grant, or invite</h2>
      <form ref="form" novalidate @submit.prevent="give">
        <TextRow
          v-model="signIn"
          label="Who"
          :help="
            known
              ? 'Of the staff: the grant is theirs at once.'
              : 'Who is not of the staff yet gets a letter with an invitation, open for a week.'
          "
          :fault="faults['signIn']"
          name="signIn"
          type="email"
          placeholder="mail address"
          autocomplete="off"
        />
        <FieldRow v-slot="field" label="May" :fault="faults['ability']">
          <el-select :id="field.id" v-model="ability" name="ability"
            ><el-option v-for="each in ABILITIES" :key="each.value" :label="each.said" :value="each.value"
          /></el-select>
        </FieldRow>
        <FieldRow v-slot="field" label="For" :fault="faults['customer']">
          <ChoiceField
            :id="field.id"
            v-model="customer"
            name="customer"
            placeholder="a customer, or every one"
            :options="whichCustomers"
          />
        </FieldRow>
        <FieldRow v-slot="field" label="From" help="The first day. Left empty: at once." :fault="faults['from']">
          <DayField
            :id="field.id"
            v-model="from"
            name="from"
            :aria-describedby="field.describedBy"
            :aria-invalid="field.invalid"
          />
        </FieldRow>
        <FieldRow v-slot="field" label="Until" help="The last day. Left empty: without end." :fault="faults['until']">
          <DayField
            :id="field.id"
            v-model="until"
            name="until"
            :aria-describedby="field.describedBy"
            :aria-invalid="field.invalid"
          />
        </FieldRow>
        <TextRow
          v-model="purpose"
          label="What for"
          :fault="faults['purpose']"
          name="purpose"
          maxlength="200"
          autocomplete="off"
        />
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="signIn.trim() === '' || customer === ''">{{
            known ? 'Give it' : 'Invite'
          }}</el-button>
        </p>
      </form>

      <p><router-link to="/activity">What was done, and by whom</router-link></p>
    </template>
    <LeaveSheet v-if="leaver !== undefined" :leaver :colleagues @left="wentOff" @close="leaver = undefined" />
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.people {
  display: grid;
  gap: 12px;
  max-width: 1120px;
  padding: 14px 22px;
}

.outcome.said {
  padding: 8px 12px;
  border-left: 3px solid var(--buoy);
  background: var(--sheet);
}

.over {
  color: var(--ink-soft);
}

.mark {
  margin-left: 6px;
  padding: 0 5px;
  border: 1px solid var(--rule);
  font-size: 11px;
}

.act {
  white-space: nowrap;
  text-align: right;
}

.act > * + * {
  margin-left: 14px;
}

.act .el-dropdown {
  font-size: inherit;
  line-height: inherit;
  vertical-align: baseline;
}

.send {
  padding-top: 12px;
}
</style>
