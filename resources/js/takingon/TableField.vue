<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { client, take, type Slot } from '@/api'
import { plural, TableFile, useKeysTold } from '@/shared'

type Row = Record<string, string>

/**
 * A question whose answer is a table: a pasted block, read by the server, or cells to type in. Undo takes back the last
 * paste or removal.
 */
const {
  template,
  asked,
  faults,
  offers = {},
  understood = [],
  readAs = {},
  readBlock = null,
} = defineProps<{
  id: string
  template: string
  asked: Slot
  readBlock?: ((text: string) => Promise<{ rows: Row[]; unmatched: string[] }>) | null
  faults: Record<string, string>
  /** What may be taken instead, by place. */
  offers?: Record<string, string> | undefined
  understood?: Row[] | undefined
  readAs?: Record<string, string> | undefined
}>()
const rows = defineModel<Row[]>({ default: () => [] })

const pasted = ref('')
const said = ref('')
const before = ref<Row[]>()
const table = ref<HTMLElement>()
/** The cell that is being typed in: an answer of the server that comes meanwhile draws the table anew, not its text. */
const typing = ref<{ row: number; column: string; text: string }>()

const columns = computed(() => asked.columns)
const own = computed(() =>
  Object.fromEntries(
    Object.entries(faults)
      .filter(([place]) => place.startsWith(`${asked.key}/`))
      .map(([place, detail]) => [place.slice(asked.key.length + 1), detail]),
  ),
)
const wrong = computed(() => new Set(Object.keys(own.value).map((place) => place.split('/')[0])).size)

/** How cells of a row were read, where that can be in doubt. */
function readingsOf(index: number): { at: number; column: string; detail: string }[] {
  return columns.value.flatMap((column, at) => {
    const detail = readAs[`${asked.key}/${index}/${column.key}`]
    return detail === undefined ? [] : [{ at, column: column.question, detail }]
  })
}

/** What is wrong in a row, by column. */
function faultsIn(
  index: number,
): { at: number; key: string; column: string; detail: string; offer: string | undefined }[] {
  return columns.value.flatMap((column, at) => {
    const detail = own.value[`${index}/${column.key}`]
    const offer = offers[`${asked.key}/${index}/${column.key}`]
    return detail === undefined ? [] : [{ at, key: column.key, column: column.question, detail, offer }]
  })
}

async function read(text: string, replace: boolean): Promise<void> {
  if (text.trim() === '') return
  const answer =
    readBlock === null
      ? await take(client.POST('/taking-on/paste', { body: { template, slot: asked.key, text } }))
      : await readBlock(text)
  before.value = rows.value
  rows.value = replace ? answer.rows : [...rows.value, ...answer.rows]
  pasted.value = ''
  const missing = answer.unmatched.length === 0 ? '' : `; not asked, so left out: ${answer.unmatched.join(', ')}`
  said.value = `${plural(answer.rows.length, 'row')} read${missing}`
}

/** A block pasted into a cell is a block; a word is a word. */
function pasteInto(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\t\n]/.test(text.trim())) return
  event.preventDefault()
  void read(text, false)
}

function shownIn(index: number, column: string): string {
  const open = typing.value
  return open?.row === index && open.column === column ? open.text : (rows.value[index]?.[column] ?? '')
}

function change(index: number, column: string, text: string): void {
  typing.value = undefined
  rows.value = rows.value.map((row, at) => (at === index ? { ...row, [column]: text } : row))
}

function remove(index: number): void {
  before.value = rows.value
  said.value = 'row taken out'
  rows.value = rows.value.filter((_, at) => at !== index)
}

function undo(): void {
  if (before.value === undefined) return
  rows.value = before.value
  before.value = undefined
  said.value = ''
}

async function add(): Promise<void> {
  rows.value = [...rows.value, {}]
  await nextTick()
  cell(rows.value.length - 1, 0)?.focus()
}

function cell(row: number, column: number): HTMLInputElement | null | undefined {
  return table.value?.querySelector<HTMLInputElement>(`input[data-cell="${row}-${column}"]`)
}

function move(event: KeyboardEvent, row: number, column: number): void {
  const to =
    event.key === 'ArrowUp' ? row - 1 : event.key === 'ArrowDown' || event.key === 'Enter' ? row + 1 : undefined
  if (to === undefined || event.ctrlKey) return
  event.preventDefault()
  if (event.key === 'Enter' && to === rows.value.length) void add()
  else cell(to, column)?.focus()
}

useKeysTold('in a table of answers', {
  '↑ ↓': 'to the line above or below',
  Enter: 'to the next line; a new one from the last',
  'Ctrl V': 'paste lines',
})
</script>

