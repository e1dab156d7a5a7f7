<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { client, detailOf, take, type ObjectOf } from '@/api'
import { dateThere, plural } from '@/shared'
import { useDesk } from './desk'

/**
 * PINs of mailboxes and the like: made here, shown once, told to the switch by the next push. The book knows only how
 * strong one is.
 */
const { objects, selected } = defineProps<{
  objects: (ObjectOf<'mailbox'> | ObjectOf<'route'> | ObjectOf<'conference'>)[]
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
/** What was shown stays until the chapter is left: it is shown once. */
const shown = reactive(new Map<string, string>())
const without = computed(() => listed.value.filter((object) => !made.value.has(object.ref)))
const unshown = computed(() => listed.value.filter((object) => made.value.get(object.ref)?.isShown === false))
const fault = ref<string>()
const isCopied = ref(false)
/** How many of how many are done. */
const busy = ref<{ done: number; of: number }>()

/** One after the other; the first that does not go ends it, and what was done stays done. */
async function each(refs: string[], work: (ref: string) => Promise<void>): Promise<void> {
  if (busy.value !== undefined) return
  fault.value = undefined
  try {
    for (const [done, ref] of refs.entries()) {
      busy.value = { done, of: refs.length }
      await work(ref)
    }
  } catch (error) {
    fault.value = detailOf(error)
  } finally {
    busy.value = undefined
    void queryClient.invalidateQueries({ queryKey: ['secrets', customer] })
    void queryClient.invalidateQueries({ queryKey: queries.desk.queryKey })
  }
}

const make = (...refs: string[]): Promise<void> =>
  each(refs, async (object) => {
    await take(client.POST('/customers/{customer}/secrets', { params, body: { object, value: null } }))
    shown.delete(object)
  })

const show = (...refs: string[]): Promise<void> =>
  each(refs, async (object) => {
    isCopied.value = false
    shown.set(
      object,
      (await take(client.POST('/customers/{customer}/secrets/reveal', { params, body: { object } }))).value,
    )
  })

/** Names and PINs, as a spreadsheet or a letter takes them. */
async function copy(): Promise<void> {
  const lines = listed.value.flatMap((object) => {
    const pin = shown.get(object.ref)
    return pin === undefined ? [] : [`${object.label}\t${pin}`]
  })
  try {
    await navigator.clipboard.writeText(`${lines.join('\n')}\n`)
    isCopied.value = true
  } catch {
    fault.value = 'The browser lets nothing be copied from here; mark the lines and copy them with Ctrl C.'
  }
}
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
    <p v-if="busy !== undefined" role="status">{{ busy.done }} of {{ plural(busy.of, 'PIN') }} …</p>
    <p v-else-if="without.length > 1 || unshown.length > 1 || shown.size > 0" class="acts">
      <button
        v-if="without.length > 1"
        type="button"
        class="quiet-button"
        @click="make(...without.map((object) => object.ref))"
      >
        Make one for each of the {{ without.length }} without
      </button>
      <button
        v-if="unshown.length > 1"
        type="button"
        class="quiet-button"
        @click="show(...unshown.map((object) => object.ref))"
      >
        Show all {{ unshown.length }}, once
      </button>
      <button v-if="shown.size > 0" type="button" class="quiet-button" @click="copy">
        Copy {{ plural(shown.size, 'PIN') }} with their names
      </button>
      <span v-if="isCopied" class="soft" role="status"
        >Copied; they are not shown again once this chapter is left.</span
      >
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
            <span v-if="shown.has(object.ref)" class="mono" role="status">{{ shown.get(object.ref) }}</span><template
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
            <button type="button" class="quiet-button" :disabled="busy !== undefined" @click="make(object.ref)">
              {{ made.has(object.ref) ? 'Make a new one' : 'Make one' }}
            </button>
            <button
              v-if="made.get(object.ref)?.isShown === false"
              type="button"
              class="quiet-button"
              :disabled="busy !== undefined"
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

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: baseline;
  padding: 6px 0;
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
