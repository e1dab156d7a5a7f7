<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take } from '@/api'
import { useSession } from '@/session'
import { ErrorState, LoadingLines, plural } from '@/shared'

/** What a house without customers wants first, and how far that is: a switch, numbers, a customer. */
const { technician } = useSession()
const settings = useQuery({
  queryKey: ['settings'],
  queryFn: () => take(client.GET('/settings')),
  enabled: () => technician.value?.lead === true,
})
const stock = useQuery({ queryKey: ['stock'], queryFn: async () => (await take(client.GET('/stock'))).numbers })
const switches = computed(() => settings.data.value?.switches.length ?? 0)
const numbers = computed(() => stock.data.value?.length ?? 0)
const pending = computed(() => stock.isPending.value || (technician.value?.lead === true && settings.isPending.value))
const error = computed(() => stock.error.value ?? settings.error.value)
</script>

<template>
  <LoadingLines v-if="pending" what="what is there" />
  <ErrorState v-else-if="error !== null" :error @again="(stock.refetch(), settings.refetch())" />
  <ol v-else class="steps">
    <li v-if="technician?.lead">
      <router-link to="/settings">Name a switch</router-link>
      <span class="soft">{{
        switches === 0 ? ' that customers go to' : ` · ${plural(switches, 'switch', 'switches')} there`
      }}</span>
    </li>
    <li>
      <router-link to="/numbers">Put numbers into stock</router-link>
      <span class="soft">{{
        numbers === 0 ? ', ordered or from a list' : ` · ${plural(numbers, 'number')} free`
      }}</span>
    </li>
    <li>
      <router-link to="/taking-on">Take on a customer</router-link>
      <span class="soft"> from a template and what they said</span>
    </li>
    <li v-if="technician?.lead">
      <router-link to="/people">Invite colleagues</router-link><span class="soft">, whenever you like</span>
    </li>
  </ol>
</template>

<style scoped>
.steps {
  display: grid;
  gap: 6px;
  padding-left: 20px;
}
</style>
