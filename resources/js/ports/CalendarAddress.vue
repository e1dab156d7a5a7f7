<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { client, take } from '@/api'
import { age, useAttempt, useNow } from '@/shared'

/** The days of ports in one's own calendar program: an address that is shown once. */
const now = useNow()
const queryClient = useQueryClient()
const KEY = ['feed']
const feed = useQuery({ queryKey: KEY, queryFn: async () => take(client.GET('/feed')) })
const address = ref('')
const isCopied = ref(false)
const { busy, faults, attempt } = useAttempt()

const make = (): Promise<void> =>
  attempt(async () => {
    address.value = (await take(client.POST('/feed'))).address
    isCopied.value = false
    await queryClient.invalidateQueries({ queryKey: KEY })
  })
const takeBack = (): Promise<void> =>
  attempt(async () => {
    await take(client.DELETE('/feed'))
    address.value = ''
    await queryClient.invalidateQueries({ queryKey: KEY })
  })
async function copy(): Promise<void> {
  await navigator.clipboard.writeText(address.value)
  isCopied.value = true
}
</script>

<template>
  <section data-testid="calendar">
    <h2>In your calendar</h2>
    <p v-if="address !== ''" role="status">
      Give this to your calendar program. It is shown once, and whoever has it sees what you may see:
      <code class="mono">{{ address }}</code>
      {{ ' ' }}
      <button type="button" class="quiet-button" @click="copy">{{ isCopied ? 'Copied' : 'Copy' }}</button>
    </p>
    <p v-else-if="feed.data.value?.madeAt" class="soft">
      An address was made {{ age(feed.data.value.madeAt, now) }} and last read
      {{ feed.data.value.readAt === null ? 'never' : age(feed.data.value.readAt, now) }}.
    </p>
    <p v-else class="soft">A calendar program can show when numbers move, and until when another carrier waits.</p>
    <p v-if="Object.keys(faults).length > 0" class="fault" role="alert">{{ Object.values(faults)[0] }}</p>
    <p class="acts">
      <button type="button" class="quiet-button" :disabled="busy" @click="make">
        {{ feed.data.value?.madeAt ? 'Make another address' : 'Make an address for it' }}
      </button>
      <button v-if="feed.data.value?.madeAt" type="button" class="text-button" :disabled="busy" @click="takeBack">
        take it back
      </button>
    </p>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 14px;
  padding-top: 6px;
}

code {
  overflow-wrap: anywhere;
}
</style>
