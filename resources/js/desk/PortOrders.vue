<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type ObjectOf } from '@/api'
import { age, dayInWords, plural, TextRow, useAttempt, useNow } from '@/shared'
import { useDesk } from './desk'

/**
 * Numbers on their way from another carrier: what ours says of them, and the form that asks for it, filled in from the
 * book.
 */
const { numbers } = defineProps<{ numbers: ObjectOf<'number'>[] }>()

const { customer, queries, names } = useDesk()
const queryClient = useQueryClient()
const now = useNow()
const params = { path: { customer } }
const queryKey = ['ports', customer]
const { data: ports } = useQuery({
  queryKey,
  queryFn: async () => (await take(client.GET('/customers/{customer}/ports', { params }))).ports,
})

const STATES = { asked: 'asked for', dated: 'has a day', rejected: 'turned down', done: 'done' } as const

/** By the book on their way, and with no order under way. */
const waiting = computed(() => {
  const ordered = new Set(
    (ports.value ?? []).filter((port) => port.state !== 'rejected').flatMap((port) => port.numbers),
  )
  return numbers.filter((number) => number.fields.status === 'portingIn' && !ordered.has(keyOf(number)))
})
const isShown = computed(() => (ports.value ?? []).length > 0 || waiting.value.length > 0)

const isOpen = ref(false)
const { busy: isBusy, faults, attempt: send } = useAttempt()
const form = ref({ reference: '', name: '', street: '', postcode: '', losingCarrier: '', account: '', day: '' })

const FIELDS = [
  {
    key: 'name',
    label: 'In the name of',
    help: 'As the customer’s latest bill says it, to the letter; so are the next four.',
  },
  { key: 'street', label: 'Address', help: null },
  { key: 'postcode', label: 'Postcode', help: null },
  { key: 'losingCarrier', label: 'Losing carrier', help: null },
  { key: 'account', label: 'Account', help: null },
  { key: 'day', label: 'Wanted on', help: 'A date. The book says the same, or an audit tells of it.' },
] as const

function keyOf(number: ObjectOf<'number'>): string {
  return number.ref.slice('number:'.length)
}

/** As the sheet writes it; one that is not in the book, as it is. */
function shown(number: string): string {
  const known = numbers.find((each) => keyOf(each) === number)
  return known?.display ?? number
}

function fillIn(): void {
  const first = waiting.value[0]
  const site = names.value.as('site', first?.fields.site) ?? names.value.all('site')[0]
  form.value = {
    reference: crypto.randomUUID(),
    name: names.value.all('tenant')[0]?.label ?? '',
    street: site?.fields.address.street ?? '',
    postcode: site?.fields.address.postcode ?? '',
    losingCarrier: '',
    account: '',
    day: first?.fields.from ?? '',
  }
  isOpen.value = true
}

const attempt = (work: () => Promise<unknown>): Promise<void> =>
  send(async () => {
    await work()
    await queryClient.invalidateQueries({ queryKey })
    await queryClient.invalidateQueries({ queryKey: queries.desk.queryKey })
    await queryClient.invalidateQueries({ queryKey: queries.margin.queryKey })
  })

const read = (): Promise<void> => attempt(() => take(client.POST('/customers/{customer}/ports/read', { params })))

const ask = (): Promise<void> =>
  attempt(async () => {
    await take(
      client.POST('/customers/{customer}/ports', {
        params,
        body: { ...form.value, numbers: waiting.value.map(keyOf) },
      }),
    )
    isOpen.value = false
  })
</script>

<template>
  <section v-if="isShown" class="ports">
    <h2>On their way</h2>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <table v-if="ports !== undefined && ports.length > 0" data-testid="ports">
      <thead>
        <tr>
          <th scope="col">Numbers</th>
          <th scope="col">From</th>
          <th scope="col">At the carrier</th>
          <th scope="col">Day</th>
          <th scope="col">In the name of</th>
          <th scope="col">Read</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="port in ports" :key="port.id" :class="{ turned: port.state === 'rejected' }">
          <td>
            <span v-for="each in port.numbers" :key="each" class="mono number">{{ shown(each) }}</span>
          </td>
          <td>
            {{ port.losingCarrier }} <span class="soft">{{ port.account }}</span>
          </td>
          <td>
            {{ STATES[port.state] }}<span v-if="port.remark !== ''">: {{ port.remark }}</span>
          </td>
          <td class="day">{{ dayInWords(port.day) }}</td>
          <td>
            {{ port.name }}, <span class="soft">{{ port.street }}, {{ port.postcode }}</span>
          </td>
          <td class="soft">{{ age(port.readAt, now) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="acts">
      <button type="button" class="quiet-button" :disabled="isBusy" @click="read">
        Ask the carrier how far they are
      </button>
      <button v-if="waiting.length > 0 && !isOpen" type="button" class="quiet-button" @click="fillIn">
        Order the port of {{ plural(waiting.length, 'number') }}
      </button>
    </p>
    <form v-if="isOpen && waiting.length > 0" novalidate @submit.prevent="ask">
      <p>
        For <span class="mono">{{ waiting.map((each) => shown(keyOf(each))).join(', ') }}</span>
      </p>
      <p v-if="faults['numbers'] !== undefined" class="fault" role="alert">{{ faults['numbers'] }}</p>
      <TextRow
        v-for="each in FIELDS"
        :key="each.key"
        v-model="form[each.key]"
        :label="each.label"
        :help="each.help"
        :fault="faults[each.key]"
        :name="each.key"
        autocomplete="off"
      />
      <p class="acts">
        <el-button type="primary" native-type="submit" :disabled="isBusy">Order it</el-button>
        {{ ' ' }}
        <button type="button" class="quiet-button" @click="isOpen = false">Not now</button>
      </p>
    </form>
  </section>
</template>

<style scoped>
.ports {
  max-width: 1000px;
  margin-top: 18px;
}

.turned td {
  color: var(--red);
}

.number,
.day {
  display: block;
  white-space: nowrap;
}

td.day {
  display: table-cell;
}

.acts {
  display: flex;
  gap: 12px;
  padding-top: 10px;
}
</style>
