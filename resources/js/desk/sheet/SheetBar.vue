<script setup lang="ts">
import { computed, ref } from 'vue'
import { plural } from '@/shared'
import { useDesk } from '../desk'
import { useSheet } from './sheet'

/** What is looked for in a sheet, which columns it has, and which of its cells could not be kept. */
defineProps<{ total: number }>()

const sheet = useSheet()
const { notice } = useDesk()
const input = ref<{ focus: () => void; select: () => void }>()
const isChoosing = ref(false)

const found = computed(() => {
  if (sheet.wanted.value.length === 0) return ''
  return sheet.isNarrowed.value
    ? `${sheet.lines.value.length} of them`
    : plural(
        sheet.lines.value.reduce(
          (count, object) => count + sheet.columns.value.filter((column) => sheet.isFound(object, column)).length,
          0,
        ),
        'cell',
      )
})
const shown = computed(() => sheet.columns.value.map((column) => column.id))
const [first] = [computed(() => sheet.marked.value[0])]

function choose(id: string, isWanted: boolean): void {
  const ids = sheet.all.value.map((column) => column.id)
  sheet.choose(ids.filter((each) => (each === id ? isWanted : shown.value.includes(each))))
}

function leave(): void {
  sheet.said.value = ''
  sheet.goTo(sheet.at.value)
}

async function copyAll(): Promise<void> {
  try {
    await navigator.clipboard.writeText(sheet.copied(sheet.whole.value, true))
    notice.value = {
      text: `${plural(sheet.lines.value.length, 'line')} with titles copied, as a spreadsheet takes them.`,
    }
  } catch {
    notice.value = {
      text: 'The browser lets nothing be copied from here; mark all with Ctrl A and copy with Ctrl C.',
      isFault: true,
    }
  }
}

defineExpose({
  focus: (): void => {
    input.value?.focus()
    input.value?.select()
  },
})
</script>

<template>
  <div class="bar" role="search" aria-label="In this sheet">
    <el-input
      ref="input"
      v-model="sheet.said.value"
      size="small"
      clearable
      class="words"
      name="find"
      aria-label="Find in this sheet"
      placeholder="Find, or narrow one column: mail: gmail"
      @keydown.enter.prevent="sheet.find($event.shiftKey ? -1 : 1)"
      @keydown.down.prevent="sheet.goTo(sheet.at.value)"
      @keydown.esc.stop.prevent="leave"
    />
    <el-checkbox v-model="sheet.isNarrowed.value" size="small">only lines that have it</el-checkbox>
    <span class="soft count" role="status">{{ found }}</span>
    <button
      v-if="first !== undefined"
      type="button"
      class="text-button fault"
      data-testid="marked-cells"
      @click="sheet.toFault"
    >
      {{ plural(sheet.marked.value.length, 'cell') }} not kept: {{ first.label }}, {{ first.title }}
    </button>
    <span class="right">
      <button type="button" class="text-button" @click="copyAll">Copy all</button>
      <el-popover v-model:visible="isChoosing" trigger="click" placement="bottom-end" :width="520" :persistent="false">
        <template #reference>
          <button type="button" class="text-button" :aria-expanded="isChoosing" data-testid="choose-columns">
            Columns <template v-if="sheet.chosen.value !== undefined">({{ shown.length }})</template>
          </button>
        </template>
        <fieldset class="choose">
          <legend>Columns of this sheet, remembered in this browser</legend>
          <el-checkbox
            v-for="column in sheet.all.value"
            :key="column.id"
            size="small"
            :model-value="shown.includes(column.id)"
            :disabled="shown.length === 1 && shown.includes(column.id)"
            :data-testid="`column-${column.id}`"
            @update:model-value="choose(column.id, $event === true)"
            >{{ column.title }}</el-checkbox
          >
        </fieldset>
        <button type="button" class="text-button" @click="sheet.choose(undefined)">The usual ones</button>
      </el-popover>
    </span>
    <span class="visually-hidden">of {{ total }}</span>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  min-height: 32px;
  margin-bottom: 4px;
}
.words {
  width: 330px;
}
.bar > :deep(.el-checkbox) {
  --el-checkbox-text-color: var(--ink-soft);
  --el-checkbox-checked-text-color: var(--ink-soft);
}
.count {
  min-width: 5em;
}
.right {
  display: flex;
  gap: 14px;
  margin-left: auto;
}
.choose {
  columns: 3;
  margin: 0 0 8px;
  padding: 0;
  border: 0;
}
.choose legend {
  padding: 0 0 4px;
  color: var(--ink-soft);
}
.choose :deep(.el-checkbox) {
  display: flex;
  height: auto;
  margin: 0 0 3px;
  white-space: normal;
}
</style>
