<script setup lang="ts">
import { computed } from 'vue'
import { detailOf, isProblem } from '@/api'

const props = defineProps<{ error: unknown }>()
defineEmits<{ again: [] }>()

const title = computed(() => (isProblem(props.error) ? props.error.problem.title : 'Something went wrong'))
const missing = computed(() => isProblem(props.error) && props.error.problem.status === 404)
</script>

<template>
  <section class="error" role="alert">
    <h2>{{ title }}</h2>
    <p>{{ detailOf(error) }}</p>
    <p>
      <router-link v-if="missing" to="/">Back to the Roster</router-link>
      <button v-else type="button" class="quiet-button" @click="$emit('again')">Try again</button>
    </p>
  </section>
</template>

<style scoped>
.error {
  display: grid;
  gap: 8px;
  max-width: 46em;
  margin: 24px 8px;
  padding-left: 14px;
  border-left: 3px solid var(--red);
}
</style>
