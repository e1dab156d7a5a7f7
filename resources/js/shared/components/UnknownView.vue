<script setup lang="ts">
import PageTop from './PageTop.vue'
</script>

<template>
  <PageTop />
  <main>
    <h1>There is no screen at this address</h1>
    <router-link to="/">Back to the Roster</router-link>
  </main>
</template>

<style scoped>
main {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding: 32px;
}

h1 {
  margin: 0;
  font: 20px/1.3 var(--serif);
}
</style>
