<script setup lang="ts">
import type { Severity } from '../severity'

/** How much a finding weighs: three bars down to none, with the word. */
const props = defineProps<{ severity: Severity }>()

const BARS = { blocker: 3, error: 2, warning: 1, note: 0 }
</script>

<template>
  <span class="bars" :class="`is-${props.severity}`" role="img" :aria-label="props.severity"
    ><i v-for="bar in BARS[props.severity]" :key="bar" /><b v-if="BARS[props.severity] === 0"
  /></span>
</template>

<style scoped>
.bars {
  display: inline-flex;
  gap: 2px;
  min-width: 4px;
}

i {
  width: 4px;
  height: 12px;
  background: var(--ink);
}

.is-blocker i {
  background: var(--red);
}

b {
  align-self: center;
  width: 5px;
  height: 5px;
  border: 1px solid var(--ink-soft);
  border-radius: 50%;
}
</style>
