<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take } from '@/api'
import { age, plural, TextRow, useAttempt, useNow } from '@/shared'
import { useSession } from './session'

/** One's own password, and where one is signed in. */
const { technician } = useSession()
const queryClient = useQueryClient()
const now = useNow()
const sessions = useQuery({
  queryKey: ['sessions'],
  queryFn: async () => (await take(client.GET('/sessions'))).sessions,
})
const others = computed(() => (sessions.data.value ?? []).filter((each) => !each.isHere))

const password = ref('')
const chosen = ref('')
const said = ref('')
const { faults, attempt: send } = useAttempt()

const attempt = (work: () => Promise<string>): Promise<void> =>
  send(async () => {
    said.value = ''
    said.value = await work()
    await queryClient.invalidateQueries({ queryKey: ['sessions'] })
  })

const change = (): Promise<void> =>
  attempt(async () => {
    await take(client.PUT('/password', { body: { password: password.value, newPassword: chosen.value } }))
    password.value = chosen.value = ''
    return 'The password is changed. Wherever else you were signed in, you are no more.'
  })

const end = (session: string): Promise<void> =>
  attempt(async () => {
    await take(client.DELETE('/sessions/{session}', { params: { path: { session } } }))
    return 'That sign-in is ended.'
  })

const endOthers = (): Promise<void> =>
  attempt(async () => `${plural((await take(client.DELETE('/sessions'))).ended, 'sign-in')} ended.`)
</script>

<template>
  <h2>Password</h2>
  <p v-if="said !== ''" role="status">{{ said }}</p>
  <form novalidate @submit.prevent="change">
    <input type="text" autocomplete="username" :value="technician?.signIn" hidden aria-hidden="true" />
    <TextRow
      v-model="password"
      label="As it is"
      :fault="faults['password']"
      name="old-password"
      type="password"
      autocomplete="current-password"
    />
    <TextRow
      v-model="chosen"
      label="New"
      help="At least 12 characters; several words are easiest."
      :fault="faults['newPassword']"
      name="new-password"
      type="password"
      autocomplete="new-password"
    />
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <p class="act"><button type="submit" class="quiet-button">Change it</button></p>
  </form>
  <h2>Signed in</h2>
  <ul class="places" data-testid="signed-in">
    <li v-for="each in sessions.data.value ?? []" :key="each.id">
      {{ each.isHere ? 'Here' : age(each.lastSeen, now) }}
      <span class="soft">{{ each.address }} · {{ each.browser }}</span>
      <button
        v-if="!each.isHere"
        type="button"
        class="text-button"
        :aria-label="`End the sign-in from ${each.address}, ${age(each.lastSeen, now)}`"
        @click="end(each.id)"
      >
        End
      </button>
    </li>
  </ul>
  <p v-if="others.length > 0">
    <button type="button" class="quiet-button" @click="endOthers">Sign out everywhere else</button>
  </p>
</template>

<style scoped>
form {
  width: 100%;
}

.places {
  margin: 0;
  padding: 0;
  list-style: none;
}

.places li {
  overflow-wrap: anywhere;
}

.act {
  margin-top: 14px;
}
</style>
