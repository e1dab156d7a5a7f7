<script setup lang="ts">
import { computed } from 'vue'
import type { BookObject } from '@/api'
import FieldPart from './FieldPart.vue'
import { fieldsOf } from './catalogue'

/** The fields of an object in the order of the open format. */
const props = defineProps<{ object: BookObject }>()

/** But what is in other hands: identity, and what a screen of its own edits. */
const fields = computed(() =>
  fieldsOf(props.object.kind).filter((field) => field.name !== 'key' && field.name !== 'call'),
)
</script>

<template>
  <dl class="fields"><FieldPart v-for="field in fields" :key="field.name" :object :field :path="field.name" /></dl>
</template>

<style scoped>
.fields {
  margin: 0;
}
</style>
