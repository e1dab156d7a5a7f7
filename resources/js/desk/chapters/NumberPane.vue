<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type ObjectOf } from '@/api'
import { age, plural, some, TextRow, useAttempt, useNow } from '@/shared'
import { useDesk } from '../desk'
import InlineField from '../InlineField.vue'
import CallerList from './CallerList.vue'

/** One number: whom it lets through, what callers and those who are called see of it, and what is said outside. */
const { number } = defineProps<{ number: ObjectOf<'number'> }>()

const { customer, names, mayEdit } = useDesk()
const queryClient = useQueryClient()
const now = useNow()
const e164 = computed(() => number.ref.slice('number:'.length))
const tenant = computed(() => names.value.all('tenant')[0])
const { busy, faults, attempt } = useAttempt()
const params = computed(() => ({ path: { customer, number: e164.value } }))

const queryKey = ['identity', customer]
const identity = useQuery({
  queryKey,
  queryFn: () => take(client.GET('/customers/{customer}/identity', { params: { path: { customer } } })),
})
type Registration = NonNullable<typeof identity.data.value>['registrations'][number]
const filed = (kind: 'name' | 'texting'): Registration | undefined =>
  identity.data.value?.registrations.find((each) => each.number === e164.value && each.kind === kind)
const name = computed(() => filed('name'))
const texting = computed(() => filed('texting'))
const level = computed(() => identity.data.value?.levels.find((each) => each.number === e164.value))
const STATES = { filed: 'filed, not agreed to yet', shown: 'shown', refused: 'refused' }
const LEVELS = { full: 'in full', partial: 'in part', gateway: 'by where it came in' }

const act = (work: () => Promise<unknown>): Promise<void> =>
  attempt(async () => {
    queryClient.setQueryData(queryKey, await work())
    await queryClient.invalidateQueries({ queryKey: ['computed', customer] })
  })
const fileName = (): Promise<void> =>
  act(() => take(client.PUT('/customers/{customer}/identity/names/{number}', { params: params.value })))
const read = (): Promise<void> =>
  act(() => take(client.POST('/customers/{customer}/identity/read', { params: { path: { customer } } })))

const isFiling = ref(false)
const said = ref({ sender: '', purpose: '' })
function beginFiling(): void {
  said.value = { sender: texting.value?.sender ?? tenant.value?.label ?? '', purpose: texting.value?.purpose ?? '' }
  isFiling.value = true
}
const fileTexting = (): Promise<void> =>
  act(async () => {
    const told = await take(
      client.PUT('/customers/{customer}/identity/texting/{number}', { params: params.value, body: said.value }),
    )
    isFiling.value = false
    return told
  })

const ways = useQuery({
  queryKey: computed(() => ['computed', customer, 'leads', number.ref]),
  queryFn: () =>
    take(client.GET('/customers/{customer}/leads', { params: { path: { customer }, query: { object: number.ref } } })),
})
const onward = computed(() => (ways.data.value?.onward ?? []).map((each) => names.value.of(each)))
const lost = computed(() => (ways.data.value?.lost ?? []).map((each) => names.value.of(each)))
</script>

