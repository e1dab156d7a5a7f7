<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take } from '@/api'
import { dayInWords, useAttempt } from '@/shared'
import { useDesk } from '../desk'
import InlineField from '../InlineField.vue'

/** Numbers of other carriers that people of this customer may show: each was called, and a code read back. */
const { customer, names, mayEdit } = useDesk()
const queryClient = useQueryClient()
const queryKey = ['identity', customer]
const identity = useQuery({
  queryKey,
  queryFn: () => take(client.GET('/customers/{customer}/identity', { params: { path: { customer } } })),
})
const all = computed(() => identity.data.value?.elsewhere ?? [])
const tenant = computed(() => names.value.all('tenant')[0])
const shownBy = (number: string): string[] =>
  names.value.objects.flatMap((each) =>
    each.kind === 'user' && each.fields.showsOutside === number ? [each.label] : [],
  )
const typed = ref('')
const codes = ref<Record<string, string>>({})
const { busy, faults, attempt } = useAttempt()
const at = ref('')

const act = (of: string, work: () => Promise<unknown>): Promise<void> =>
  attempt(async () => {
    at.value = of
    queryClient.setQueryData(queryKey, await work())
    await queryClient.invalidateQueries({ queryKey: ['computed', customer] })
  })
const call = (): Promise<void> =>
  act('', async () => {
    const told = await take(
      client.POST('/customers/{customer}/identity/elsewhere', {
        params: { path: { customer } },
        body: { number: typed.value },
      }),
    )
    typed.value = ''
    return told
  })
const check = (number: string): Promise<void> =>
  act(number, () =>
    take(
      client.POST('/customers/{customer}/identity/elsewhere/{number}', {
        params: { path: { customer, number } },
        body: { code: codes.value[number] ?? '' },
      }),
    ),
  )
const forget = (number: string): Promise<void> =>
  act(number, () =>
    take(
      client.DELETE('/customers/{customer}/identity/elsewhere/{number}', { params: { path: { customer, number } } }),
    ),
  )
</script>

<template>
  <section class="elsewhere" data-testid="elsewhere">
    <h2>Numbers elsewhere that may be shown</h2>
    <p class="soft">
      Of other carriers. Each is called, and whoever picks up tells the code that was spoken. People may withhold their
      number:
      <InlineField v-if="tenant !== undefined" :object="tenant" path="mayWithhold" label="May withhold" />; calls for
      help always show one.
    </p>
    <table v-if="all.length > 0">
      <tbody>
        <tr v-for="each in all" :key="each.number">
          <td class="mono">{{ each.display }}</td>
          <td>
            <template v-if="each.verifiedAt !== null">
              known since {{ dayInWords(each.verifiedAt.slice(0, 10))
              }}<span v-if="shownBy(each.number).length > 0">, shown by {{ shownBy(each.number).join(', ') }}</span>
            </template>
            <form v-else class="code" novalidate @submit.prevent="check(each.number)">
              called by {{ each.by }}; the code:
              <el-input
                v-model="codes[each.number]"
                class="digits"
                size="small"
                inputmode="numeric"
                :aria-label="`Code of ${each.display}`"
                autocomplete="off"
              />
              <button type="submit" class="quiet-button" :disabled="busy || (codes[each.number] ?? '').trim() === ''">
                Read it back
              </button>
              <span v-if="at === each.number && faults['code'] !== undefined" class="fault" role="alert">{{
                faults['code']
              }}</span>
            </form>
          </td>
          <td>
            <button v-if="mayEdit" type="button" class="text-button" :disabled="busy" @click="forget(each.number)">
              forget it
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form v-if="mayEdit" class="code" novalidate @submit.prevent="call">
      <el-input
        v-model="typed"
        class="number"
        size="small"
        placeholder="another number, as it is dialled"
        aria-label="Number elsewhere"
        autocomplete="off"
      />
      <button type="submit" class="quiet-button" :disabled="busy || typed.trim() === ''">Have it called</button>
    </form>
    <p v-if="at === '' && (faults['number'] !== undefined || faults[''] !== undefined)" class="fault" role="alert">
      {{ faults['number'] ?? faults[''] }}
    </p>
  </section>
</template>

<style scoped>
.elsewhere {
  margin-top: 18px;
}

.code {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}

.digits {
  width: 90px;
}

.number {
  width: 260px;
}
</style>
