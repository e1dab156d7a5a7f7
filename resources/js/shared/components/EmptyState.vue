<script setup lang="ts">
defineProps<{ title: string }>()
</script>

<template>
  <section class="empty">
    <h2>{{ title }}</h2>
    <div class="soft"><slot /></div>
  </section>
</template>

<style scoped>
.empty {
  display: grid;
  gap: 8px;
  max-width: 46em;
  margin: 32px 8px;
}
</style>
