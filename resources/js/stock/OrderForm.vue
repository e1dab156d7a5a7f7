<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { client, take, type NumberOffer } from '@/api'
import { ChoiceField, DayField, EmptyState, FieldRow, plural, TextRow, useAttempt } from '@/shared'
import { money } from './stock'

/** Numbers looked for at the carrier: reserved until a day, or ordered at the charge that stands on the button. */
const emit = defineEmits<{ done: [said: string] }>()

const { busy, faults, attempt } = useAttempt()
const sought = reactive({ prefix: '', having: '', spelling: '', town: '', kind: '', run: '', count: '10' })
const offers = ref<NumberOffer[]>()
const chosen = ref<string[]>([])
const until = ref('')
/** Of this order: sent twice it is one. */
const reference = ref('')

const KINDS = [
  ['', 'local or toll-free'],
  ['0', 'local'],
  ['1', 'toll-free'],
] as const

const wanted = computed(() => (offers.value ?? []).filter((each) => chosen.value.includes(each.number)))
const sum = (of: 'onceCents' | 'monthlyCents'): number => wanted.value.reduce((all, each) => all + each[of], 0)
const charge = computed(() => {
  const currency = wanted.value[0]?.currency ?? ''
  const monthly = `${money(sum('monthlyCents'), currency)} a month`
  return sum('onceCents') === 0 ? monthly : `${money(sum('onceCents'), currency)} once and ${monthly}`
})

const look = (): Promise<void> =>
  attempt(async () => {
    const { kind, run, count, ...words } = sought
    const query = {
      ...words,
      ...(kind === '' ? {} : { tollFree: kind as '0' | '1' }),
      // What is no number goes to the server as it is, which says what was wanted.
      ...(run.trim() === '' ? {} : { run: run.trim() as unknown as number }),
      ...(count.trim() === '' ? {} : { count: count.trim() as unknown as number }),
    }
    offers.value = (await take(client.GET('/stock/offers', { params: { query } }))).offers
    chosen.value = offers.value.map((each) => each.number)
    reference.value = crypto.randomUUID()
  })

const order = (): Promise<void> =>
  attempt(async () => {
    const { order: placed } = await take(
      client.POST('/stock/orders', {
        body: {
          id: reference.value,
          numbers: wanted.value.map((each) => each.number),
          onceCents: sum('onceCents'),
          monthlyCents: sum('monthlyCents'),
          currency: wanted.value[0]?.currency ?? '',
        },
      }),
    )
    const many = plural(placed.numbers.length, 'number')
    if (placed.state !== 'refused') offers.value = undefined
    emit(
      'done',
      {
        ordered: `${many} ordered.`,
        waiting: `${many} asked for: somebody who may order as much has to confirm it.`,
        sent: `The carrier has not answered: ${placed.trouble ?? ''}. It is asked again by night, or at a press below.`,
        refused: `Nothing was ordered: ${placed.trouble ?? ''}.`,
      }[placed.state],
    )
  })

const reserve = (): Promise<void> =>
  attempt(async () => {
    const body = { numbers: wanted.value.map((each) => each.number), until: until.value }
    const { reserved } = await take(client.POST('/stock/reservations', { body }))
    offers.value = undefined
    emit('done', `${plural(reserved.length, 'number')} reserved.`)
  })
</script>

<template>
  <form class="order" novalidate @submit.prevent="look">
    <div class="fields">
      <TextRow
        v-model="sought.prefix"
        label="Beginning with"
        help="First digits, country code first."
        :fault="faults['prefix']"
        name="prefix"
        inputmode="numeric"
        placeholder="1902"
        autocomplete="off"
      />
      <TextRow
        v-model="sought.having"
        label="With the digits"
        help="Anywhere in it."
        :fault="faults['having']"
        name="having"
        inputmode="numeric"
        autocomplete="off"
      />
      <TextRow
        v-model="sought.spelling"
        label="Spelling"
        help="Letters on the keys, anywhere in it."
        :fault="faults['spelling']"
        name="spelling"
        placeholder="BOAT"
        autocomplete="off"
      />
      <TextRow v-model="sought.town" label="Town" :fault="faults['town']" name="town" autocomplete="off" />
      <FieldRow v-slot="field" label="Kind" :fault="faults['tollFree']">
        <ChoiceField :id="field.id" v-model="sought.kind" :options="KINDS" />
      </FieldRow>
      <TextRow
        v-model="sought.run"
        label="In a row"
        help="So many one after the other; left empty, any."
        :fault="faults['run']"
        name="run"
        inputmode="numeric"
      />
      <TextRow v-model="sought.count" label="How many" :fault="faults['count']" name="count" inputmode="numeric" />
    </div>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <p class="send"><button type="submit" class="quiet-button" :disabled="busy">Look</button></p>
  </form>
  <template v-if="offers !== undefined">
    <EmptyState v-if="offers.length === 0" title="The carrier has none like that">Ask for less of it.</EmptyState>
    <template v-else>
      <el-checkbox-group v-model="chosen" class="offers" aria-label="Offered numbers">
        <el-checkbox v-for="each in offers" :key="each.number" :value="each.number">
          {{ each.display }} <span class="soft small">{{ each.isTollFree ? 'toll-free' : each.town }}</span>
        </el-checkbox>
      </el-checkbox-group>
      <p class="send">
        <el-button type="primary" :disabled="busy || chosen.length === 0" @click="order"
          >Order {{ plural(chosen.length, 'number') }} for {{ charge }}</el-button
        >
        <span class="or soft">or hold them until</span>
        <DayField v-model="until" aria-label="Reserved until" />
        <button
          type="button"
          class="quiet-button"
          :disabled="busy || chosen.length === 0 || until === ''"
          @click="reserve"
        >
          Reserve
        </button>
      </p>
      <p v-if="faults['until'] !== undefined" class="fault" role="alert">{{ faults['until'] }}</p>
    </template>
  </template>
</template>

<style scoped>
.order {
  display: grid;
  gap: 6px;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
  gap: 2px 36px;
}

.offers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  padding-top: 8px;
}

.send {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding-top: 8px;
}
</style>
