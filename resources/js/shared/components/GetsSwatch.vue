<script setup lang="ts">
import { GETS, type Gets } from '../outcomes'

/** The mark of what a caller gets, with its words for whoever does not see it. */
defineProps<{ gets: Gets }>()
</script>

<template>
  <i class="swatch" :class="`gets-${gets}`" role="img" :aria-label="GETS[gets]" />
</template>

<style scoped>
.swatch {
  display: inline-block;
  width: 18px;
  height: 10px;
  vertical-align: -1px;
}
</style>
