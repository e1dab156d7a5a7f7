<script setup lang="ts">
import { ref } from 'vue'
import { client, take } from '@/api'
import { kindsInWords, plural, TableFile, useAttempt } from '@/shared'
import { useDesk, useDraft, type NewObject } from './desk'
import { useHalfTyped } from './halfTyped'
import PeopleSheet from './PeopleSheet.vue'

/** The empty line under a list: a name typed there, or several pasted, makes objects of the kind. */
const props = defineProps<{ kind: NewObject['kind'] }>()
const emit = defineEmits<{ made: [ref: string] }>()

const { customer } = useDesk()
const draft = useDraft()
const name = useHalfTyped(customer, `new ${props.kind}`, '')

async function make(names: string[]): Promise<void> {
  const { kind } = props
  const made = await draft.make(names.map((each) => ({ kind, name: each })))
  made.forEach((ref) => {
    emit('made', ref)
  })
  if (made.length > 0) name.value = ''
}

/** A list of people, in as many columns as somebody had: read whole, and shown before it is taken. */
const list = ref('')
const isReadingList = ref(false)
const left = useHalfTyped<Record<string, string>[]>(customer, 'people who wait', [])

function readList(text: string): void {
  given.value = undefined
  list.value = text
  isReadingList.value = true
}

/** Rooms of a hotel, desks of an office: by the number, looked at as a list before any is made. */
const EMPTY = { first: '', count: '10', step: '1', name: '' }
const batch = ref({ ...EMPTY })
const isBatch = ref(false)
const given = ref<typeof EMPTY>()
const { busy, faults, attempt } = useAttempt()
const readBatch = (): Promise<void> =>
  attempt(async () => {
    // Asked before the sheet opens: what cannot be read is told where it was typed.
    await take(
      client.POST('/customers/{customer}/people/read', {
        params: { path: { customer } },
        body: { batch: batch.value },
      }),
    )
    given.value = { ...batch.value }
    list.value = ''
    isReadingList.value = true
  })

/** More than a name of a person is a list of one: shown as it was read before it is taken. */
function submit(): void {
  const typed = name.value.trim()
  if (typed === '') return
  if (props.kind === 'user' && /[@<,;\d]/.test(typed)) {
    readList(typed)
    return
  }
  void make([typed])
}

function paste(event: ClipboardEvent): void {
  const block = event.clipboardData?.getData('text/plain') ?? ''
  if (props.kind === 'user' && /[\t\n;@<\d]|,/.test(block.trim())) {
    event.preventDefault()
    readList(block)
    return
  }
  const lines = (event.clipboardData?.getData('text/plain') ?? '')
    .split(/\r?\n/)
    .map((line) => line.split('\t')[0]?.trim() ?? '')
    .filter((line) => line !== '')
  if (lines.length < 2) return
  event.preventDefault()
  void make(lines)
}
</script>

<template>
  <form class="new" @submit.prevent="submit">
    <el-input
      v-model="name"
      class="lined"
      :aria-label="`New ${kindsInWords(kind).one.toLowerCase()}`"
      :placeholder="`new ${kindsInWords(kind).one.toLowerCase()}`"
      autocomplete="off"
      @paste="paste"
    />
  </form>
  <TableFile v-if="kind === 'user'" class="file" label="or take a list from a file" @read="readList" />
  <button
    v-if="kind === 'user'"
    type="button"
    class="text-button by-number"
    :aria-expanded="isBatch"
    @click="isBatch = !isBatch"
  >
    or people by the number
  </button>
  <form v-if="kind === 'user' && isBatch" class="batch" novalidate data-testid="batch" @submit.prevent="readBatch">
    from
    <el-input
      v-model="batch.first"
      size="small"
      class="few"
      placeholder="200"
      aria-label="First extension"
      autocomplete="off"
    />
    how many <el-input v-model="batch.count" size="small" class="few" aria-label="How many" autocomplete="off" /> step
    <el-input v-model="batch.step" size="small" class="few" aria-label="Step" autocomplete="off" />
    called
    <el-input
      v-model="batch.name"
      size="small"
      class="name"
      placeholder="Room #"
      aria-label="What each is called"
      autocomplete="off"
    />
    <button type="submit" class="quiet-button" :disabled="busy">Look at them</button>
    <p v-for="fault in faults" :key="fault" class="fault" role="alert">{{ fault }}</p>
  </form>
  <button v-if="kind === 'user' && left.length > 0" type="button" class="text-button left" @click="readList('')">
    {{ plural(left.length, 'person', 'people') }} of a list {{ left.length === 1 ? 'waits' : 'wait' }}: look at
    {{ left.length === 1 ? 'it' : 'them' }}
  </button>
  <PeopleSheet
    v-if="kind === 'user'"
    v-model="isReadingList"
    v-model:left="left"
    :text="list"
    :batch="given"
    @taken="name = ''"
  />
</template>

<style scoped>
.by-number {
  margin-left: 16px;
}

.batch {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
  padding: 6px 0;
}

.batch .few {
  width: 80px;
}

.batch .name {
  width: 180px;
}

.el-input {
  width: 100%;
}

.file {
  padding: 4px 0;
}

.left {
  margin-left: 16px;
}
</style>
