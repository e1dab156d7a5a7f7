<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type PersonElsewhere } from '@/api'
import { age, ChoiceField, ErrorState, useAttempt, useNow } from '@/shared'
import { useDesk, useDraft } from '../desk'
import StateMark from '../StateMark.vue'

/** People who work at none of the sites: where help would go, who said so, and a letter that asks them. */
const { customer, queries, mayEdit } = useDesk()
const { edit } = useDraft()
const now = useNow()
const queryClient = useQueryClient()
const people = useQuery(queries.elsewhere)
const { busy, faults, attempt } = useAttempt()

const asking = ref<string>()
const to = ref('')
const language = ref<'en' | 'fr'>('en')
const LANGUAGES = [
  ['en', 'in English'],
  ['fr', 'in French'],
] as const

function begin(person: PersonElsewhere): void {
  asking.value = person.key
  to.value = person.asked?.to ?? person.mail ?? ''
}
const act = (work: () => Promise<{ people: PersonElsewhere[] }>): Promise<void> =>
  attempt(async () => {
    const { people: all } = await work()
    queryClient.setQueryData(queries.elsewhere.queryKey, all)
    asking.value = undefined
  })
const path = (user: string): { params: { path: { customer: string; user: string } } } => ({
  params: { path: { customer, user } },
})
const ask = (user: string): Promise<void> =>
  act(async () =>
    take(
      client.POST('/customers/{customer}/elsewhere/{user}', {
        ...path(user),
        body: { to: to.value.trim(), language: language.value },
      }),
    ),
  )
const takeBack = (user: string): Promise<void> =>
  act(async () => take(client.DELETE('/customers/{customer}/elsewhere/{user}', path(user))))

const takeOver = ({ ref: object, said, address, room }: PersonElsewhere): Promise<void> =>
  said === null
    ? Promise.resolve()
    : edit([
        ...(address === said.line ? [] : [{ object, path: 'emergency/address', value: said.line }]),
        ...((room ?? '') === said.unit
          ? []
          : [{ object, path: 'emergency/room', value: said.unit === '' ? null : said.unit }]),
      ])

const where = (line: string | null, unit: string | null): string =>
  [line, unit].filter((each) => each !== null && each !== '').join(', ')
function confirmed({
  said,
  address,
  asked,
}: PersonElsewhere): readonly [shape: 'dot' | 'half' | 'open' | 'diamond', text: string] {
  if (said?.isTold === true) return ['dot', `confirmed ${age(said.at, now.value)}`]
  if (said !== null) return ['diamond', `said otherwise ${age(said.at, now.value)}`]
  if (asked !== null && !asked.isAnswered)
    return Date.parse(asked.until) < now.value.getTime()
      ? ['open', `asked ${age(asked.at, now.value)}, never answered`]
      : ['half', `asked ${age(asked.at, now.value)}`]
  return address === null ? ['diamond', 'not known'] : ['open', 'never confirmed']
}
const isWaiting = ({ asked }: PersonElsewhere): boolean =>
  asked !== null && !asked.isAnswered && Date.parse(asked.until) >= now.value.getTime()
const rows = computed(() => (people.data.value ?? []).map((person) => ({ person, state: confirmed(person) })))
</script>

<template>
  <section v-if="people.isError.value || rows.length > 0" data-testid="elsewhere">
    <h2>Working elsewhere</h2>
    <ErrorState v-if="people.isError.value" :error="people.error.value" @again="people.refetch()" />
    <table v-else class="lines">
      <thead>
        <tr>
          <th scope="col">User</th>
          <th scope="col">Help is sent to</th>
          <th scope="col">By them</th>
          <th v-if="mayEdit" scope="col"><span class="visually-hidden">Ask</span></th>
        </tr>
      </thead>
      <tbody>
        <template v-for="{ person, state } in rows" :key="person.ref">
          <tr>
            <th scope="row">{{ person.name }}</th>
            <td>
              <template v-if="person.address !== null">{{ where(person.address, person.room) }}</template>
              <span v-else class="fault">their site, where they may not be</span>
              <span v-if="person.said !== null && !person.said.isTold" class="said"
                >They say: {{ where(person.said.line, person.said.unit) }}</span
              >
            </td>
            <td class="state"><StateMark :shape="state[0]" /> {{ state[1] }}</td>
            <td v-if="mayEdit" class="hand">
              <button
                v-if="person.said !== null && !person.said.isTold"
                type="button"
                class="quiet-button"
                @click="takeOver(person)"
              >
                Take it over
              </button>
              <button v-if="isWaiting(person)" type="button" class="text-button" @click="takeBack(person.key)">
                take back
              </button>
              <button type="button" class="text-button" @click="begin(person)">
                {{ person.asked === null ? 'Ask by letter' : 'ask again' }}
              </button>
            </td>
          </tr>
          <tr v-if="asking === person.key">
            <td colspan="4">
              <form class="row" novalidate data-testid="ask" @submit.prevent="ask(person.key)">
                <el-input
                  v-model="to"
                  size="small"
                  class="to"
                  name="to"
                  placeholder="their mail"
                  :aria-label="`Mail of ${person.name}`"
                  autocomplete="off"
                />
                <ChoiceField v-model="language" :options="LANGUAGES" aria-label="Language of the letter" />
                <button type="submit" class="quiet-button" :disabled="busy">Send the letter</button>
                <button type="button" class="text-button" @click="asking = undefined">not now</button>
                <span v-if="Object.keys(faults).length > 0" class="fault" role="alert">{{
                  Object.values(faults)[0]
                }}</span>
              </form>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  max-width: 1000px;
}

h2 {
  margin-top: 24px;
}

.lines {
  width: 100%;
}

.lines tbody th {
  border-bottom: 1px solid var(--rule-soft);
  font-size: inherit;
}

.state,
.hand {
  white-space: nowrap;
}

.hand > button + button {
  margin-left: 12px;
}

.row {
  display: flex;
  gap: 12px;
  align-items: center;
}

.row :deep(.el-select) {
  width: 120px;
}

.row button {
  white-space: nowrap;
}

.said {
  display: block;
  color: var(--teal);
}

.to {
  width: 280px;
}
</style>
