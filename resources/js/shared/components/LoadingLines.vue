<script setup lang="ts">
defineProps<{ what: string }>()
</script>

<template>
  <p class="appears-late soft loading" role="status">Reading {{ what }} …</p>
</template>

<style scoped>
.loading {
  padding: 24px 8px;
}
</style>
