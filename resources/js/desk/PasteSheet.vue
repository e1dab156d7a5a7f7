<script setup lang="ts">
import { ref, watch } from 'vue'
import { detailOf } from '@/api'
import { ModalSheet } from '@/shared'

/**
 * Something as a customer said it, typed or pasted, for the server to read.
 *
 * @param begins what it holds now, to be changed instead of said anew
 * @param read sends it, and returns what was not understood; empty when all was, which closes the sheet
 */
const { read, begins = '' } = defineProps<{
  title: string
  label: string
  example: string
  hint: string
  begins?: string
  read: (said: string) => Promise<string>
}>()
const isOpen = defineModel<boolean>({ required: true })

const said = ref('')
const refusal = ref('')
let began = ''

watch(isOpen, (open) => {
  if (!open) return
  refusal.value = ''
  if (said.value.trim() === '' || said.value === began) said.value = began = begins
})

async function send(): Promise<void> {
  try {
    refusal.value = await read(said.value)
    if (refusal.value !== '') return
    isOpen.value = false
    said.value = ''
  } catch (error) {
    refusal.value = detailOf(error)
  }
}
</script>

<template>
  <ModalSheet v-model="isOpen" :title>
    <form @submit.prevent="send">
      <el-input v-model="said" type="textarea" data-takes-keys :rows="5" :aria-label="label" :placeholder="example" />
      <p v-if="refusal !== ''" class="fault" role="alert">{{ refusal }}</p>
      <p class="act">
        <el-button type="primary" native-type="submit" :disabled="said.trim() === ''">Read it</el-button
        ><span class="soft">{{ hint }}</span>
      </p>
    </form>
  </ModalSheet>
</template>

<style scoped>
.act {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin-top: 8px;
}
</style>
