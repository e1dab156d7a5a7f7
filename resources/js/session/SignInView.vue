<script setup lang="ts">
import { nextTick, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { detailOf, isProblem, type ProblemError } from '@/api'
import { TextRow, useTitle } from '@/shared'
import { useSession } from './session'

const { signIn, reseller, demo } = useSession()
const router = useRouter()
const route = useRoute()

const name = ref('')
const password = ref('')
const code = ref('')
const asksForCode = ref(false)
const busy = ref(false)
const problem = ref<ProblemError>()
const failure = ref<string>()
const form = ref<HTMLFormElement>()

async function send(): Promise<void> {
  busy.value = true
  problem.value = undefined
  failure.value = undefined
  try {
    await signIn(name.value, password.value, asksForCode.value ? code.value : null)
    const to = route.query.to
    await router.replace(typeof to === 'string' && to.startsWith('/') && !to.startsWith('//') ? to : '/')
  } catch (error) {
    if (!isProblem(error)) failure.value = detailOf(error)
    else {
      problem.value = error
      if (error.at('/code') !== undefined && !asksForCode.value) {
        asksForCode.value = true
        problem.value = undefined
      } else if ((error.problem.errors ?? []).length === 0) failure.value = error.problem.detail
      if (error.at('/password') !== undefined) await typeOver('password')
    }
  } finally {
    busy.value = false
  }
}

/** What was refused is marked: the next that is typed takes its place. */
async function typeOver(field: string): Promise<void> {
  await nextTick()
  const input = form.value?.querySelector<HTMLInputElement>(`input[name=${field}]`)
  input?.focus()
  input?.select()
}

/** The demo's own sign-in, which its start printed where nobody may be looking any more. */
async function tryDemo(): Promise<void> {
  if (demo.value === null) return
  name.value = demo.value.signIn
  password.value = demo.value.password
  await send()
}

useTitle(() => ['Sign in'])
</script>

<template>
  <main class="sign-in">
    <h1>Jaunty Roster</h1>
    <p class="soft">{{ reseller }}</p>
    <p v-if="demo !== null" class="demo" data-testid="demo">
      This is the demo, with invented customers. Its lead technician is <span class="mono">{{ demo.signIn }}</span>, the
      password <span class="mono">{{ demo.password }}</span>.
      <button type="button" class="text-button" :disabled="busy" @click="tryDemo">Sign in with these</button>
    </p>
    <form ref="form" novalidate @submit.prevent="send">
      <TextRow
        v-model="name"
        label="Sign-in"
        :fault="problem?.at('/signIn')"
        name="signIn"
        autocomplete="username"
        autofocus
      />
      <TextRow
        v-model="password"
        label="Password"
        :fault="problem?.at('/password')"
        name="password"
        type="password"
        autocomplete="current-password"
        show-password
      />
      <TextRow
        v-if="asksForCode"
        v-model="code"
        label="Code"
        help="Six digits from your authenticator, or a recovery code."
        :fault="problem?.at('/code')"
        name="code"
        autocomplete="one-time-code"
      />
      <p v-if="failure !== undefined" class="fault" role="alert">{{ failure }}</p>
      <p class="act">
        <el-button type="primary" native-type="submit" :disabled="busy" data-testid="sign-in">Sign in</el-button>
        {{ ' ' }}
        <router-link class="forgot" to="/new-password">Forgotten your password?</router-link>
      </p>
    </form>
  </main>
</template>

<style scoped>
.sign-in {
  width: min(440px, 100% - 36px);
  margin: 14vh auto 0;
}

.sign-in h1 {
  color: var(--teal);
  font-size: 28px;
}

.sign-in form {
  margin-top: 20px;
  border-top: 1px solid var(--ink);
}

.demo {
  margin-top: 14px;
}

.act {
  margin-top: 16px;
}

.forgot {
  margin-left: 14px;
}
</style>
