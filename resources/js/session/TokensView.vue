<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { client, take } from '@/api'
import {
  age,
  EmptyState,
  ErrorState,
  FieldRow,
  LoadingLines,
  PageTop,
  TextRow,
  useAttempt,
  useNow,
  useTitle,
} from '@/shared'
import { useSession } from './session'

const SCOPES = [
  { value: 'read', said: 'read' },
  { value: 'edit', said: 'read and edit' },
  { value: 'push', said: 'read, edit and push' },
] as const

const { technician } = useSession()
const queryClient = useQueryClient()
const now = useNow()
const tokens = useQuery({ queryKey: ['tokens'], queryFn: async () => (await take(client.GET('/api-tokens'))).tokens })

const name = ref('')
const scope = ref<'read' | 'edit' | 'push'>('read')
const days = ref('90')
const { faults, attempt: send } = useAttempt()
const made = ref<{ name: string; token: string }>()
const isCopied = ref(false)

const attempt = (work: () => Promise<void>): Promise<void> =>
  send(async () => {
    await work()
    await queryClient.invalidateQueries({ queryKey: ['tokens'] })
  })

const make = (): Promise<void> =>
  attempt(async () => {
    const typed = days.value.trim()
    // What is no number goes as it was typed, for the server to say what is wrong with it.
    const answer = await take(
      client.POST('/api-tokens', {
        body: { name: name.value.trim(), scope: scope.value, days: typed === '' ? null : Number(typed) },
      }),
    )
    made.value = { name: answer.name, token: answer.token ?? '' }
    isCopied.value = false
    name.value = ''
  })

const takeBack = (token: string): Promise<void> =>
  attempt(async () => {
    await take(client.DELETE('/api-tokens/{token}', { params: { path: { token } } }))
    made.value = undefined
  })

async function copy(): Promise<void> {
  await navigator.clipboard.writeText(made.value?.token ?? '')
  isCopied.value = true
}

const saysScope = (value: string): string => SCOPES.find((each) => each.value === value)?.said ?? value

useTitle(() => ['Tokens for programs'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Tokens for programs</h1>
    <span class="soft">{{ technician?.name }}</span></PageTop
  >
  <main class="tokens">
    <p class="soft">
      A program that sends one as <span class="mono">Authorization: Bearer …</span> does what you may do, and no more
      than the token says. What there is to ask is in <span class="mono">contract/openapi.yaml</span>.
    </p>
    <section v-if="made !== undefined" class="made" role="status">
      <p>
        <strong>{{ made.name }}</strong> · shown once; keep it where only the program reads it.
      </p>
      <p class="token">
        <code class="mono" data-testid="token">{{ made.token }}</code>
        {{ ' ' }}
        <button type="button" class="quiet-button" @click="copy">{{ isCopied ? 'Copied' : 'Copy' }}</button>
      </p>
    </section>
    <LoadingLines v-if="tokens.isPending.value" what="your tokens" />
    <ErrorState v-else-if="tokens.error.value !== null" :error="tokens.error.value" @again="tokens.refetch()" />
    <EmptyState v-else-if="tokens.data.value?.length === 0" title="You have made no token yet" />
    <table v-else>
      <thead>
        <tr>
          <th scope="col">For</th>
          <th scope="col">May</th>
          <th scope="col">Made</th>
          <th scope="col">Until</th>
          <th scope="col">Last used</th>
          <td class="corner" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="token in tokens.data.value" :key="token.id">
          <td>{{ token.name }}</td>
          <td>{{ saysScope(token.scope) }}</td>
          <td>{{ age(token.madeAt, now) }}</td>
          <td>{{ token.until === null ? 'no end' : token.until.slice(0, 10) }}</td>
          <td class="soft">{{ token.lastUsedAt === null ? 'never' : age(token.lastUsedAt, now) }}</td>
          <td><button type="button" class="quiet-button" @click="takeBack(token.id)">Take back</button></td>
        </tr>
      </tbody>
    </table>
    <h2>Make one</h2>
    <form novalidate @submit.prevent="make">
      <TextRow
        v-model="name"
        label="For which program"
        :fault="faults['name']"
        name="name"
        maxlength="80"
        placeholder="for example nightly drift report"
        autocomplete="off"
      />
      <FieldRow v-slot="field" label="It may" :fault="faults['scope']">
        <el-select :id="field.id" v-model="scope" name="scope"
          ><el-option v-for="each in SCOPES" :key="each.value" :label="each.said" :value="each.value"
        /></el-select>
      </FieldRow>
      <TextRow
        v-model="days"
        label="For how many days"
        help="Left empty: without end."
        :fault="faults['days']"
        name="days"
        inputmode="numeric"
        autocomplete="off"
      />
      <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
      <p class="act">
        <el-button type="primary" native-type="submit" :disabled="name.trim() === ''">Make it</el-button>
      </p>
    </form>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.tokens {
  display: grid;
  gap: 14px;
  max-width: 860px;
  padding: 18px 22px;
}

.made {
  padding: 12px 14px;
  border-left: 3px solid var(--buoy);
  background: var(--sheet);
}

.token {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding-top: 6px;
  overflow-wrap: anywhere;
}

.act {
  padding-top: 12px;
}
</style>