<template>
  <section class="pane" :aria-label="`Number ${number.display ?? number.label}`" data-testid="number-pane">
    <h2>
      {{ number.display }} <span class="soft">{{ number.label === e164 ? '' : number.label }}</span>
    </h2>
    <div class="halves">
      <div>
        <h3>Callers who go elsewhere</h3>
        <CallerList :object="number" path="callerRules" :of="e164" />
        <h3>Blocked for every number of this customer</h3>
        <CallerList v-if="tenant !== undefined" :object="tenant" path="blocked" :of="e164" />
      </div>
      <dl>
        <div>
          <dt>Telephones show</dt>
          <dd>
            <InlineField :object="number" path="prefix" label="Before the caller’s name" /> before the caller’s name
          </dd>
        </div>
        <div>
          <dt>Name outside</dt>
          <dd>
            <InlineField :object="number" path="callerName" label="Name outside" />
            <span v-if="name !== undefined" :class="name.state === 'refused' ? 'fault' : 'soft'">
              {{ name.name }}: {{ STATES[name.state] }}<template v-if="name.remark !== ''">, {{ name.remark }}</template
              >, read {{ age(name.readAt, now) }}</span
            >
            <span v-else-if="number.fields.callerName !== null" class="soft">the network was not told yet</span>
            <button
              v-if="mayEdit && number.fields.callerName !== null"
              type="button"
              class="quiet-button"
              :disabled="busy"
              @click="fileName"
            >
              Tell the network
            </button>
            <span v-if="faults['name'] !== undefined" class="fault" role="alert">{{ faults['name'] }}</span>
          </dd>
        </div>
        <div>
          <dt>Text messages</dt>
          <dd>
            <InlineField :object="number" path="messaging" label="Text messages" />
            <span v-if="texting !== undefined" :class="texting.state === 'refused' ? 'fault' : 'soft'">
              {{ texting.purpose }}: {{ STATES[texting.state]
              }}<template v-if="texting.remark !== ''">, {{ texting.remark }}</template></span
            >
            <button
              v-if="mayEdit && number.fields.messaging && !isFiling"
              type="button"
              class="quiet-button"
              @click="beginFiling"
            >
              Say what they are for
            </button>
            <form v-if="isFiling" novalidate @submit.prevent="fileTexting">
              <TextRow v-model="said.sender" label="Who sends them" :fault="faults['sender']" name="sender" />
              <TextRow
                v-model="said.purpose"
                label="What for"
                help="Reminders of appointments to our own customers, for example."
                :fault="faults['purpose']"
                name="purpose"
              />
              <p class="acts">
                <el-button type="primary" size="small" native-type="submit" :disabled="busy">Register</el-button>
                <button type="button" class="text-button" @click="isFiling = false">not now</button>
              </p>
            </form>
          </dd>
        </div>
        <div>
          <dt>Recorded</dt>
          <dd>
            calls in: <InlineField :object="number" path="recording/in" label="Record calls in" />, calls out:
            <InlineField :object="number" path="recording/out" label="Record calls out" />
          </dd>
        </div>
        <div>
          <dt>When the switch is away</dt>
          <dd><InlineField :object="number" path="carrierDiversion" label="Where the carrier sends calls" /></dd>
        </div>
        <div>
          <dt>Dates</dt>
          <dd>
            from <InlineField :object="number" path="from" label="First day" /> until
            <InlineField :object="number" path="until" label="Last day" />
          </dd>
        </div>
        <div>
          <dt>Vouched for</dt>
          <dd v-if="level !== undefined" class="one-line" :title="level.why">
            {{ LEVELS[level.level] }} ({{ level.claim }}): {{ level.why }}
          </dd>
          <dd v-else class="soft">
            {{ identity.error.value === null ? 'not known yet' : 'not known: the server could not say' }}
          </dd>
        </div>
        <div>
          <dt>Its calls</dt>
          <dd v-if="ways.data.value === undefined" class="soft">
            {{ ways.error.value === null ? 'being looked at …' : 'not known: the server could not say' }}
          </dd>
          <dd v-else>
            reach {{ onward.length === 0 ? 'nobody' : some(onward, 3)
            }}<template v-if="lost.length > 0">; without it callers would lose {{ some(lost, 1) }}</template
            >.
          </dd>
        </div>
        <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
        <p v-if="(identity.data.value?.registrations ?? []).length > 0" class="acts">
          <button type="button" class="text-button" :disabled="busy" @click="read">
            Ask the carrier about {{ plural(identity.data.value?.registrations.length ?? 0, 'registration') }}
          </button>
        </p>
      </dl>
    </div>
  </section>
</template>

<style scoped>
.pane {
  margin-top: 14px;
}

.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(360px, 1fr));
  gap: 8px 32px;
}

h3 {
  margin-top: 8px;
}

dl {
  margin: 0;
}

dl > div {
  display: grid;
  grid-template-columns: 140px 1fr;
  gap: 4px 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}

dt {
  color: var(--ink-soft);
}

dd {
  min-height: 24px;
  margin: 0;
}

.one-line {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

/* What comes late finds its room. */
dl > div:last-of-type dd {
  min-height: 64px;
}

.acts {
  display: flex;
  gap: 12px;
  align-items: center;
  padding-top: 6px;
}
</style>
