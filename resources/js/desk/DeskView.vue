<script setup lang="ts">
import { useRoute } from 'vue-router'
import { computed } from 'vue'
import CustomerDesk from './CustomerDesk.vue'

const route = useRoute()
const customer = computed(() => String(route.params['customer']))
const chapter = computed(() => (typeof route.params['chapter'] === 'string' ? route.params['chapter'] : ''))
</script>

<template>
  <!-- A desk is one customer's: turning to the next begins a new one, with nothing carried over. -->
  <CustomerDesk :key="customer" :customer="customer" :chapter="chapter" />
</template>
