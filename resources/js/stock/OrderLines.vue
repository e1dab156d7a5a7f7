<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type NumberOrder } from '@/api'
import { age, plural, some, useAttempt, useNow } from '@/shared'
import { money } from './stock'

/** Orders that somebody has to confirm, or that the carrier has not answered; those that are settled at a press. */
const emit = defineEmits<{ done: [said: string] }>()

const queryClient = useQueryClient()
const orders = useQuery({
  queryKey: ['stock', 'orders'],
  queryFn: async () => (await take(client.GET('/stock/orders'))).orders,
})
const { busy, faults, attempt } = useAttempt()
const now = useNow()
const isWhole = ref(false)
const reasons = ref<Record<string, string>>({})

const OPEN: NumberOrder['state'][] = ['waiting', 'sent']
const open = computed(() => (orders.data.value ?? []).filter((each) => OPEN.includes(each.state)))
const settled = computed(() => (orders.data.value ?? []).filter((each) => !OPEN.includes(each.state)))
const shown = computed(() => (isWhole.value ? [...open.value, ...settled.value] : open.value))
const STATES = { waiting: 'waits to be confirmed', sent: 'not answered', ordered: 'ordered', refused: 'not ordered' }

function charge(order: NumberOrder): string {
  const monthly = `${money(order.monthlyCents, order.currency)} a month`
  return order.onceCents === 0 ? monthly : `${money(order.onceCents, order.currency)} once, ${monthly}`
}

const act = (work: () => Promise<{ order: NumberOrder }>): Promise<void> =>
  attempt(async () => {
    const { order } = await work()
    await queryClient.invalidateQueries({ queryKey: ['stock'] })
    emit(
      'done',
      `${plural(order.numbers.length, 'number')}: ${STATES[order.state]}` +
        `${order.trouble === null ? '' : `, ${order.trouble}`}.`,
    )
  })

const decide = (order: NumberOrder, confirmed: boolean): Promise<void> =>
  act(() =>
    take(
      client.POST('/stock/orders/{order}/decision', {
        params: { path: { order: order.id } },
        body: { confirmed, reason: reasons.value[order.id] ?? null },
      }),
    ),
  )
const again = (order: NumberOrder): Promise<void> =>
  act(() => take(client.POST('/stock/orders/{order}/again', { params: { path: { order: order.id } } })))
</script>

<template>
  <section v-if="(orders.data.value ?? []).length > 0" data-testid="orders">
    <h2>
      Orders
      <button v-if="settled.length > 0" type="button" class="text-button" @click="isWhole = !isWhole">
        {{ isWhole ? 'only those that are open' : `and ${plural(settled.length, 'settled one')}` }}
      </button>
    </h2>
    <p v-for="(fault, at) in faults" :key="at" class="fault" role="alert">{{ fault }}</p>
    <p v-if="shown.length === 0" class="soft">None is open.</p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">Numbers</th>
          <th scope="col">Charge</th>
          <th scope="col">Asked for</th>
          <th scope="col">How it stands</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="order in shown" :key="order.id">
          <td class="mono">{{ some(order.numbers, 3) }}</td>
          <td>{{ charge(order) }}</td>
          <td>
            {{ order.askedBy }} <span class="soft">{{ age(order.askedAt, now) }}</span>
          </td>
          <td>
            {{ STATES[order.state] }}<template v-if="order.decidedBy !== null"> · {{ order.decidedBy }}</template>
            <span v-if="order.trouble !== null" :class="order.state === 'refused' ? 'fault' : 'soft'">
              {{ order.trouble }}</span
            >
          </td>
          <td class="acts">
            <template v-if="order.mayDecide">
              <el-button type="primary" size="small" :disabled="busy" @click="decide(order, true)"
                >Order them</el-button
              >
              <el-input
                v-model="reasons[order.id]"
                size="small"
                placeholder="or why not"
                :aria-label="`Why ${some(order.numbers, 1)} is not ordered`"
              />
              <button
                type="button"
                class="quiet-button"
                :disabled="busy || (reasons[order.id] ?? '').trim() === ''"
                @click="decide(order, false)"
              >
                Refuse
              </button>
            </template>
            <button
              v-if="order.state === 'sent'"
              type="button"
              class="quiet-button"
              :disabled="busy"
              @click="again(order)"
            >
              Ask the carrier again
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
