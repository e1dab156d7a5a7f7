<script setup lang="ts">
import FieldRow from './FieldRow.vue'

/** A labelled line to type into; whatever else is said of it is the input's own. */
defineOptions({ inheritAttrs: false })
defineProps<{ label: string; help?: string | null | undefined; fault?: string | undefined }>()
const text = defineModel<string>({ required: true })
</script>

<template>
  <FieldRow v-slot="field" :label :help :fault>
    <el-input
      :id="field.id"
      v-bind="$attrs"
      v-model="text"
      :aria-describedby="field.describedBy"
      :aria-invalid="field.invalid"
    />
  </FieldRow>
</template>
