<script setup lang="ts">
import { computed, ref } from 'vue'
import ModalSheet from '../components/ModalSheet.vue'
import { keysNow, useShortcuts, type Told } from './registry'

/** Every key that does something on this page, as the parts of the page registered them. */
const open = ref(false)
useShortcuts([{ keys: '?', label: 'list the keys', scope: 'everywhere', run: () => (open.value = true) }])

const byScope = computed(() => {
  const groups = new Map<string, Told[]>()
  if (!open.value) return groups
  for (const key of keysNow()) groups.set(key.scope, [...(groups.get(key.scope) ?? []), key])
  return groups
})

function shown(keys: string): string {
  return keys
    .replace(/ctrl\+(.)/, (_, key: string) => `Ctrl ${key.toUpperCase()}`)
    .replace('ArrowDown', '↓')
    .replace('ArrowUp', '↑')
    .replace('Escape', 'Esc')
}
</script>

<template>
  <ModalSheet v-model="open" title="Keys" width="wide">
    <div class="scopes">
      <section v-for="[scope, keys] in byScope" :key="scope">
        <h3>{{ scope }}</h3>
        <dl class="keys">
          <template v-for="key in keys" :key="key.keys">
            <dt>
              <kbd>{{ shown(key.keys) }}</kbd>
            </dt>
            <dd>{{ key.label }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </ModalSheet>
</template>

<style scoped>
.scopes {
  columns: 2 340px;
  column-gap: 36px;
}

.scopes section {
  break-inside: avoid;
}

.keys {
  display: grid;
  grid-template-columns: 124px 1fr;
  gap: 4px 12px;
  margin: 6px 0 16px;
}

.keys dd {
  margin: 0;
}
</style>
