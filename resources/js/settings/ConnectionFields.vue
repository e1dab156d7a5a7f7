<script setup lang="ts">
import { computed } from 'vue'
import { type Settings } from '@/api'
import { FieldRow } from '@/shared'
import { type Trial } from './settings'
import TryOut from './TryOut.vue'

/** The carrier, or the studio: where it listens, and the token it lets us in by. */
const { of, label, help, kept, faults } = defineProps<{
  of: 'carrier' | 'studio'
  label: string
  help: string
  kept: Settings['carrier']
  faults: Record<string, string>
}>()
const said = defineModel<{ url?: string | null; token?: string | null } | null>({ required: true })

const example = computed(() => `https://${of}.example`)
const url = computed({
  get: () => said.value?.url ?? '',
  set: (text) => (said.value = text.trim() === '' ? null : { ...said.value, url: text.trim() }),
})
const token = computed({
  get: () => said.value?.token ?? '',
  set: (text) => (said.value = { ...said.value, token: text.trim() === '' ? null : text.trim() }),
})
const trial = computed((): Trial => ({
  of,
  url: said.value === null ? kept.url : (said.value.url ?? null),
  token: said.value?.token ?? null,
}))
const told = computed(() =>
  kept.isOfFile && said.value === null ? `As the settings file says: ${kept.url ?? ''}` : help,
)
</script>

<template>
  <FieldRow v-slot="field" :label :help="told" :fault="faults[`${of}/url`] ?? faults[`${of}/token`] ?? faults[of]">
    <span class="both">
      <el-input
        :id="field.id"
        v-model="url"
        :name="`${of}Url`"
        :placeholder="example"
        :aria-describedby="field.describedBy"
        :aria-invalid="field.invalid"
      />
      <el-input
        v-model="token"
        class="concealed"
        autocomplete="off"
        :aria-label="`Token of the ${of}`"
        :name="`${of}Token`"
        :placeholder="kept.hasToken && !kept.isOfFile ? 'set; type to change' : 'token'"
      />
      <TryOut :what="`the ${of}`" :trial="trial" />
    </span>
  </FieldRow>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 2fr 1fr auto;
  gap: 10px;
  align-items: center;
}
</style>
