<script setup lang="ts">
/** How something stands, before the words that say it: right, half, open, wrong. */
defineProps<{ shape: 'dot' | 'half' | 'open' | 'diamond' }>()
</script>

<template>
  <i :class="shape" aria-hidden="true" />
</template>

<style scoped>
i {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 4px;
  border: 1.5px solid var(--teal);
  border-radius: 50%;
}

.dot {
  background: var(--teal);
}

.half {
  background: linear-gradient(90deg, var(--teal) 50%, transparent 50%);
}

.diamond {
  border-color: var(--red);
  border-radius: 0;
  background: var(--red);
  transform: rotate(45deg) scale(0.85);
}
</style>
