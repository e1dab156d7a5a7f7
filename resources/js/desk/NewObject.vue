<script setup lang="ts">
import { ref } from 'vue'
import { kindsInWords, plural, TableFile } from '@/shared'
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
  list.value = text
  isReadingList.value = true
}

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
  <button v-if="kind === 'user' && left.length > 0" type="button" class="text-button left" @click="readList('')">
    {{ plural(left.length, 'person', 'people') }} of a list {{ left.length === 1 ? 'waits' : 'wait' }}: look at
    {{ left.length === 1 ? 'it' : 'them' }}
  </button>
  <PeopleSheet v-if="kind === 'user'" v-model="isReadingList" v-model:left="left" :text="list" @taken="name = ''" />
</template>

<style scoped>
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
