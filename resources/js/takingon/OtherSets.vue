<script setup lang="ts">
import { nameOfSet, type Kept } from './answers'

/** What is kept besides: the set that was thrown away, to be put back, and the customers begun before. */
defineProps<{ thrown: Kept | undefined; others: Kept[] }>()
const emit = defineEmits<{ putBack: []; goOn: [id: string] }>()
</script>

<template>
  <p v-if="thrown !== undefined" class="kept" role="status">
    What was answered of {{ nameOfSet(thrown) }} is thrown away.
    <button type="button" class="text-button" @click="emit('putBack')">Put it back</button>
  </p>
  <p v-if="others.length > 0" class="kept soft" data-testid="other-sets">
    Also begun:
    <template v-for="(set, index) in others" :key="set.id"
      >{{ index > 0 ? ', ' : ''
      }}<button type="button" class="text-button" @click="emit('goOn', set.id)">{{ nameOfSet(set) }}</button></template
    >
  </p>
</template>

<style scoped>
.kept {
  margin-bottom: 10px;
}
</style>
