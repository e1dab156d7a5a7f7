<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take } from '@/api'
import { ErrorState, LoadingLines, PageTop, plural, useTitle } from '@/shared'

/** How what the house leans on is: worst first, looked at anew each minute while the page is open. */
const EVERY_MS = 60_000
const health = useQuery({
  queryKey: ['health'],
  queryFn: async () => (await take(client.GET('/health'))).checks,
  refetchInterval: EVERY_MS,
})
const WORST = ['failing', 'poor', 'unknown', 'well'] as const
const checks = computed(() =>
  [...(health.data.value ?? [])].sort((one, other) => WORST.indexOf(one.health) - WORST.indexOf(other.health)),
)
const ill = computed(() => checks.value.filter((each) => each.health !== 'well').length)

useTitle(() => ['Health'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Health</h1>
    <span class="soft">of what this house leans on</span></PageTop
  >
  <main class="health">
    <LoadingLines v-if="health.isPending.value" what="how everything is" />
    <ErrorState v-else-if="health.error.value !== null" :error="health.error.value" @again="health.refetch()" />
    <template v-else>
      <p role="status">
        {{ ill === 0 ? 'Everything is well.' : `${plural(ill, 'thing')} to look at.` }}
        <button type="button" class="quiet-button" :disabled="health.isFetching.value" @click="health.refetch()">
          Look again
        </button>
      </p>
      <table class="lines">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">How</th>
            <th scope="col">Told</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="check in checks" :key="check.name">
            <td>{{ check.name }}</td>
            <td :class="check.health === 'well' ? 'soft' : 'fault'">{{ check.health }}</td>
            <td>{{ check.said }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.health {
  display: grid;
  gap: 12px;
  max-width: 900px;
  padding: 14px 22px;
}
</style>
