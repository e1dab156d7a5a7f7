<script setup lang="ts">
import { ref, watch } from 'vue'
import DayField from './DayField.vue'
import FieldRow from './FieldRow.vue'
import ModalSheet from './ModalSheet.vue'
import TextRow from './TextRow.vue'

/** Accepting something as it is: why, and until when. */
const {
  accept,
  busy,
  zone = Intl.DateTimeFormat().resolvedOptions().timeZone,
} = defineProps<{
  title: string
  about: string
  example: string
  busy: boolean
  /** Whose days they are; unset: the browser's. */
  zone?: string
  accept: (reason: string, until: string | null) => Promise<void>
}>()
const isOpen = defineModel<boolean>({ required: true })

const reason = ref('')
const until = ref('')
watch(isOpen, () => {
  reason.value = ''
  until.value = ''
})

async function take(): Promise<void> {
  if (reason.value.trim() === '' || busy) return
  await accept(reason.value.trim(), until.value === '' ? null : until.value)
  isOpen.value = false
}
</script>

<template>
  <ModalSheet v-model="isOpen" :title>
    <form v-if="isOpen" novalidate @submit.prevent="take">
      <p class="soft">{{ about }}</p>
      <TextRow
        v-model="reason"
        label="Reason"
        data-takes-keys
        name="reason"
        maxlength="500"
        :placeholder="`for example: ${example}`"
      />
      <FieldRow v-slot="field" label="Until" help="The last day it holds; left empty, until it is taken back.">
        <DayField :id="field.id" v-model="until" name="until" :zone :aria-describedby="field.describedBy" />
      </FieldRow>
      <p class="act">
        <el-button type="primary" native-type="submit" :disabled="busy || reason.trim() === ''">Waive</el-button>
      </p>
    </form>
  </ModalSheet>
</template>

<style scoped>
.act {
  padding-top: 12px;
}
</style>
