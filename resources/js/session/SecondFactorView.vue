<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { toDataURL } from 'qrcode'
import { ref } from 'vue'
import { client, detailOf, isProblem, take } from '@/api'
import { PageTop, TextRow, useTitle } from '@/shared'
import OwnPassword from './OwnPassword.vue'
import { sessionQuery, useSession } from './session'

const { technician } = useSession()
const queryClient = useQueryClient()

const password = ref('')
const code = ref('')
const setUp = ref<{ secret: string; picture: string }>()
const recoveryCodes = ref<string[]>()
const fault = ref<string>()

async function attempt(work: () => Promise<void>): Promise<void> {
  fault.value = undefined
  try {
    await work()
  } catch (error) {
    fault.value = isProblem(error) ? (error.problem.errors?.[0]?.detail ?? error.problem.detail) : detailOf(error)
  }
}

const begin = (): Promise<void> =>
  attempt(async () => {
    const begun = await take(client.POST('/second-factor', { body: { password: password.value } }))
    setUp.value = { secret: begun.secret, picture: await toDataURL(begun.address, { width: 220, margin: 1 }) }
    password.value = ''
  })

const confirm = (): Promise<void> =>
  attempt(async () => {
    recoveryCodes.value = (await take(client.PUT('/second-factor', { body: { code: code.value } }))).recoveryCodes
    setUp.value = undefined
    code.value = ''
    await queryClient.query({ ...sessionQuery, staleTime: 0 })
  })

const switchOff = (): Promise<void> =>
  attempt(async () => {
    await take(client.DELETE('/second-factor', { body: { password: password.value } }))
    password.value = ''
    recoveryCodes.value = undefined
    await queryClient.query({ ...sessionQuery, staleTime: 0 })
  })

useTitle(() => ['Second factor'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link><span class="soft">{{ technician?.name }}</span
    ><template #hand
      ><router-link to="/manner">Dates, times and numbers</router-link
      ><router-link to="/tokens">Tokens for programs</router-link></template
    ></PageTop
  >
  <main class="factor">
    <h1>Second factor</h1>
    <template v-if="recoveryCodes !== undefined">
      <p>
        It is on. These recovery codes are shown once; each signs you in once where the device is lost. Keep them where
        the device is not.
      </p>
      <ul class="codes mono">
        <li v-for="each in recoveryCodes" :key="each">{{ each }}</li>
      </ul>
    </template>
    <template v-else-if="setUp !== undefined">
      <p>Scan the picture with an authenticator, or type the secret into it. Then enter the six digits it shows.</p>
      <img
        :src="setUp.picture"
        width="220"
        height="220"
        alt="Picture for the authenticator; the secret below says the same"
      />
      <p class="mono" data-testid="totp-secret">{{ setUp.secret }}</p>
      <form novalidate @submit.prevent="confirm">
        <TextRow v-model="code" label="Code" :fault="fault" name="code" autocomplete="one-time-code" />
        <p class="act"><el-button type="primary" native-type="submit">Switch it on</el-button></p>
      </form>
    </template>
    <form v-else novalidate @submit.prevent="technician?.secondFactor ? switchOff() : begin()">
      <p v-if="technician?.secondFactor">It is on: signing in asks for a code besides the password.</p>
      <p v-else>
        It is off: signing in asks for the password alone. With it, signing in also asks for six digits that a device of
        yours shows (RFC 6238).
      </p>
      <!-- Password managers want to know whose password it is. -->
      <input type="text" autocomplete="username" :value="technician?.signIn" hidden aria-hidden="true" />
      <TextRow
        v-model="password"
        label="Your password"
        :fault="fault"
        name="password"
        type="password"
        autocomplete="current-password"
      />
      <p class="act">
        <button v-if="technician?.secondFactor" type="submit" class="quiet-button">Switch it off</button>
        <el-button v-else type="primary" native-type="submit">Set it up</el-button>
      </p>
    </form>
    <OwnPassword />
  </main>
</template>

<style scoped>
h1 {
  font-size: 18px;
}

.factor {
  display: grid;
  gap: 14px;
  justify-items: start;
  width: min(560px, 100% - 36px);
  margin: 24px 18px;
}

.factor form {
  width: 100%;
}

.codes {
  columns: 2;
  gap: 32px;
  padding-left: 20px;
}

.act {
  margin-top: 14px;
}
</style>
