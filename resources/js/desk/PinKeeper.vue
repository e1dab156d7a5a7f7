<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, detailOf, take, type ObjectOf } from '@/api'
import { dateThere } from '@/shared'
import { useDesk } from './desk'

/**
 * PINs of mailboxes: made here, shown once, told to the switch by the next push. The book knows only how strong one is.
 */
const { objects, selected } = defineProps<{
  objects: (ObjectOf<'mailbox'> | ObjectOf<'route'>)[]
  zone: string
  selected: string | undefined
}>()

const { customer, queries } = useDesk()
const queryClient = useQueryClient()
const params = { path: { customer } }
const { data } = useQuery({
  queryKey: ['secrets', customer],
  queryFn: async () => (await take(client.GET('/customers/{customer}/secrets', { params }))).secrets,
})
const made = computed(() => new Map((data.value ?? []).map((secret) => [secret.object, secret])))
/** More are not listed one by one below a sheet that lists them already. */
const MOST_LISTED = 150
const listed = computed(() =>
  objects.length <= MOST_LISTED
    ? objects
    : objects.filter((object) => made.value.has(object.ref) || object.ref === selected),
)
const shown = ref<{ object: string; value: string }>()
const fault = ref<string>()
const isBusy = ref(false)

async function attempt(work: () => Promise<void>): Promise<void> {
  if (isBusy.value) return
  isBusy.value = true
  fault.value = undefined
  shown.value = undefined
  try {
    await work()
  } catch (error) {
    fault.value = detailOf(error)
  } finally {
    isBusy.value = false
    void queryClient.invalidateQueries({ queryKey: ['secrets', customer] })
  }
}

const make = (object: string): Promise<void> =>
  attempt(async () => {
    await take(client.POST('/customers/{customer}/secrets', { params, body: { object, value: null } }))
    await queryClient.invalidateQueries({ queryKey: queries.desk.queryKey })
  })

const show = (object: string): Promise<void> =>
  attempt(async () => {
    shown.value = {
      object,
      value: (await take(client.POST('/customers/{customer}/secrets/reveal', { params, body: { object } }))).value,
    }
  })
</script>

<template>
  <section class="pins">
    <h2>PINs</h2>
    <p class="soft">
      Made here, shown once, told to the switch by the next push. They stand in no book, export or log.
    </p>
    <p v-if="listed.length < objects.length" class="soft">
      Of {{ objects.length }} mailboxes, those that have a PIN from here, and the one chosen above.
    </p>
    <p v-if="fault !== undefined" class="fault" role="alert">{{ fault }}</p>
    <table data-testid="pins">
      <thead>
        <tr>
          <th scope="col">Mailbox</th>
          <th scope="col">PIN</th>
          <th scope="col">Made here</th>
          <th scope="col">The switch</th>
          <td class="corner" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="object in listed" :key="object.ref">
          <td>{{ object.label }}</td>
          <td>
            <span v-if="shown?.object === object.ref" class="mono" role="status">{{ shown.value }}</span><template
              v-else
              >{{ object.fields.pin }}</template
            >
          </td>
          <td class="soft">
            {{
              made.get(object.ref) === undefined
                ? 'no'
                : `${dateThere(made.get(object.ref)?.changedOn ?? '', zone)}, ${made.get(object.ref)?.by}`
            }}
          </td>
          <td class="soft">
            {{
              made.get(object.ref) === undefined
                ? ''
                : made.get(object.ref)?.isSent
                  ? 'has been told'
                  : 'is told by the next push'
            }}
          </td>
          <td class="hands">
            <button type="button" class="quiet-button" :disabled="isBusy" @click="make(object.ref)">
              {{ made.has(object.ref) ? 'Make a new one' : 'Make one' }}
            </button>
            <button
              v-if="made.get(object.ref)?.isShown === false"
              type="button"
              class="quiet-button"
              :disabled="isBusy"
              @click="show(object.ref)"
            >
              Show it, once
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.pins {
  margin-top: 26px;
}

/* Of one width before and after it is known who was told. */
table {
  table-layout: fixed;
}

th:nth-child(2) {
  width: 80px;
}

.corner {
  width: 250px;
}

.hands {
  white-space: nowrap;
}

.hands button + button {
  margin-left: 6px;
}
</style>
