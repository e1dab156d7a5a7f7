<script setup lang="ts">
/** Moves one of an ordered list by one, up or down. */
defineProps<{ at: number; count: number; what: string; keys?: boolean }>()
defineEmits<{ move: [by: 1 | -1] }>()
</script>

<template>
  <button
    type="button"
    class="step-button"
    :disabled="at === 0"
    :aria-label="`Move ${what} up`"
    :title="keys ? 'Alt ↑' : undefined"
    @click="$emit('move', -1)"
  >
    ↑
  </button>
  <button
    type="button"
    class="step-button"
    :disabled="at === count - 1"
    :aria-label="`Move ${what} down`"
    :title="keys ? 'Alt ↓' : undefined"
    @click="$emit('move', 1)"
  >
    ↓
  </button>
</template>
