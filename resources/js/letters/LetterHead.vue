<script setup lang="ts">
import { useSession } from '@/session'

/** The head of every paper: whose it is, in the colour and with the lines that the reseller settled. */
const { reseller, paper } = useSession()
</script>

<template>
  <header class="head" :style="{ background: paper.colour }">
    <strong>{{ reseller }}</strong>
    <p v-if="paper.letterhead !== ''">{{ paper.letterhead }}</p>
  </header>
</template>

<style scoped>
.head {
  margin-bottom: 18px;
  padding: 12px 16px;
  color: white;
  print-color-adjust: exact;
}

strong {
  font: 18px/1.3 var(--serif);
}

p {
  margin: 2px 0 0;
  font-size: 12px;
  white-space: pre-line;
}
</style>
