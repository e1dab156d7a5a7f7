<script setup lang="ts">
/** The line at the top of every page: the product, where one is, and what is always at hand. */
</script>

<template>
  <header class="top">
    <router-link to="/" class="product">Jaunty Roster</router-link>
    <div class="where"><slot /></div>
    <nav class="hand" aria-label="Main"><slot name="hand" /></nav>
  </header>
</template>

<style scoped>
.top {
  display: flex;
  gap: 16px;
  align-items: baseline;
  padding: 9px 18px;
  border-bottom: 1px solid var(--rule);
  white-space: nowrap;
}

@media (width < 820px) {
  .top {
    flex-wrap: wrap;
    gap: 4px 16px;
  }

  .where {
    flex-basis: 60%;
  }
}

.product {
  color: var(--teal);
  font: 16px/1.4 var(--serif);
  text-decoration: none;
}

.where {
  display: flex;
  flex: 1;
  gap: 16px;
  align-items: baseline;
  min-width: 0;
  overflow: hidden;
}

.hand {
  display: flex;
  gap: 16px;
  align-items: baseline;
}
</style>
