<script setup lang="ts">
import { computed, ref } from 'vue'
import { detailOf, type CallsMade } from '@/api'
import { age, plural, useNow } from '@/shared'
import { useDesk } from './desk'
import { useCallRecords } from './callRecords'

/** Calls of the last ninety days, a line for each number or for one group: what a decision can rest on. */
const { by, only = '' } = defineProps<{ by: 'numbers' | 'groups'; only?: string }>()

const DAYS = 90
const { customer, names } = useDesk()
const { records, read } = useCallRecords(DAYS)
const now = useNow()
const fault = ref<string>()
const isBusy = ref(false)

const lines = computed(() => (records.data.value?.[by] ?? []).filter((each) => only === '' || each.of === only))

function share(line: CallsMade['whole']): string {
  return line.calls === 0 ? '' : `${Math.round((line.answered / line.calls) * 100)} %`
}

async function ask(): Promise<void> {
  isBusy.value = true
  fault.value = undefined
  try {
    await read()
  } catch (error) {
    fault.value = detailOf(error)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <section v-if="records.data.value !== undefined" class="calls" aria-label="Calls of the last 90 days">
    <h2>Calls of the last 90 days</h2>
    <p v-if="fault !== undefined" class="fault" role="alert">{{ fault }}</p>
    <p v-if="lines.length === 0" class="soft">
      {{
        records.data.value.readAt === null
          ? 'The switch was not asked for its call records yet.'
          : `None, as read ${age(records.data.value.readAt, now)}.`
      }}
    </p>
    <table v-else data-testid="calls-made">
      <thead>
        <tr>
          <th scope="col">{{ by === 'numbers' ? 'Called' : 'Through' }}</th>
          <th scope="col">Calls</th>
          <th scope="col">Answered</th>
          <th scope="col">Missed</th>
          <th scope="col">Messages</th>
          <th scope="col">Half waited less than</th>
          <th scope="col">Longest wait</th>
          <th scope="col">Last answered</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.of">
          <td>{{ names.of(line.of) }}</td>
          <td class="mono">{{ line.calls }}</td>
          <td class="mono">
            {{ line.answered }} <span class="soft small">{{ share(line) }}</span>
          </td>
          <td class="mono">{{ line.missed }}</td>
          <td class="mono">{{ line.messages }}</td>
          <td class="mono">{{ line.usualWait }} s</td>
          <td class="mono">{{ line.longestWait }} s</td>
          <td class="soft">{{ line.lastAnswered === null ? 'never' : age(line.lastAnswered, now) }}</td>
        </tr>
        <tr v-if="by === 'numbers' && lines.length > 1" class="whole">
          <td>All of them</td>
          <td class="mono">{{ records.data.value.whole.calls }}</td>
          <td class="mono">
            {{ records.data.value.whole.answered }}
            <span class="soft small">{{ share(records.data.value.whole) }}</span>
          </td>
          <td class="mono">{{ records.data.value.whole.missed }}</td>
          <td class="mono">{{ records.data.value.whole.messages }}</td>
          <td class="mono">{{ records.data.value.whole.usualWait }} s</td>
          <td class="mono">{{ records.data.value.whole.longestWait }} s</td>
          <td class="soft">
            {{
              records.data.value.whole.lastAnswered === null ? 'never' : age(records.data.value.whole.lastAnswered, now)
            }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="acts">
      <button type="button" class="quiet-button" :disabled="isBusy" @click="ask">Read the switch’s records</button>
      <a v-if="records.data.value.whole.calls > 0" :href="`/api/customers/${customer}/history/calls.csv`" download
        >{{ plural(records.data.value.whole.calls, 'call') }} as CSV</a
      >
      <span v-if="records.data.value.readAt !== null" class="soft small"
        >read {{ age(records.data.value.readAt, now) }}; at most {{ plural(records.data.value.mostAtOnce, 'call') }} at
        once</span
      >
    </p>
  </section>
</template>

<style scoped>
.calls {
  margin-top: 20px;
}

.acts {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding-top: 8px;
}
</style>
