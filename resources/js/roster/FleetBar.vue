<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, detailOf, take, type CustomerLine } from '@/api'
import { plural } from '@/shared'
import { rosterQuery } from './rosterQueries'

/** What can be done for several customers at once, one after the other, with what came of each; it can be stopped. */
const props = defineProps<{ chosen: CustomerLine[] }>()
const emit = defineEmits<{ clear: [] }>()

interface Done {
  name: string
  said: string
  isFault: boolean
}

const queryClient = useQueryClient()
const done = ref<Done[]>([])
const doing = ref<{ what: string; of: number }>()
const stops = ref<boolean>(false)

const ACTIONS = {
  read: { title: 'Read from the switch', run: async (customer: string) => said(await take(client.POST('/customers/{customer}/live/read', { params: { path: { customer } } }))) },
  push: { title: 'Push', run: async (customer: string) => (await take(client.POST('/customers/{customer}/pushes', { params: { path: { customer } }, body: { only: null } })), 'push begun') },
}

function said(live: { onSwitch: boolean; differences: unknown[] }): string {
  return !live.onSwitch ? 'not on the switch' : live.differences.length === 0 ? 'the same' : plural(live.differences.length, 'difference')
}

async function run(action: keyof typeof ACTIONS): Promise<void> {
  if (doing.value !== undefined) return
  const { title, run: work } = ACTIONS[action]
  done.value = []
  stops.value = false
  doing.value = { what: title, of: props.chosen.length }
  for (const line of [...props.chosen]) {
    // Set by the button while the last one was under way.
    if (stops.value as boolean) break
    try {
      done.value.push({ name: line.name, said: await work(line.key), isFault: false })
    } catch (error) {
      done.value.push({ name: line.name, said: detailOf(error), isFault: true })
    }
  }
  doing.value = undefined
  void queryClient.invalidateQueries({ queryKey: rosterQuery.queryKey })
}

const failed = computed(() => done.value.filter((each) => each.isFault))
</script>

<template>
  <section v-if="chosen.length > 0 || done.length > 0" class="fleet" aria-label="For the chosen customers">
    <template v-if="doing !== undefined">
      <progress :max="doing.of" :value="done.length" :aria-label="doing.what" />
      <span role="status">{{ doing.what }}: {{ done.length }} of {{ doing.of }}</span>
      <button type="button" class="quiet-button" @click="stops = true">Stop after this one</button>
    </template>
    <template v-else-if="done.length > 0">
      <span role="status">{{ plural(done.length, 'customer') }} done{{ failed.length > 0 ? `, ${failed.length} failed` : '' }}</span>
      <ul class="came"><li v-for="each in failed.length > 0 ? failed : done.slice(0, 6)" :key="each.name" :class="{ fault: each.isFault }">{{ each.name }}: {{ each.said }}</li></ul>
      <button type="button" class="quiet-button" @click="done = []">Close</button>
    </template>
    <template v-else>
      <strong>{{ plural(chosen.length, 'customer') }} chosen</strong>
      <button v-for="(action, key) in ACTIONS" :key="key" type="button" class="quiet-button" @click="run(key)">{{ action.title }}</button>
      <button type="button" class="text-button" @click="emit('clear')">choose none</button>
    </template>
  </section>
</template>

<style scoped>
.fleet {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 8px 18px;
  border-top: 1px solid var(--ink);
  background: var(--sheet);
}

.came {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 2px 18px;
  max-height: 72px;
  margin: 0;
  padding: 0;
  list-style: none;
  overflow-y: auto;
}
</style>
