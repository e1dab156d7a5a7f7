<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { client, isProblem, take } from '@/api'
import { ChoiceField, FieldRow, LoadingLines, TextRow, useAttempt, useTitle } from '@/shared'
import { WORDS } from './words'

/** Where the letter to somebody who works elsewhere leads. The code stands behind the #, which browsers send nobody. */
const code = useRoute().hash.slice(1)

const asked = ref<{
  name: string
  customer: string
  language: 'en' | 'fr'
  reseller: string
  told: string | null
  countries: string[]
}>()
const form = ref({ street: '', unit: '', city: '', subdivision: '', postcode: '', country: '' })
const isDone = ref(false)
const isClosed = ref(false)
const { busy, faults, attempt } = useAttempt()

const language = computed(() => asked.value?.language ?? (navigator.language.startsWith('fr') ? 'fr' : 'en'))
const words = computed(() => WORDS[language.value])
const wrong = (field: string): string | undefined =>
  faults.value[field] === undefined ? undefined : (words.value.wrong[field] ?? faults.value[field])
const countries = computed(() => {
  const names = new Intl.DisplayNames([language.value], { type: 'region' })
  return (asked.value?.countries ?? [])
    .map((each) => [each, names.of(each) ?? each] as const)
    .sort(([, one], [, other]) => one.localeCompare(other, language.value))
})

/** A letter that is not open any more is nothing to try again. */
const open = (work: () => Promise<void>): Promise<void> =>
  attempt(async () => {
    try {
      await work()
    } catch (error) {
      if (isProblem(error) && error.problem.status === 410) isClosed.value = true
      throw error
    }
  })

onMounted(() => {
  if (code === '') return
  void open(async () => {
    const found = await take(client.POST('/where/look', { body: { code } }))
    form.value = { ...form.value, country: found.country ?? '', ...found.said }
    asked.value = found
  })
})

const send = (): Promise<void> =>
  open(async () => {
    await take(client.POST('/where', { body: { code, ...form.value } }))
    isDone.value = true
  })

useTitle(() => [words.value.title])
</script>

<template>
  <main class="where" :lang="language">
    <h1>{{ words.title }}</h1>
    <p v-if="code === ''" class="fault" role="alert">{{ words.partial }}</p>
    <p v-else-if="isClosed" class="fault" role="alert">{{ words.closed }}</p>
    <p v-else-if="isDone" role="status">{{ words.thanks }}</p>
    <LoadingLines v-else-if="asked === undefined && busy" what="the letter" />
    <p v-else-if="asked === undefined" class="fault" role="alert">{{ words.failed }}</p>
    <form v-else novalidate @submit.prevent="send">
      <p>
        <strong>{{ words.hello }} {{ asked.name }}.</strong> {{ words.why }}
      </p>
      <p v-if="asked.told !== null" class="soft">{{ words.known }}: {{ asked.told }}</p>
      <TextRow
        v-model="form.street"
        :label="words.street"
        :fault="wrong('street')"
        name="street"
        autocomplete="address-line1"
        maxlength="200"
      />
      <TextRow
        v-model="form.unit"
        :label="words.unit"
        :help="words.unitHelp"
        :fault="wrong('unit')"
        name="unit"
        autocomplete="address-line2"
        maxlength="60"
      />
      <TextRow
        v-model="form.city"
        :label="words.city"
        :fault="wrong('city')"
        name="city"
        autocomplete="address-level2"
        maxlength="200"
      />
      <TextRow
        v-model="form.subdivision"
        :label="words.subdivision"
        :fault="wrong('subdivision')"
        name="subdivision"
        autocomplete="address-level1"
        maxlength="60"
      />
      <TextRow
        v-model="form.postcode"
        :label="words.postcode"
        :fault="wrong('postcode')"
        name="postcode"
        autocomplete="postal-code"
        maxlength="20"
      />
      <FieldRow v-slot="field" :label="words.country" :fault="wrong('country')">
        <ChoiceField :id="field.id" v-model="form.country" :options="countries" />
      </FieldRow>
      <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ words.failed }}</p>
      <p class="act">
        <el-button type="primary" native-type="submit" size="large" :disabled="busy">{{ words.send }}</el-button>
      </p>
      <p class="soft small">{{ asked.customer }} · {{ asked.reseller }}</p>
    </form>
  </main>
</template>

<style scoped>
.where {
  width: min(560px, 100% - 36px);
  margin: 5vh auto;
}

h1 {
  color: var(--teal);
  font-size: 28px;
}

.act {
  padding: 18px 0;
}

/* On a telephone a label stands above its line. */
@media (max-width: 520px) {
  .where :deep(.row) {
    grid-template-columns: 1fr;
  }
}
</style>
