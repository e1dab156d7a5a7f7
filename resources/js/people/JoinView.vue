<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, take } from '@/api'
import { useSession } from '@/session'
import { LoadingLines, TextRow, useAttempt, useTitle } from '@/shared'
import { abilityAsked } from './abilities'

/** Where an invitation leads. The code stands behind the #, which browsers send to nobody. */
const { signIn, reseller } = useSession()
const route = useRoute()
const router = useRouter()
const code = route.hash.slice(1)

const offer = ref<{
  signIn: string
  customer: string | null
  ability: string
  invitedBy: string
  until: string | null
}>()
const name = ref('')
const password = ref('')
const { busy, faults, attempt } = useAttempt()

onMounted(() => attempt(async () => void (offer.value = await take(client.POST('/joining/look', { body: { code } })))))

const join = (): Promise<void> =>
  attempt(async () => {
    await take(client.POST('/joining', { body: { code, name: name.value.trim(), password: password.value } }))
    await signIn(offer.value?.signIn ?? '', password.value, null)
    await router.replace('/second-factor')
  })

useTitle(() => ['Joining'])
</script>

<template>
  <main class="join">
    <h1>Jaunty Roster</h1>
    <p class="soft">{{ reseller }}</p>
    <LoadingLines v-if="offer === undefined && busy" what="the invitation" />
    <p v-else-if="offer === undefined" class="fault" role="alert">
      {{ code === '' ? 'The address is not whole: follow the one in the letter.' : faults[''] }}
    </p>
    <form v-else novalidate @submit.prevent="join">
      <p class="offer">
        {{ offer.invitedBy }} asks you to {{ abilityAsked(offer.ability) }} for {{ offer.customer ?? 'every customer'
        }}{{ offer.until === null ? '' : `, until ${offer.until}` }}. You will sign in as
        <strong>{{ offer.signIn }}</strong>.
      </p>
      <TextRow
        v-model="name"
        label="Your name"
        help="As colleagues read it in the history."
        :fault="faults['name']"
        name="name"
        autocomplete="name"
        maxlength="80"
      />
      <TextRow
        v-model="password"
        label="Password"
        help="At least 12 characters; several words are easiest."
        :fault="faults['password']"
        name="password"
        type="password"
        autocomplete="new-password"
        show-password
      />
      <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
      <p class="act"><el-button type="primary" native-type="submit" :disabled="busy">Join</el-button></p>
    </form>
  </main>
</template>

<style scoped>
.join {
  width: min(560px, 100% - 36px);
  margin: 12vh auto 0;
}

.join h1 {
  color: var(--teal);
  font-size: 28px;
}

.offer {
  margin-top: 20px;
  padding: 12px 0;
  border-top: 1px solid var(--ink);
}

.act {
  margin-top: 16px;
}
</style>
