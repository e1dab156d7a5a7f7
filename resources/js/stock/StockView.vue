<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take } from '@/api'
import { EmptyState, ErrorState, LoadingLines, PageTop, plural, TextRow, useAttempt, useTitle } from '@/shared'

/** The reseller's numbers that are free: ordered from the carrier after a look at the price, or put in by list. */
const queryClient = useQueryClient()
const stock = useQuery({ queryKey: ['stock'], queryFn: async () => (await take(client.GET('/stock'))).numbers })
const { busy, faults, attempt } = useAttempt()
const outcome = ref('')
const added = ref<string[]>([])

const prefix = ref('')
const count = ref('10')
interface Offer {
  number: string
  display: string
  monthlyCents: number
}
const offers = ref<Offer[]>()
const chosen = ref<string[]>([])
const price = computed(() => {
  const cents = (offers.value ?? [])
    .filter((each) => chosen.value.includes(each.number))
    .reduce((sum, each) => sum + each.monthlyCents, 0)
  return (cents / 100).toFixed(2)
})

function begin(): void {
  outcome.value = ''
  added.value = []
}
const anew = (): Promise<void> => queryClient.invalidateQueries({ queryKey: ['stock'] })

const search = (): Promise<void> =>
  attempt(async () => {
    begin()
    const query = { prefix: prefix.value.trim(), count: (count.value.trim() || 10) as number }
    offers.value = (await take(client.GET('/stock/offers', { params: { query } }))).offers
    chosen.value = offers.value.map((each) => each.number)
  })

const order = (): Promise<void> =>
  attempt(async () => {
    begin()
    const wanted = (offers.value ?? []).filter((each) => chosen.value.includes(each.number))
    const { ordered, trouble } = await take(
      client.POST('/stock/orders', {
        body: { numbers: wanted.map(({ number, monthlyCents }) => ({ number, monthlyCents })) },
      }),
    )
    const rest = trouble === null ? '' : `; the rest not: ${trouble}`
    outcome.value = `${plural(ordered.length, 'number')} ordered${rest}.`
    offers.value = trouble === null ? undefined : wanted.filter((each) => !ordered.includes(each.number))
    await anew()
  })

const text = ref('')
interface Read {
  lines: { typed: string; readAs: string | null; fault: string | null }[]
  numbers: string[]
}
const read = ref<Read>()
const refused = computed(() => read.value?.lines.filter((line) => line.fault !== null) ?? [])

const look = (): Promise<void> =>
  attempt(async () => {
    begin()
    read.value = await take(client.POST('/stock/read', { body: { text: text.value } }))
  })

const add = (): Promise<void> =>
  attempt(async () => {
    begin()
    const answer = await take(client.POST('/stock', { body: { numbers: read.value?.numbers ?? [] } }))
    added.value = answer.added
    outcome.value =
      `${plural(answer.added.length, 'number')} put into stock` +
      (answer.known.length === 0
        ? '.'
        : `; ${plural(answer.known.length, 'number')} of another customer of ours left out.`)
    // What could not be read stays to be mended.
    text.value = refused.value.map((line) => line.typed).join('\n')
    read.value = undefined
    await anew()
  })

const takeOut = (): Promise<void> =>
  attempt(async () => {
    const { gone } = await take(client.POST('/stock/removals', { body: { numbers: added.value } }))
    begin()
    outcome.value = `${plural(gone, 'number')} taken out again.`
    await anew()
  })

const shown = computed(() => stock.data.value ?? [])
useTitle(() => ['Numbers in stock'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Numbers in stock</h1>
    <span class="soft">free ones, for customers taken on from here</span></PageTop
  >
  <main class="stock">
    <p class="outcome" :class="{ said: outcome !== '' }" role="status">
      {{ outcome }}
      <button v-if="added.length > 0" type="button" class="quiet-button" @click="takeOut">Take them out again</button>
    </p>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <section class="ways">
      <form novalidate @submit.prevent="search">
        <h2>Order from the carrier</h2>
        <TextRow
          v-model="prefix"
          label="Beginning with"
          help="First digits, country code first."
          :fault="faults['prefix']"
          name="prefix"
          inputmode="numeric"
          placeholder="1902"
          autocomplete="off"
        />
        <TextRow v-model="count" label="How many" :fault="faults['count']" name="count" inputmode="numeric" />
        <p class="send">
          <button type="submit" class="quiet-button" :disabled="busy || prefix.trim() === ''">Look</button>
        </p>
        <template v-if="offers !== undefined">
          <EmptyState v-if="offers.length === 0" title="The carrier has none that begin so" />
          <template v-else>
            <el-checkbox-group v-model="chosen" class="offers" aria-label="Offered numbers">
              <el-checkbox v-for="each in offers" :key="each.number" :value="each.number" :label="each.display" />
            </el-checkbox-group>
            <p class="send">
              <el-button type="primary" :disabled="busy || chosen.length === 0" @click="order"
                >Order {{ plural(chosen.length, 'number') }} for {{ price }} a month</el-button
              >
            </p>
          </template>
        </template>
      </form>
      <form novalidate @submit.prevent="look">
        <h2>Put in by list</h2>
        <label for="list" class="soft"
          >Numbers the carrier gave you, one to a line; ranges as “902 555 0100 to 0149”</label
        >
        <el-input id="list" v-model="text" type="textarea" :rows="6" name="list" @input="read = undefined" />
        <p v-if="faults['text'] !== undefined" class="fault" role="alert">{{ faults['text'] }}</p>
        <p class="send">
          <button type="submit" class="quiet-button" :disabled="busy || text.trim() === ''">Look</button>
          <el-button v-if="read !== undefined" type="primary" :disabled="busy || read.numbers.length === 0" @click="add"
            >Put {{ plural(read.numbers.length, 'number') }} into stock</el-button
          >
        </p>
        <table v-if="read !== undefined" class="lines">
          <tbody>
            <tr v-for="(line, at) in read.lines" :key="at">
              <td>{{ line.typed }}</td>
              <td :class="line.fault === null ? 'soft' : 'fault'">{{ line.fault ?? line.readAs }}</td>
            </tr>
          </tbody>
        </table>
      </form>
    </section>
    <h2>{{ shown.length === 0 ? 'Free' : `${plural(shown.length, 'number')} free` }}</h2>
    <LoadingLines v-if="stock.isPending.value" what="numbers" />
    <ErrorState v-else-if="stock.error.value !== null" :error="stock.error.value" @again="stock.refetch()" />
    <EmptyState v-else-if="shown.length === 0" title="No number is free" />
    <ul v-else class="numbers">
      <li v-for="each in shown" :key="each.number">
        {{ each.display }} <span class="soft small">{{ each.region }}</span>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.stock {
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

.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(380px, 1fr));
  gap: 36px;
}

form {
  display: grid;
  align-content: start;
  gap: 6px;
}

.offers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
}

.send {
  display: flex;
  gap: 14px;
  padding-top: 10px;
}

.numbers {
  columns: 5 190px;
  padding: 0;
  list-style: none;
}
</style>
