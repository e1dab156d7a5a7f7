<script setup lang="ts">
import { computed, ref } from 'vue'
import ModalSheet from '../components/ModalSheet.vue'
import { activeShortcuts, useShortcuts, type Shortcut } from './registry'

const open = ref(false)
useShortcuts([{ keys: '?', label: 'list the keys', scope: 'everywhere', run: () => (open.value = true) }])

const byScope = computed(() => {
  const groups = new Map<string, Shortcut[]>()
  if (!open.value) return groups
  for (const shortcut of activeShortcuts())
    groups.set(shortcut.scope, [...(groups.get(shortcut.scope) ?? []), shortcut])
  return groups
})

function shown(keys: string): string {
  return keys.replace('ctrl+', 'Ctrl ').replace('ArrowDown', '↓').replace('ArrowUp', '↑')
}
</script>

<template>
  <ModalSheet v-model="open" title="Keys" width="narrow">
    <template v-for="[scope, shortcuts] in byScope" :key="scope">
      <h3>{{ scope }}</h3>
      <dl class="keys">
        <template v-for="shortcut in shortcuts" :key="shortcut.keys">
          <dt>
            <kbd>{{ shown(shortcut.keys) }}</kbd>
          </dt>
          <dd>{{ shortcut.label }}</dd>
        </template>
      </dl>
    </template>
  </ModalSheet>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: 90px 1fr;
  gap: 4px 12px;
  margin: 6px 0 14px;
}

.keys dd {
  margin: 0;
}
</style>
