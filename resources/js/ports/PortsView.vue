<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take, type PortLine } from '@/api'
import {
  age,
  dayInWords,
  EmptyState,
  ErrorState,
  LoadingLines,
  PageTop,
  plural,
  some,
  useNow,
  useTitle,
} from '@/shared'
import CalendarAddress from './CalendarAddress.vue'
import { portInWords } from './ports'

/** Ports under way, of every customer: what is stuck first, then by their day. */
const ports = useQuery({ queryKey: ['ports'], queryFn: async () => (await take(client.GET('/ports'))).ports })
const now = useNow()

/** Somebody here has to do something. */
const isStuck = ({ state }: PortLine): boolean => ['open', 'rejected', 'failedBack', 'asked'].includes(state)
const parts = computed(() => {
  const all = ports.data.value ?? []
  return [
    { title: 'Somebody here has to do something', lines: all.filter(isStuck) },
    { title: 'On their way', lines: all.filter((each) => !isStuck(each)) },
  ].filter((each) => each.lines.length > 0)
})
useTitle(() => ['Ports'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Ports</h1>
    <span class="soft">numbers on their way, in and out</span>
    <template #hand><router-link to="/numbers">Numbers</router-link></template></PageTop
  >
  <main class="ports">
    <LoadingLines v-if="ports.isPending.value" what="ports" />
    <ErrorState v-else-if="ports.error.value !== null" :error="ports.error.value" @again="ports.refetch()" />
    <EmptyState v-else-if="parts.length === 0" title="No number is on its way"
      >A port begins on a customer’s desk, under Numbers: a number there says “porting in”.</EmptyState
    >
    <section v-for="part in parts" v-else :key="part.title">
      <h2>{{ part.title }}: {{ plural(part.lines.length, 'port') }}</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Day</th>
            <th scope="col">Customer</th>
            <th scope="col">Numbers</th>
            <th scope="col">From or to</th>
            <th scope="col">How it stands</th>
            <th scope="col">Read</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="port in part.lines" :key="port.id">
            <td class="day">
              {{ dayInWords(port.day) }} <span class="soft">{{ port.hours }}</span>
            </td>
            <td>
              <router-link :to="`/customers/${port.customer}/numbers`">{{ port.customerName }}</router-link>
            </td>
            <td>
              <router-link :to="`/customers/${port.customer}/ports/${port.id}`" class="mono">{{
                some(port.numbers, 2)
              }}</router-link>
            </td>
            <td>{{ port.direction === 'in' ? 'from' : 'to' }} {{ port.with === '' ? 'nobody said' : port.with }}</td>
            <td :class="{ fault: port.state === 'rejected' || port.state === 'failedBack' }">
              {{ portInWords(port.state) }}<template v-if="port.remark !== ''">: {{ port.remark }}</template
              ><template v-if="port.state === 'asked' && port.answerBy !== null"
                >, to be answered by {{ dayInWords(port.answerBy) }}</template
              >
            </td>
            <td class="soft">{{ port.readAt === null ? 'never' : age(port.readAt, now) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <CalendarAddress />
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.ports {
  display: grid;
  gap: 18px;
  max-width: 1160px;
  padding: 14px 22px 60px;
}

.day {
  white-space: nowrap;
}
</style>
