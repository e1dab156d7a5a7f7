<script setup lang="ts">
import { ref } from 'vue'
import { ChoiceField, plural, useAttempt } from '@/shared'
import { useDesk, useDraft } from '../desk'
import { useHalfTyped } from '../halfTyped'
import { whatIsMeant } from '../meant'

/** Numbers typed or pasted under the sheet: of stock, or another carrier's still and on their way here. */
const emit = defineEmits<{ made: [ref: string] }>()

const { customer, names, notice } = useDesk()
const { edit } = useDraft()
const typed = useHalfTyped(customer, 'new numbers', '')
const status = ref<'active' | 'portingIn'>('active')
const wrong = ref<string[]>([])
const { busy, faults, attempt } = useAttempt()
const OUTSIDE = 'outside:'

const add = (): Promise<void> =>
  attempt(async () => {
    const said = [
      ...new Set(
        typed.value
          .split(/[\n\t,;]+/)
          .map((each) => each.trim())
          .filter((each) => each !== ''),
      ),
    ]
    const meant = await whatIsMeant(customer, said, ['number'])
    wrong.value = meant.flatMap(({ said: text, value, fault }) =>
      value === null
        ? [fault ?? `"${text}" is no telephone number`]
        : value.startsWith(OUTSIDE)
          ? []
          : [`${names.value.of(value)} is in this book already`],
    )
    if (said.length === 0 || wrong.value.length > 0) return
    const refs = meant.map((each) => `number:${(each.value ?? '').slice(OUTSIDE.length)}`)
    await edit(refs.map((object) => ({ op: 'create', object, path: '', value: { status: status.value } })))
    if (notice.value?.isFault === true) return
    typed.value = ''
    notice.value = { text: `${plural(refs.length, 'number')} pending, to be looked over and entered.` }
    const first = refs[0]
    if (first !== undefined) emit('made', first)
  })

/** A block is read whole: each line of it is a number. */
function paste(event: ClipboardEvent): void {
  const block = event.clipboardData?.getData('text/plain') ?? ''
  if (!/[\n\t]/.test(block.trim())) return
  event.preventDefault()
  typed.value = block
    .split(/[\n\t]+/)
    .map((each) => each.trim())
    .filter((each) => each !== '')
    .join(', ')
}
</script>

<template>
  <form class="new" data-testid="new-numbers" @submit.prevent="add">
    <el-input
      v-model="typed"
      class="lined"
      aria-label="New numbers"
      placeholder="new numbers, as they are dialled"
      autocomplete="off"
      @paste="paste"
    />
    <ChoiceField
      v-model="status"
      in-sentence
      aria-label="Where they are"
      :options="[
        ['active', 'in our stock'],
        ['portingIn', 'still with another carrier, porting in'],
      ]"
    />
    <button v-if="typed.trim() !== ''" type="submit" class="quiet-button" :disabled="busy">Add</button>
  </form>
  <ul v-if="wrong.length > 0 || faults[''] !== undefined" class="fault" role="alert">
    <li v-for="each in wrong" :key="each">{{ each }}</li>
    <li v-if="faults[''] !== undefined">{{ faults[''] }}</li>
  </ul>
</template>

<style scoped>
.new {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
}

.el-input {
  flex: 1 1 260px;
  width: auto;
}

ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
