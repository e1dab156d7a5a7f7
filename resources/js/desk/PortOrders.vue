<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { client, take, type ObjectOf } from '@/api'
import { isOver, portInWords } from '@/ports'
import { age, dayInWords, DayField, FieldRow, plural, some, useAttempt, useNow } from '@/shared'
import { useDesk } from './desk'

/** Numbers on their way from another carrier or to one: each order has a page; here they are listed and begun. */
const { numbers } = defineProps<{ numbers: ObjectOf<'number'>[] }>()

const { customer, queries, names, mayEdit } = useDesk()
const queryClient = useQueryClient()
const router = useRouter()
const now = useNow()
const params = { path: { customer } }
const queryKey = ['ports', customer]
const { data: ports } = useQuery({
  queryKey,
  queryFn: async () => (await take(client.GET('/customers/{customer}/ports', { params }))).ports,
})

/** By the book on their way, and with no order under way. */
const waiting = computed(() => {
  const ordered = new Set((ports.value ?? []).filter((port) => !isOver(port.state)).flatMap((port) => port.numbers))
  return numbers.filter((number) => number.fields.status === 'portingIn' && !ordered.has(keyOf(number)))
})
const isShown = computed(() => (ports.value ?? []).length > 0 || waiting.value.length > 0)

const isOpen = ref(false)
const chosen = ref<string[]>([])
const day = ref('')
const { busy: isBusy, faults, attempt: send } = useAttempt()
watch(waiting, (all) => (chosen.value = all.map(keyOf)), { immediate: true })

function keyOf(number: ObjectOf<'number'>): string {
  return number.ref.slice('number:'.length)
}

function begin(): void {
  day.value = waiting.value[0]?.fields.from ?? ''
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

const open = (): Promise<void> =>
  attempt(async () => {
    const first = waiting.value.find((each) => chosen.value.includes(keyOf(each)))
    const site = names.value.as('site', first?.fields.site) ?? names.value.all('site')[0]
    const { port } = await take(
      client.POST('/customers/{customer}/ports', {
        params,
        body: {
          reference: crypto.randomUUID(),
          numbers: chosen.value,
          day: day.value,
          name: names.value.all('tenant')[0]?.label ?? '',
          street: site?.fields.address.street ?? '',
          city: site?.fields.address.city ?? '',
          postcode: site?.fields.address.postcode ?? '',
        },
      }),
    )
    await router.push(`/customers/${customer}/ports/${port.id}`)
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
          <th scope="col">From or to</th>
          <th scope="col">How it stands</th>
          <th scope="col">Day</th>
          <th scope="col">Read</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="port in ports" :key="port.id" :class="{ turned: port.state === 'rejected' }">
          <td>
            <router-link :to="`/customers/${customer}/ports/${port.id}`" class="mono">{{
              some(port.shown, 2)
            }}</router-link>
          </td>
          <td>
            {{ port.direction === 'in' ? 'from' : 'to' }} {{ port.losingCarrier }}
            <span class="soft">{{ port.account }}</span>
          </td>
          <td>
            {{ portInWords(port.state) }}<span v-if="port.remark !== ''">: {{ port.remark }}</span
            ><span v-else-if="port.state === 'open' && port.lacks.length > 0" class="soft"
              >: {{ plural(port.lacks.length, 'thing') }} missing</span
            >
          </td>
          <td class="day">{{ dayInWords(port.day) }}</td>
          <td class="soft">{{ port.readAt === null ? 'never' : age(port.readAt, now) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="acts">
      <button v-if="(ports ?? []).length > 0" type="button" class="quiet-button" :disabled="isBusy" @click="read">
        Ask the carrier how far they are
      </button>
      <button v-if="mayEdit && waiting.length > 0 && !isOpen" type="button" class="quiet-button" @click="begin">
        Begin the port of {{ plural(waiting.length, 'number') }}
      </button>
    </p>
    <form v-if="isOpen && waiting.length > 0" novalidate @submit.prevent="open">
      <el-checkbox-group v-model="chosen" aria-label="Numbers that come over">
        <el-checkbox v-for="each in waiting" :key="each.ref" :value="keyOf(each)" :label="each.display" />
      </el-checkbox-group>
      <p v-if="faults['numbers'] !== undefined" class="fault" role="alert">{{ faults['numbers'] }}</p>
      <FieldRow
        v-slot="field"
        label="Wanted on"
        help="The book says the same, or an audit tells of it."
        :fault="faults['day']"
      >
        <DayField :id="field.id" v-model="day" />
      </FieldRow>
      <p class="acts">
        <el-button type="primary" native-type="submit" :disabled="isBusy || chosen.length === 0"
          >Write it down</el-button
        >
        <button type="button" class="quiet-button" @click="isOpen = false">Not now</button>
        <span class="soft">Nobody is asked yet: bill and letter come next.</span>
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

.day {
  white-space: nowrap;
}

.acts {
  display: flex;
  gap: 12px;
  align-items: center;
  padding-top: 10px;
}
</style>
