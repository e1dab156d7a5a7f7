<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { client, detailOf, isProblem, take, type Slot } from '@/api'
import { LoadingLines, ModalSheet, plural } from '@/shared'
import { placed, TableField } from '@/takingon'
import { useDesk, useDraft } from './desk'

type Row = Record<string, string>
/** People by the number: extension of the first, how many, by how much each is further on, and what each is called. */
interface Batch {
  first: string
  count: string
  step: string
  name: string
}

/** People pasted at a customer that exists: how each column was read, and what each gets, before any of it is taken. */
const { text, batch } = defineProps<{ text: string; batch: Batch | undefined }>()
const open = defineModel<boolean>({ required: true })
/** Rows that something is wrong with, of lists that were taken before: kept until they are taken or taken out. */
const left = defineModel<Row[]>('left', { required: true })
const emit = defineEmits<{ taken: [] }>()

const { customer, notice } = useDesk()
const { around } = useDraft()
const params = { path: { customer } }

const asked = ref<Slot>()
const rows = shallowRef<Row[]>([])
/** Rows as the server sent them: whatever else stands there was typed since, and is read anew. */
let sent: Row[] = []
/** A slow answer does not overwrite that of a later question. */
let asking = 0
const understood = ref<Row[]>([])
const readAs = ref<Record<string, string>>({})
const faults = ref<Record<string, string>>({})
const makes = ref<string[]>([])
const unmatched = ref<string[]>([])
const failure = ref<string>()
const isReading = ref(false)
const isTaking = ref(false)

/** Rows with something wrong in them wait here while the others are taken. */
const waiting = computed(
  () => new Set(Object.keys(faults.value).map((place) => Number(place.split('/')[1] ?? Number.NaN))),
)
const good = computed(() => rows.value.filter((_, index) => !waiting.value.has(index)))
const waits = computed(() => {
  const count = rows.value.length - good.value.length
  if (count === 0) return 'They are pending then, and taken back in one.'
  return count === 1
    ? '1 row needs a look and waits here meanwhile.'
    : `${count} rows need a look and wait here meanwhile.`
})
const isBlocked = computed(() => waiting.value.has(Number.NaN))

async function read(body: {
  text?: string
  batch?: Batch
  rows?: Row[]
}): Promise<{ rows: Row[]; unmatched: string[] }> {
  const mine = ++asking
  isReading.value = true
  try {
    const answer = await take(client.POST('/customers/{customer}/people/read', { params, body }))
    if (mine !== asking) return answer
    asked.value = answer.asked
    understood.value = answer.understood
    readAs.value = answer.readAs
    makes.value = answer.makes
    faults.value = placed(answer.faults)
    failure.value = undefined
    return answer
  } catch (error) {
    if (mine === asking) failure.value = detailOf(error)
    return { rows: body.rows ?? [], unmatched: [] }
  } finally {
    if (mine === asking) isReading.value = false
  }
}

watch(open, async (isOpen) => {
  if (!isOpen) return
  sent = rows.value = []
  const answer = await read({ text, ...(batch === undefined ? {} : { batch }), rows: left.value })
  unmatched.value = answer.unmatched
  sent = rows.value = answer.rows
})

watch(rows, (now) => {
  if (now === sent) return
  // What is mended or taken out of those that wait is so the next time too.
  if (left.value.length > 0) left.value = now
  void read({ rows: now })
})

async function takeThem(): Promise<void> {
  if (good.value.length === 0 || isBlocked.value || isTaking.value) return
  isTaking.value = true
  const rest = rows.value.filter((_, index) => waiting.value.has(index))
  try {
    let taken = 0
    await around(async () => {
      taken = (await take(client.POST('/customers/{customer}/people', { params, body: { rows: good.value } }))).taken
    })
    notice.value = {
      text:
        `${plural(taken, 'person', 'people')} pending, with mailboxes and telephones; PINs are made under ` +
        `Mailboxes once they are entered.`,
    }
    rows.value = left.value = rest
    if (rest.length > 0) return
    open.value = false
    emit('taken')
  } catch (error) {
    if (isProblem(error) && (error.problem.errors ?? []).length > 0) faults.value = placed(error.problem.errors ?? [])
    failure.value = detailOf(error)
  } finally {
    isTaking.value = false
  }
}
</script>

<template>
  <ModalSheet v-model="open" title="New people" width="wide">
    <LoadingLines v-if="asked === undefined && failure === undefined" what="the list" />
    <template v-if="asked !== undefined">
      <p v-if="unmatched.length > 0" class="fault" role="status">Not asked, so left out: {{ unmatched.join(', ') }}.</p>
      <TableField
        id="new-people"
        v-model="rows"
        template=""
        :asked
        :faults
        :understood
        :read-as
        :read-block="(block) => read({ rows, text: block })"
      />
      <h3 class="soft">What each gets</h3>
      <ul class="makes" data-testid="people-makes">
        <li v-for="(line, index) in makes" :key="index">{{ line }}</li>
      </ul>
    </template>
    <p v-if="failure !== undefined" class="fault" role="alert">{{ failure }}</p>
    <p class="act">
      <el-button
        type="primary"
        :disabled="isReading || isTaking || isBlocked || good.length === 0"
        data-testid="take-people"
        @click="takeThem"
        >Take {{ plural(good.length, 'person', 'people') }}</el-button
      >
      <span class="soft">{{ waits }}</span>
    </p>
  </ModalSheet>
</template>

<style scoped>
.makes {
  max-height: 180px;
  padding-left: 18px;
  overflow-y: auto;
}

.act {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-top: 14px;
}
</style>
