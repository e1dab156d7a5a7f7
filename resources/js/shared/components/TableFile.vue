<script setup lang="ts">
import type { UploadFile } from 'element-plus'
import { computed, ref } from 'vue'
import { readTableFile, UnreadableTable, type TableSheet } from '../files/tableFile'
import ChoiceField from './ChoiceField.vue'

/** A list that somebody has as a file: CSV, text or a workbook. It is read here, and what it says goes on as text. */
defineProps<{ label: string }>()
const emit = defineEmits<{ read: [text: string] }>()

const sheets = ref<TableSheet[]>([])
const wanted = ref('')
const wrong = ref('')
const busy = ref(false)
const choices = computed(() => sheets.value.map((each) => [each.name, each.name] as const))

async function take(file: UploadFile): Promise<void> {
  wrong.value = ''
  sheets.value = []
  if (file.raw === undefined) return
  busy.value = true
  try {
    const read = await readTableFile(file.raw)
    const [first] = read
    if (read.length === 1 && first !== undefined) emit('read', first.text)
    else {
      sheets.value = read
      wanted.value = first?.name ?? ''
    }
  } catch (error) {
    if (!(error instanceof UnreadableTable)) throw error
    wrong.value = error.message
  } finally {
    busy.value = false
  }
}

function takeSheet(): void {
  const sheet = sheets.value.find((each) => each.name === wanted.value)
  sheets.value = []
  if (sheet !== undefined) emit('read', sheet.text)
}
</script>

<template>
  <span class="file" data-testid="table-file">
    <el-upload
      :auto-upload="false"
      :show-file-list="false"
      accept=".csv,.tsv,.txt,.xlsx,text/csv,text/plain"
      :disabled="busy"
      :on-change="(file: UploadFile) => void take(file)"
      ><span class="text-button">{{ busy ? 'reading the file' : label }}</span></el-upload
    >
    <span v-if="sheets.length > 1" class="sheets">
      It has several sheets: <ChoiceField v-model="wanted" :options="choices" in-sentence aria-label="Which sheet" />
      <button type="button" class="quiet-button" @click="takeSheet">Read this one</button>
    </span>
    <span v-if="wrong !== ''" class="fault" role="alert">{{ wrong }}</span>
  </span>
</template>

<style scoped>
.file,
.sheets {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
</style>
