<script setup lang="ts">
import { computed } from 'vue'
import type { BookObject } from '@/api'
import FieldPart from './FieldPart.vue'
import { fieldsOf } from './fields'

/** The fields of an object in the order of the open format. */
const props = defineProps<{ object: BookObject }>()

const fields = computed(() => fieldsOf(props.object.kind))
</script>

<template>
  <dl class="fields"><FieldPart v-for="field in fields" :key="field.name" :object :field :path="field.name" /></dl>
</template>

<style scoped>
.fields {
  margin: 0;
}
</style>
