<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type Answers } from '@/api'
import { dateThere, ErrorState, LoadingLines } from '@/shared'
import { AnswerForm } from '@/takingon'
import { useDesk, useDraft } from './desk'
import AllFields from './AllFields.vue'
import { useHalfTyped } from './halfTyped'
import SheetGrid from './sheet/SheetGrid.vue'

defineProps<{ zone: string }>()

const { customer, book, busy } = useDesk()
const { answerAgain } = useDraft()
const { data, error, isPending, refetch } = useQuery({
  queryKey: ['intake', customer],
  queryFn: async () =>
    (await take(client.GET('/customers/{customer}/intake', { params: { path: { customer } } }))).applications,
})
const tenant = computed(() => (book.data.value?.objects ?? []).filter((object) => object.kind === 'tenant'))

const templates = useQuery({ queryKey: ['templates'], queryFn: async () => await take(client.GET('/templates')) })
const stock = useQuery({ queryKey: ['stock'], queryFn: async () => (await take(client.GET('/stock'))).numbers })
const last = computed(() => data.value?.[data.value.length - 1])
const template = computed(() => templates.data.value?.templates.find((each) => each.key === last.value?.key))
const answers = useHalfTyped<Answers | null>(customer, 'answered again', null)
const faults = ref<Record<string, string>>({})
/** The customer's own numbers are theirs to answer with, beside those free in stock. */
const numbers = computed(() => [
  ...(book.data.value?.objects ?? [])
    .filter((object) => object.kind === 'number')
    .map((object) => ({ number: object.key, display: object.display ?? object.key, region: null })),
  ...(stock.data.value ?? []),
])

/**
 * How the answers are read: which questions arise, how hours were understood. What is wrong with them is said when they
 * are proposed.
 */
const reading = useQuery({
  queryKey: computed(() => ['reading', template.value?.key, answers.value]),
  queryFn: async () =>
    await take(
      client.POST('/taking-on/preview', {
        body: { template: template.value?.key ?? '', answers: answers.value ?? {} },
      }),
    ),
  enabled: computed(() => answers.value !== null && template.value !== undefined),
  placeholderData: (before) => before,
  retry: false,
})
const asked = computed(
  () => template.value?.slots.filter((slot) => reading.data.value?.asked.includes(slot.key) ?? true) ?? [],
)

async function propose(): Promise<void> {
  if (answers.value === null || busy.value) return
  faults.value = await answerAgain(answers.value)
  if (Object.keys(faults.value).length === 0) answers.value = null
}

function leaveAsItWas(): void {
  answers.value = null
  faults.value = {}
}
</script>

<template>
  <section class="part">
    <h2>The customer</h2>
    <SheetGrid kind="tenant" :objects="tenant" />
    <AllFields v-if="tenant[0] !== undefined" :object="tenant[0]" />
  </section>
  <section class="part">
    <h2>What they said</h2>
    <LoadingLines v-if="isPending" what="the intake" />
    <ErrorState v-else-if="error !== null" :error="error" @again="refetch()" />
    <p v-else-if="data?.length === 0" class="soft">This customer was not taken on from a template.</p>
    <form v-else-if="answers !== null && template !== undefined" class="again" novalidate @submit.prevent="propose">
      <p class="soft">
        {{ template.name }}, version {{ template.version }}: what these answers change becomes pending, to be looked
        over and entered.
      </p>
      <AnswerForm
        v-model="answers"
        :template="template.key"
        :slots="asked"
        :stock="numbers"
        :regions="templates.data.value?.regions"
        :faults
        :read-as="reading.data.value?.readAs"
        :tables="reading.data.value?.tables"
      />
      <p class="act">
        <el-button type="primary" native-type="submit" :disabled="busy">Show what changes</el-button>
        <button type="button" class="quiet-button" @click="leaveAsItWas">Leave as it was</button>
      </p>
    </form>
    <template v-for="application in data" v-else :key="application.appliedAt">
      <p class="soft">
        {{ application.template }}, version {{ application.version }} · {{ dateThere(application.appliedAt, zone) }}
      </p>
      <dl>
        <div v-for="each in application.answers" :key="each.question">
          <dt class="soft">{{ each.question }}</dt>
          <dd>{{ each.answer }}</dd>
        </div>
      </dl>
    </template>
    <p v-if="answers === null && template !== undefined && last !== undefined">
      <button type="button" class="quiet-button" @click="answers = { ...last.given }">Answer again</button>
    </p>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 28px;
}

.again {
  max-width: 860px;
}

.act {
  display: flex;
  gap: 14px;
  align-items: baseline;
  padding-top: 12px;
}

dl {
  max-width: 640px;
  margin: 8px 0;
  border-top: 1px solid var(--ink);
}

dl div {
  display: grid;
  grid-template-columns: 200px 1fr;
  padding: 7px 8px;
  border-bottom: 1px solid var(--rule-soft);
}

dd {
  margin: 0;
}
</style>
