<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { client, take, type StockLine } from '@/api'
import { namesQuery } from '@/roster'
import { ChoiceField, FieldRow, ModalSheet, plural, some, useAttempt } from '@/shared'

/** Free numbers put into a customer's draft, and the desk opened on them: there they get somewhere to lead. */
const { numbers } = defineProps<{ numbers: StockLine[] }>()
const isOpen = defineModel<boolean>({ required: true })

const router = useRouter()
const customers = useQuery(namesQuery)
const customer = ref('')
const { busy, faults, attempt } = useAttempt()
const places = computed(() => (customers.data.value ?? []).map((each) => [each.key, each.name] as const))
const SERVE = new Set(['free', 'taken'])

const give = (): Promise<void> =>
  attempt(async () => {
    await take(
      client.POST('/customers/{customer}/draft/edits', {
        params: { path: { customer: customer.value } },
        body: {
          edits: numbers.map(({ number, state }) => ({
            op: 'create' as const,
            object: `number:${number}`,
            path: '',
            value: { status: SERVE.has(state) ? 'active' : state },
          })),
        },
      }),
    )
    isOpen.value = false
    await router.push(`/customers/${customer.value}/numbers`)
  })
</script>

<template>
  <ModalSheet v-model="isOpen" :title="`Give ${plural(numbers.length, 'number')} to a customer`" width="narrow">
    <form novalidate @submit.prevent="give">
      <p class="mono">
        {{
          some(
            numbers.map((each) => each.display),
            4,
          )
        }}
      </p>
      <FieldRow v-slot="field" label="To" help="They are pending there until you enter them." :fault="faults['']">
        <ChoiceField :id="field.id" v-model="customer" data-takes-keys :options="places" placeholder="a customer" />
      </FieldRow>
      <p class="send">
        <el-button type="primary" native-type="submit" :disabled="busy || customer === ''"
          >Put them into the draft</el-button
        >
      </p>
    </form>
  </ModalSheet>
</template>

<style scoped>
.send {
  padding-top: 14px;
}
</style>
