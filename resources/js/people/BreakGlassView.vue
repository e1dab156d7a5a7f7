<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { client, take } from '@/api'
import { ChoiceField, FieldRow, PageTop, TextRow, useAttempt, useTitle } from '@/shared'

/** A grant that one takes oneself in an emergency: for two hours, with a reason, and leads are told at once. */
const router = useRouter()
const customer = ref('')
const ability = ref<'read' | 'edit' | 'push'>('push')
const reason = ref('')
const { busy, faults, attempt } = useAttempt()
const ABILITIES = [
  ['read', 'look'],
  ['edit', 'look and edit'],
  ['push', 'look, edit and push'],
] as const

const takeIt = (): Promise<void> =>
  attempt(async () => {
    const taken = await take(
      client.POST('/broken-glass', {
        body: { customer: customer.value.trim(), ability: ability.value, reason: reason.value.trim() },
      }),
    )
    await router.push({ name: 'desk', params: { customer: taken.customer } })
  })

useTitle(() => ['Break the glass'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Break the glass</h1>
    <span class="soft">a customer is in trouble, and no lead is there to let you in</span></PageTop
  >
  <main class="glass">
    <p>
      You get a grant for one customer, for two hours. Every lead has a letter about it in the same moment, with your
      reason, and what you do stands in the log as always.
    </p>
    <form novalidate @submit.prevent="takeIt">
      <TextRow
        v-model="customer"
        label="Customer"
        help="The whole name, as it stands in the book."
        :fault="faults['customer']"
        name="customer"
        autocomplete="off"
      />
      <FieldRow v-slot="field" label="To" :fault="faults['ability']">
        <ChoiceField :id="field.id" v-model="ability" :options="ABILITIES" />
      </FieldRow>
      <TextRow
        v-model="reason"
        label="Why"
        :fault="faults['reason']"
        name="reason"
        maxlength="500"
        autocomplete="off"
      />
      <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
      <p class="act">
        <el-button
          type="primary"
          native-type="submit"
          :disabled="busy || customer.trim() === '' || reason.trim() === ''"
          >Break the glass</el-button
        >
      </p>
    </form>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.glass {
  display: grid;
  gap: 14px;
  max-width: 720px;
  padding: 18px 22px;
}

.act {
  padding-top: 12px;
}
</style>
