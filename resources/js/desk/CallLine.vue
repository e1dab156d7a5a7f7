<script setup lang="ts">
import { ref } from 'vue'
import { plural, useShortcuts } from '@/shared'
import { useDesk } from './desk'
import LookOver from './LookOver.vue'

const { changes, clashes, notice, busy, undo } = useDesk()
const call = ref('')
const line = ref<HTMLInputElement>()
const asked = ref(false)
const looking = ref(false)

function look(): void {
  if (changes.value.length + clashes.value.length > 0) looking.value = true
}

useShortcuts([
  { keys: 't', label: 'the call line', scope: 'Desk', run: () => line.value?.focus() },
  { keys: 'l', label: 'look over the pending changes', scope: 'Desk', run: look },
])
</script>

<template>
  <footer class="foot">
    <p v-if="notice !== undefined" class="notice" :class="{ fault: notice.isFault }" :role="notice.isFault ? 'alert' : 'status'" data-testid="notice">
      {{ notice.text }}
      <button v-if="notice.revision !== undefined" type="button" class="quiet-button" :disabled="busy" @click="undo(notice.revision)">Undo</button>
      <button type="button" class="close" aria-label="Close this note" @click="notice = undefined">×</button>
    </p>
    <div class="call">
      <kbd>t</kbd>
      <form class="ask" @submit.prevent="asked = true">
        <input ref="line" v-model="call" type="text" class="mono" aria-label="Call line" placeholder="902 555 0110 sat 10:00" autocomplete="off" @keydown.esc="line?.blur()" @input="asked = false">
      </form>
      <p class="answer" role="status">{{ asked ? 'Not traced: this build keeps numbers, users and mailboxes, and cannot follow a call through them yet.' : '' }}</p>
      <p v-if="changes.length + clashes.length > 0" class="pending">
        <span data-testid="pending">{{ plural(changes.length, 'change') }}<template v-if="clashes.length > 0">, {{ plural(clashes.length, 'clash', 'clashes') }}</template></span>
        <el-button type="primary" data-testid="look-over" @click="look">Look over</el-button>
      </p>
      <p v-else class="none">nothing pending</p>
    </div>
    <LookOver v-model="looking" />
  </footer>
</template>

<style scoped>
.foot {
  position: relative;
}

.notice {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 7px 18px;
  border-top: 1px solid var(--rule);
  background: var(--sheet);
}

.close {
  margin-left: auto;
  padding: 0 8px;
  border: 0;
  background: none;
  cursor: pointer;
}

.call {
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 44px;
  padding: 0 18px;
  background: var(--line);
  color: var(--on-line);
}

.ask {
  width: 300px;
}

.ask input {
  width: 100%;
  padding: 4px 2px;
  border: 0;
  background: none;
  color: var(--on-line);
}

.ask input::placeholder,
.none {
  color: var(--on-line-soft);
}

.ask input:focus-visible {
  outline-color: var(--on-line);
}

.answer {
  flex: 1;
  min-width: 0;
  color: var(--on-line-soft);
}

.pending {
  display: flex;
  gap: 14px;
  align-items: center;
}
</style>
