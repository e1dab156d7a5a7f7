<script setup lang="ts">
import EmptyState from './EmptyState.vue'
import PageTop from './PageTop.vue'
</script>

<template>
  <PageTop />
  <main>
    <EmptyState title="There is no screen at this address">
      <router-link to="/">Back to the Roster</router-link>
    </EmptyState>
  </main>
</template>
