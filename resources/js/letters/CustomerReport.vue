<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, take } from '@/api'
import { useSession } from '@/session'
import { ChoiceField, ErrorState, LoadingLines, PageTop, SeverityBars, useTitle } from '@/shared'
import { useLetters } from './languages'
import LetterHead from './LetterHead.vue'

/** What a customer may be told of their telephones, in their language: read on the screen together, or printed. */
const route = useRoute()
const router = useRouter()
const { reseller } = useSession()
const { t, locale } = useLetters()

const customer = computed(() => String(route.params['customer']))
const asked = computed(() => (typeof route.query['language'] === 'string' ? route.query['language'] : undefined))
const { data, error, refetch } = useQuery({
  queryKey: computed(() => ['report', customer.value, asked.value ?? '']),
  queryFn: async () =>
    take(
      client.GET('/customers/{customer}/report', {
        params: {
          path: { customer: customer.value },
          query: asked.value === undefined ? {} : { language: asked.value },
        },
      }),
    ),
})
watch(data, (report) => report !== undefined && (locale.value = report.language), { immediate: true })

/** What one rule found, under its name, with its reason and remedy once. */
const points = computed(() => {
  const byName = new Map<string, NonNullable<typeof data.value>['findings']>()
  for (const finding of data.value?.findings ?? [])
    byName.set(finding.name, [...(byName.get(finding.name) ?? []), finding])
  return [...byName.values()]
})
const day = computed(() =>
  data.value === undefined
    ? ''
    : new Intl.DateTimeFormat(locale.value, { dateStyle: 'long', timeZone: data.value.zone }).format(
        new Date(data.value.at),
      ),
)
const language = computed({
  get: () => data.value?.language ?? 'en',
  set: (tag) => void router.replace({ query: { ...route.query, language: tag } }),
})
const languages = computed(() => (data.value?.languages ?? []).map(({ tag, name }) => [tag, name] as const))
const print = (): void => {
  window.print()
}

useTitle(() => [t('title'), data.value?.customer])
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
      <h1>{{ t('title') }}</h1>
      <ErrorState v-if="error !== null && data === undefined" :error @again="refetch" />
      <LoadingLines v-else-if="data === undefined" what="the report" />
      <template v-else>
        <p class="soft">{{ t('of', { customer: data.customer, day }) }}</p>
        <p>{{ points.length === 0 ? t('none') : t('count', data.findings.length) }}</p>
        <section v-for="[first, ...others] in points" :key="first?.name">
          <template v-if="first !== undefined">
            <h2>
              <SeverityBars :severity="first.severity" />{{ first.name }}
              <span class="soft">{{ t(`severity.${first.severity}`) }}</span>
            </h2>
            <ul>
              <li v-for="each in [first, ...others]" :key="each.title">
                {{ each.title }}. <span class="soft">{{ each.detail }}</span>
              </li>
            </ul>
            <dl>
              <dt>{{ t('why') }}</dt>
              <dd>{{ first.why }}</dd>
              <dt>{{ t('remedy') }}</dt>
              <dd>{{ first.remedy }}</dd>
            </dl>
          </template>
        </section>
        <p class="soft by">{{ t('by', { reseller }) }}</p>
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

h2 {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: baseline;
  margin: 22px 0 4px;
  font: 17px/1.35 var(--serif);
}

h2 .soft {
  font: 13px/1.4 var(--sans);
}

p {
  margin: 6px 0;
}

.by {
  margin-top: 24px;
}

ul {
  margin: 4px 0;
  padding-left: 20px;
}

dl {
  display: grid;
  grid-template-columns: 170px 1fr;
  gap: 2px 14px;
  margin: 6px 0 0;
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
}

.language {
  width: 170px;
}

@media (width < 620px) {
  dl {
    grid-template-columns: 1fr;
  }
}
</style>
