<script setup lang="ts">
import { useId } from 'vue'
import { asSentence } from '../format'

/** A labelled field: owns label, id, help and fault, so that every form says them the same way. */
defineProps<{ label: string; help?: string | null | undefined; fault?: string | undefined }>()

const id = useId()
</script>

<template>
  <div class="row">
    <label :for="id">{{ label }}</label>
    <div class="field">
      <slot
        :id="id"
        :described-by="fault !== undefined ? `${id}-fault` : help ? `${id}-help` : undefined"
        :invalid="fault !== undefined"
      />
      <p v-if="fault !== undefined" :id="`${id}-fault`" class="fault small" role="alert">{{ asSentence(fault) }}</p>
      <p v-else-if="help" :id="`${id}-help`" class="soft small">{{ help }}</p>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(120px, 200px) 1fr;
  gap: 4px 16px;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.row label {
  padding-top: 4px;
  color: var(--ink-soft);
}

.field {
  display: grid;
  align-content: start;
  gap: 4px;
}
</style>
