<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import type { Column } from '../columns'
import { useSheet } from './sheet'

/** What a column's head offers: order, only some lines, and less of it. */
const props = defineProps<{ column: Column; head: HTMLElement | undefined }>()
const emit = defineEmits<{ left: []; narrow: [] }>()

const sheet = useSheet()
const list = ref<HTMLElement>()

function leave(act: () => void): void {
  act()
  emit('left')
}

function narrow(): void {
  const word = props.column.title.split(/[\s:,]/)[0]?.toLowerCase() ?? ''
  sheet.said.value = `${sheet.said.value.trim()} ${word}: `.trimStart()
  emit('narrow')
}

function step(by: number): void {
  const all = [...(list.value?.querySelectorAll('button') ?? [])]
  const at = all.indexOf(document.activeElement as HTMLButtonElement)
  all[(at + by + all.length) % all.length]?.focus()
}

onMounted(() => {
  void nextTick(() => list.value?.querySelector('button')?.focus())
})
</script>

<template>
  <el-popover
    :visible="true"
    :virtual-ref="head"
    virtual-triggering
    placement="bottom-start"
    :width="220"
    :show-arrow="false"
    :persistent="false"
    role="menu"
  >
    <ul
      ref="list"
      class="menu"
      role="menu"
      tabindex="-1"
      :aria-label="column.title"
      @keydown.esc.stop="
        leave(() => {
          sheet.goTo(sheet.at.value)
        })
      "
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
      @focusout="
        (event) => {
          if (!list?.contains(event.relatedTarget as Node | null)) emit('left')
        }
      "
    >
      <li role="none">
        <button
          type="button"
          role="menuitem"
          @click="leave(() => (sheet.order.value = { by: column.title, isDown: false }))"
        >
          First to last
        </button>
      </li>
      <li role="none">
        <button
          type="button"
          role="menuitem"
          @click="leave(() => (sheet.order.value = { by: column.title, isDown: true }))"
        >
          Last to first
        </button>
      </li>
      <li v-if="sheet.order.value !== undefined" role="none">
        <button type="button" role="menuitem" @click="leave(() => (sheet.order.value = undefined))">
          In the order of the book
        </button>
      </li>
      <li role="none">
        <button type="button" role="menuitem" @click="leave(narrow)">Only lines that say …</button>
      </li>
      <li v-if="sheet.columns.value.length > 1" role="none">
        <button
          type="button"
          role="menuitem"
          @click="
            leave(() => {
              sheet.choose(sheet.columns.value.map((each) => each.id).filter((id) => id !== column.id))
            })
          "
        >
          Leave this column out
        </button>
      </li>
    </ul>
  </el-popover>
</template>

<style scoped>
.menu {
  margin: 0;
  padding: 0;
  list-style: none;
}
.menu button {
  width: 100%;
  padding: 5px 8px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.menu button:is(:hover, :focus) {
  background: var(--shade);
}
</style>
