<script setup lang="ts">
import type { UploadFile } from 'element-plus'
import { computed, ref } from 'vue'
import { client, take } from '@/api'
import { plural, useAttempt } from '@/shared'

/** Numbers the carrier gave otherwise: pasted or from a file, each line with how it is read before anything is kept. */
const emit = defineEmits<{ done: [said: string, added: string[]] }>()

const { busy, faults, attempt } = useAttempt()
const text = ref('')
interface Read {
  lines: { typed: string; readAs: string | null; fault: string | null }[]
  numbers: string[]
}
const read = ref<Read>()
const refused = computed(() => read.value?.lines.filter((line) => line.fault !== null) ?? [])

const look = (): Promise<void> =>
  attempt(async () => {
    read.value = await take(client.POST('/stock/read', { body: { text: text.value } }))
  })

async function open(file: UploadFile): Promise<void> {
  const raw = file.raw
  if (raw === undefined) return
  text.value = await raw.text()
  await look()
}

const add = (): Promise<void> =>
  attempt(async () => {
    const answer = await take(client.POST('/stock', { body: { numbers: read.value?.numbers ?? [] } }))
    // What could not be read stays to be mended.
    text.value = refused.value.map((line) => line.typed).join('\n')
    read.value = undefined
    emit(
      'done',
      `${plural(answer.added.length, 'number')} put into stock` +
        (answer.known.length === 0
          ? '.'
          : `; ${plural(answer.known.length, 'number')} of another customer of ours left out.`),
      answer.added,
    )
  })
</script>

<template>
  <form class="list" novalidate @submit.prevent="look">
    <label for="list" class="soft"
      >Numbers the carrier gave you, one to a line or with commas; ranges as “902 555 0100 to 0149”</label
    >
    <el-input id="list" v-model="text" type="textarea" :rows="6" name="list" @input="read = undefined" />
    <p v-if="faults['text'] !== undefined" class="fault" role="alert">{{ faults['text'] }}</p>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <p class="send">
      <button type="submit" class="quiet-button" :disabled="busy || text.trim() === ''">Look</button>
      <el-upload
        :auto-upload="false"
        :show-file-list="false"
        accept=".csv,.txt,text/csv,text/plain"
        :disabled="busy"
        :on-change="(file: UploadFile) => void open(file)"
        ><span class="quiet-button">Take a file</span></el-upload
      >
      <el-button v-if="read !== undefined" type="primary" :disabled="busy || read.numbers.length === 0" @click="add"
        >Put {{ plural(read.numbers.length, 'number') }} into stock</el-button
      >
    </p>
    <table v-if="read !== undefined" class="lines">
      <tbody>
        <tr v-for="(line, at) in read.lines" :key="at">
          <td>{{ line.typed }}</td>
          <td :class="line.fault === null ? 'soft' : 'fault'">{{ line.fault ?? line.readAs }}</td>
        </tr>
      </tbody>
    </table>
  </form>
</template>

<style scoped>
.list {
  display: grid;
  gap: 6px;
  max-width: 760px;
}

.send {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
