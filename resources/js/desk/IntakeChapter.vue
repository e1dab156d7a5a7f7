<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take } from '@/api'
import { dateThere, ErrorState, LoadingLines } from '@/shared'
import { useDesk } from './desk'
import SheetGrid from './SheetGrid.vue'

defineProps<{ zone: string }>()

const { customer, book } = useDesk()
const { data, error, isPending, refetch } = useQuery({
  queryKey: ['intake', customer],
  queryFn: async () => (await take(client.GET('/customers/{customer}/intake', { params: { path: { customer } } }))).applications,
})
const tenant = computed(() => (book.data.value?.objects ?? []).filter((object) => object.kind === 'tenant'))
</script>

<template>
  <section class="part">
    <h2>The customer</h2>
    <SheetGrid kind="tenant" :objects="tenant" />
  </section>
  <section class="part">
    <h2>What they said</h2>
    <LoadingLines v-if="isPending" what="the intake" />
    <ErrorState v-else-if="error !== null" :error="error" @again="refetch()" />
    <p v-else-if="data?.length === 0" class="soft">This customer was not taken on from a template.</p>
    <template v-for="application in data" v-else :key="application.appliedAt">
      <p class="soft">{{ application.template }}, version {{ application.version }} · {{ dateThere(application.appliedAt, zone) }}</p>
      <dl>
        <div v-for="each in application.answers" :key="each.question">
          <dt class="soft">{{ each.question }}</dt>
          <dd>{{ each.answer }}</dd>
        </div>
      </dl>
    </template>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 28px;
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