<template>
  <div class="whole">
    <div v-if="rows.length > 0" class="scroll">
      <table ref="table" :aria-label="asked.question">
        <thead>
          <tr>
            <th v-for="column in columns" :key="column.key" scope="col" :title="column.help ?? undefined">
              {{ column.question }}
            </th>
            <th scope="col"><span class="visually-hidden">Take out</span></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="(_, index) in rows" :key="index">
            <tr :class="{ marked: faultsIn(index).length + readingsOf(index).length > 0 }">
              <td
                v-for="(column, at) in columns"
                :key="column.key"
                :class="[column.type, { wrong: own[`${index}/${column.key}`] !== undefined }]"
              >
                <input
                  :value="shownIn(index, column.key)"
                  :data-cell="`${index}-${at}`"
                  :class="{ mono: ['extension', 'phone', 'number'].includes(column.type) }"
                  autocomplete="off"
                  :placeholder="understood[index]?.[column.key] ?? ''"
                  :aria-label="`${column.question}, row ${index + 1}`"
                  :aria-invalid="own[`${index}/${column.key}`] !== undefined"
                  :aria-describedby="own[`${index}/${column.key}`] === undefined ? undefined : `${id}-${index}-${at}`"
                  @input="typing = { row: index, column: column.key, text: ($event.target as HTMLInputElement).value }"
                  @change="change(index, column.key, ($event.target as HTMLInputElement).value)"
                  @blur="typing = undefined"
                  @keydown="move($event, index, at)"
                  @paste="pasteInto"
                />
              </td>
              <td class="out">
                <button
                  type="button"
                  class="out-button"
                  :aria-label="`Take out row ${index + 1}`"
                  @click="remove(index)"
                >
                  ×
                </button>
              </td>
            </tr>
            <tr v-if="faultsIn(index).length + readingsOf(index).length > 0">
              <td :colspan="columns.length + 1" class="said">
                <span
                  v-for="fault in faultsIn(index)"
                  :id="`${id}-${index}-${fault.at}`"
                  :key="fault.at"
                  class="fault small"
                  >{{ fault.column }}: {{ fault.detail
                  }}<button
                    v-if="fault.offer !== undefined"
                    type="button"
                    class="text-button take"
                    @click="change(index, fault.key, fault.offer)"
                  >
                    Take {{ fault.offer }}
                  </button></span
                ><span v-for="reading in readingsOf(index)" :key="`read ${reading.at}`" class="soft small"
                  >{{ reading.column }} read as {{ reading.detail }}</span
                >
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
    <el-input
      v-if="rows.length === 0"
      :id="id"
      v-model="pasted"
      type="textarea"
      :rows="4"
      :name="asked.key"
      :placeholder="`Paste a block with or without headings: ${columns.map((column) => column.question).join(', ')}`"
      autocomplete="off"
      @paste="
        (event: ClipboardEvent) => {
          event.preventDefault()
          void read(event.clipboardData?.getData('text/plain') ?? '', true)
        }
      "
      @change="read(pasted, true)"
    />
    <p class="under small">
      <button type="button" class="quiet-button" @click="add">Add a row</button>
      <button v-if="before !== undefined" type="button" class="quiet-button" @click="undo">Undo</button>
      <TableFile label="Rows from a file" @read="(text) => void read(text, rows.length === 0)" />
      <span class="soft" role="status">{{
        rows.length === 0
          ? said
          : [plural(rows.length, 'row'), wrong > 0 ? `${wrong} ${wrong === 1 ? 'needs' : 'need'} a look` : '', said]
              .filter(Boolean)
              .join(' · ')
      }}</span>
    </p>
  </div>
</template>

<style scoped>
.whole {
  min-width: 0;
}

.scroll {
  overflow-x: auto;
}

th,
td {
  padding: 2px 4px;
}

td {
  min-width: 88px;
}

td.extension {
  min-width: 58px;
  width: 58px;
}

td.person {
  min-width: 150px;
}

td.mail {
  min-width: 190px;
}

td.phone,
td.number {
  min-width: 124px;
}

td.wrong input {
  border-color: var(--red);
  color: var(--red);
}

.marked td {
  border-bottom: 0;
}

td.said {
  padding: 0 8px 6px;
}

td.said span {
  display: block;
}

td input {
  width: 100%;
  padding: 3px 4px;
  border: 1px solid transparent;
  border-radius: var(--corner);
  background: transparent;
}

td input:hover,
td input:focus {
  border-color: var(--rule);
  background: var(--paper);
}

.out {
  width: 28px;
  min-width: 28px;
}

.out-button {
  padding: 0 6px;
  border: 0;
  background: none;
  color: var(--ink-soft);
  cursor: pointer;
}

.out-button:hover {
  color: var(--red);
}

.under {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding-top: 6px;
}
</style>
