<script setup lang="ts">
import type { BookObject } from '@/api'
import { fieldAt, type FieldType } from '../catalogue'
import InlineField from '../InlineField.vue'

/** Settings of an object that belong together, each a few words and its field; what is hard to know has its help. */
defineProps<{
  object: BookObject
  title: string
  rows: readonly (readonly [words: string, path: string, type?: Partial<FieldType>])[]
}>()
</script>

<template>
  <section>
    <h3>{{ title }}</h3>
    <ul>
      <li v-for="[words, path, type] in rows" :key="path" :title="fieldAt(object.kind, path)?.help">
        <span class="soft">{{ words }}</span>
        <InlineField :object :path :type="type ?? {}" :label="words" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
h3 {
  margin-top: 14px;
  color: var(--ink-soft);
  font-weight: 400;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 0 24px;
  margin: 4px 0 10px;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule-soft);
}
</style>
