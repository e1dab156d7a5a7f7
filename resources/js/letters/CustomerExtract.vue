<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, take } from '@/api'
import { ChoiceField, ErrorState, LoadingLines, PageTop, useTitle } from '@/shared'
import { useLetters } from './languages'
import LetterHead from './LetterHead.vue'

/** What was done for a customer, as they may be given it: in their language, on paper or read together. */
const route = useRoute()
const router = useRouter()
const { t, locale } = useLetters()

const customer = computed(() => String(route.params['customer']))
const day = (name: 'from' | 'until'): string | undefined => {
  const value = route.query[name]
  return typeof value === 'string' ? value : undefined
}
const asked = computed(() => {
  const [from, until] = [day('from'), day('until')]
  return { ...(from === undefined ? {} : { from }), ...(until === undefined ? {} : { until }) }
})
const { data, error, refetch } = useQuery({
  queryKey: computed(() => ['extract', customer.value, asked.value]),
  queryFn: async () =>
    take(
      client.GET('/customers/{customer}/activity', {
        params: { path: { customer: customer.value }, query: asked.value },
      }),
    ),
})
const languages = computed(() => (data.value?.languages ?? []).map(({ tag, name }) => [tag, name] as const))
const language = computed({
  get: () =>
    typeof route.query['language'] === 'string' ? route.query['language'] : (languages.value[0]?.[0] ?? 'en'),
  set: (tag) => void router.replace({ query: { ...route.query, language: tag } }),
})
watch(language, (tag) => (locale.value = tag), { immediate: true })

const when = (at: string): string =>
  new Intl.DateTimeFormat(locale.value, {
    dateStyle: 'long',
    timeStyle: 'short',
    ...(data.value === undefined ? {} : { timeZone: data.value.zone }),
  }).format(new Date(at))
const print = (): void => {
  window.print()
}

useTitle(() => [t('done.title'), data.value?.customer])
</script>

<template>
  <div class="page">
    <PageTop>
      <router-link :to="{ name: 'desk', params: { customer } }">{{ data?.customer ?? customer }}</router-link>
      <template #hand>
        <label for="language" class="soft">{{ t('language') }}</label>
        <ChoiceField id="language" v-model="language" class="language" :options="languages" />
        <button type="button" class="quiet-button" @click="print">{{ t('print') }}</button>
      </template>
    </PageTop>
    <main class="letter" :lang="locale">
      <LetterHead />
      <h1>{{ t('done.title') }}</h1>
      <ErrorState v-if="error !== null && data === undefined" :error @again="refetch" />
      <LoadingLines v-else-if="data === undefined" what="what was done" />
      <template v-else>
        <p class="soft">{{ data.customer }}</p>
        <p v-if="data.entries.length === 0">{{ t('done.none') }}</p>
        <table v-else>
          <tbody>
            <tr v-for="(entry, at) in data.entries" :key="at">
              <td class="when">{{ when(entry.at) }}</td>
              <td>{{ t(`done.${entry.what}`, { revision: entry.revision ?? '' }) }}</td>
              <td class="soft">{{ entry.who }}</td>
            </tr>
          </tbody>
        </table>
      </template>
    </main>
  </div>
</template>

<style scoped>
.letter {
  box-sizing: border-box;
  width: min(100%, 780px);
  margin: 0 auto;
  padding: 22px 18px 40px;
}

h1 {
  margin: 0 0 4px;
  font: 24px/1.3 var(--serif);
}

.when {
  white-space: nowrap;
}

.language {
  width: 160px;
}
</style>
