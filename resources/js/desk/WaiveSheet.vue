<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Difference } from '@/api'
import { FieldRow, ModalSheet } from '@/shared'
import { useDesk } from './desk'
import { fieldInWords } from './words'

/** Accepting one difference: why, and until when. */
const { difference } = defineProps<{ difference: Difference | undefined }>()
const emit = defineEmits<{ done: [] }>()

const { busy, waive } = useDesk()
const reason = ref('')
const until = ref('')
const open = computed({
  get: () => difference !== undefined,
  set: (isOpen) => {
    if (!isOpen) emit('done')
  },
})
watch(open, () => {
  reason.value = ''
  until.value = ''
})

async function accept(): Promise<void> {
  if (difference === undefined || reason.value.trim() === '' || busy.value) return
  await waive(difference.object, difference.path, reason.value.trim(), until.value === '' ? null : until.value)
  emit('done')
}
</script>

<template>
  <ModalSheet v-model="open" title="Waive a difference">
    <form v-if="difference !== undefined" novalidate @submit.prevent="accept">
      <p class="soft">{{ difference.label }}{{ difference.path === null ? '' : ` · ${fieldInWords(difference.object, difference.path)}` }}: stays as it is on the switch, and pushes leave it alone. If it changes there, it is drift again.</p>
      <FieldRow v-slot="field" label="Reason">
        <el-input :id="field.id" v-model="reason" autofocus name="reason" maxlength="500" placeholder="for example: their own address until she is back" />
      </FieldRow>
      <FieldRow v-slot="field" label="Until" help="The last day it holds; left empty, until it is taken back.">
        <input :id="field.id" v-model="until" type="date" name="until" class="date" :aria-describedby="field.describedBy" />
      </FieldRow>
      <p class="act"><el-button type="primary" native-type="submit" :disabled="busy || reason.trim() === ''">Waive</el-button></p>
    </form>
  </ModalSheet>
</template>

<style scoped>
.act {
  padding-top: 12px;
}
</style>
