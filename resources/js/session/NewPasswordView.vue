<script setup lang="ts">
import { ref } from 'vue'
import { useRoute } from 'vue-router'
import { client, take } from '@/api'
import { TextRow, useAttempt, useTitle } from '@/shared'
import { useSession } from './session'

/** For who forgot their password: first a letter, then, by the code behind its #, a new one. */
const { reseller } = useSession()
const code = useRoute().hash.slice(1)

const name = ref('')
const password = ref('')
const isSent = ref(false)
const isSet = ref(false)
const { busy, faults, attempt } = useAttempt()

const send = (): Promise<void> =>
  attempt(async () => {
    await take(client.POST('/password-letters', { body: { signIn: name.value.trim() } }))
    isSent.value = true
  })

const choose = (): Promise<void> =>
  attempt(async () => {
    await take(client.PUT('/password-letters', { body: { code, password: password.value } }))
    isSet.value = true
  })

useTitle(() => ['New password'])
</script>

<template>
  <main class="new-password">
    <h1>Jaunty Roster</h1>
    <p class="soft">{{ reseller }}</p>
    <p v-if="isSet" class="said" role="status">
      The password is set, and you are signed out everywhere. <router-link to="/sign-in">Sign in with it</router-link>.
    </p>
    <form v-else-if="code !== ''" novalidate @submit.prevent="choose">
      <!-- Password managers look for whose password it is; the letter alone knows. -->
      <input type="text" autocomplete="username" value="" hidden aria-hidden="true" />
      <TextRow
        v-model="password"
        label="New password"
        help="At least 12 characters; several words are easiest."
        :fault="faults['password']"
        name="password"
        type="password"
        autocomplete="new-password"
        show-password
      />
      <p v-if="faults[''] !== undefined" class="fault" role="alert">
        {{ faults[''] }} <router-link to="/new-password" @click="$router.go(0)">Ask for another letter</router-link>.
      </p>
      <p class="act"><el-button type="primary" native-type="submit" :disabled="busy">Set it</el-button></p>
    </form>
    <p v-else-if="isSent" class="said" role="status">
      If anybody signs in as {{ name.trim() }}, a letter is on its way. What it holds opens once, for an hour.
    </p>
    <form v-else novalidate @submit.prevent="send">
      <TextRow
        v-model="name"
        label="Sign-in"
        help="A letter goes there; the password stays as it is until you choose another."
        :fault="faults['signIn']"
        name="signIn"
        autocomplete="username"
        autofocus
      />
      <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
      <p class="act">
        <el-button type="primary" native-type="submit" :disabled="busy || name.trim() === ''"
          >Send me a letter</el-button
        >
        {{ ' ' }}
        <router-link class="back" to="/sign-in">Back to signing in</router-link>
      </p>
    </form>
  </main>
</template>

<style scoped>
.new-password {
  width: min(440px, 100% - 36px);
  margin: 14vh auto 0;
}

.new-password h1 {
  color: var(--teal);
  font-size: 28px;
}

.new-password form,
.said {
  margin-top: 20px;
  padding-top: 12px;
  border-top: 1px solid var(--ink);
}

.act {
  margin-top: 16px;
}

.back {
  margin-left: 14px;
}
</style>
