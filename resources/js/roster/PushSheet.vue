<script setup lang="ts">
import { ref, watch } from 'vue'
import { client, detailOf, take, type CustomerLine, type Difference, type Live } from '@/api'
import { fieldInWords } from '@/desk'
import { LoadingLines, ModalSheet, plural } from '@/shared'

/**
 * Pushes to several customers, looked at before: what each would carry, and what of others' changes on the switch it
 * would overwrite.
 */
const props = defineProps<{ chosen: string[]; linesFor: (keys: readonly string[]) => Promise<CustomerLine[]> }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ push: [lines: CustomerLine[], overwritten: Record<string, Difference[]>] }>()

interface Looked {
  line: CustomerLine
  live?: Live
  trouble?: string
  isIn: boolean
}

const MOST_NAMED = 3
const looked = ref<Looked[]>([])
const isLooking = ref(false)

/** The switch is read anew: what was changed there since the last reading would be overwritten all the same. */
async function look(line: CustomerLine): Promise<Looked> {
  try {
    const live = await take(
      client.POST('/customers/{customer}/live/read', { params: { path: { customer: line.key } } }),
    )
    return { line, live, isIn: isWorth(live) && overwritten(live).length === 0 }
  } catch (error) {
    return { line, trouble: detailOf(error), isIn: false }
  }
}

watch(open, async (isOpen) => {
  if (!isOpen) return
  looked.value = []
  isLooking.value = true
  for (const line of await props.linesFor(props.chosen)) looked.value.push(await look(line))
  isLooking.value = false
})

function overwritten(live: Live): Difference[] {
  return live.differences.filter((each) => each.whose !== 'ours')
}

function isWorth(live: Live): boolean {
  return live.runSheet.length > 0 || live.pinsToTell.length > 0
}

function carries(live: Live): string {
  if (!live.onSwitch) return `first push, ${plural(live.runSheet.length, 'step')}`
  const parts = [
    ...(live.runSheet.length > 0 ? [plural(live.runSheet.length, 'step')] : []),
    ...(live.pinsToTell.length > 0 ? [plural(live.pinsToTell.length, 'PIN')] : []),
    ...(live.runSheet.some((step) => step.kind === 'delete')
      ? [`removes ${plural(live.runSheet.filter((step) => step.kind === 'delete').length, 'object')}`]
      : []),
  ]
  return parts.length === 0 ? 'nothing to push' : parts.join(', ')
}

function lost(live: Live): string {
  const all = overwritten(live)
  const named = all
    .slice(0, MOST_NAMED)
    .map(
      (each) =>
        `${each.label}${each.path === null ? '' : ` · ${fieldInWords(each.object, each.path)}`}` +
        (each.by === null ? '' : ` by ${each.by}`),
    )
  return named.join('; ') + (all.length > MOST_NAMED ? `; and ${all.length - MOST_NAMED} more` : '')
}

function push(): void {
  const those = looked.value.filter((each) => each.isIn)
  emit(
    'push',
    those.map((each) => each.line),
    Object.fromEntries(those.map((each) => [each.line.key, each.live === undefined ? [] : overwritten(each.live)])),
  )
  open.value = false
}
</script>

<template>
  <ModalSheet v-model="open" :title="`Push to ${plural(chosen.length, 'customer')}`" width="wide">
    <p class="soft">
      Each was read from the switch just now. Customers on whose switch somebody changed something are left out, until
      you put them in.
    </p>
    <table data-testid="fleet-push">
      <thead>
        <tr>
          <td class="corner" />
          <th scope="col">Customer</th>
          <th scope="col">Carries</th>
          <th scope="col">Overwrites what was changed there</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in looked" :key="each.line.key">
          <td>
            <el-checkbox
              :id="`push-${each.line.key}`"
              v-model="each.isIn"
              size="small"
              :disabled="each.live === undefined || !isWorth(each.live)"
            />
          </td>
          <td>
            <label :for="`push-${each.line.key}`">{{ each.line.name }}</label>
          </td>
          <td>
            {{ each.live === undefined ? '' : carries(each.live)
            }}<span v-if="each.trouble !== undefined" class="fault">not looked at: {{ each.trouble }}</span>
          </td>
          <td :class="{ fault: each.live !== undefined && overwritten(each.live).length > 0 }">
            {{ each.live === undefined ? '' : overwritten(each.live).length === 0 ? 'nothing' : lost(each.live) }}
          </td>
        </tr>
      </tbody>
    </table>
    <LoadingLines v-if="isLooking" what="the other customers" />
    <p class="act">
      <el-button
        type="primary"
        :disabled="isLooking || !looked.some((each) => each.isIn)"
        data-testid="push-chosen"
        @click="push"
        >Push to {{ plural(looked.filter((each) => each.isIn).length, 'customer') }}</el-button
      >
      <button type="button" class="quiet-button" @click="open = false">Leave it</button>
    </p>
  </ModalSheet>
</template>

<style scoped>
.act {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-top: 14px;
}
</style>
