<script setup lang="ts">
import { DayField, FieldRow } from '@/shared'

/** A day and a time at a place. */
defineProps<{ label: string; what: string; zone: string; fault?: string | undefined }>()
const day = defineModel<string>('day', { required: true })
const time = defineModel<string>('time', { required: true })
</script>

<template>
  <FieldRow v-slot="field" :label :fault help="By the clock of the site.">
    <span class="when">
      <DayField :id="field.id" v-model="day" past :zone :aria-label="`Day of the ${what}`" />
      <el-input v-model="time" size="small" class="time" :aria-label="`Time of the ${what}`" />
    </span>
  </FieldRow>
</template>

<style scoped>
.when {
  display: flex;
  gap: 8px;
}

.time {
  width: 80px;
}
</style>
