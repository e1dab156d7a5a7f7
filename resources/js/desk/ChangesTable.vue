<script setup lang="ts">
import type { Change } from '@/api'
import { useDesk, useDraft } from './desk'
import { fieldInWords, valueInWords } from './words'

/** Changes as a ledger: what was, what will be. */
defineProps<{ changes: Change[]; canLeaveOut?: boolean }>()

const { names, busy } = useDesk()
const { leaveOut } = useDraft()

function what(change: Change): string {
  if (change.op === 'create') return 'new in the book'
  if (change.op === 'delete') return 'taken out of the book'
  return fieldInWords(change.object, change.path ?? '')
}

function said(change: Change, value: unknown): string {
  return change.path === null ? '' : valueInWords(change.object, change.path, value, names.value)
}
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">Object</th>
        <th scope="col">Field</th>
        <th scope="col">Before</th>
        <th scope="col">After</th>
        <td v-if="canLeaveOut" class="corner" />
      </tr>
    </thead>
    <tbody>
      <tr v-for="change in changes" :key="`${change.object} ${change.path ?? ''}`">
        <td>{{ change.label }}</td>
        <td>{{ what(change) }}</td>
        <td class="soft">{{ said(change, change.before) }}</td>
        <td>{{ said(change, change.after) }}</td>
        <td v-if="canLeaveOut">
          <button
            type="button"
            class="text-button"
            :disabled="busy"
            :aria-label="`Leave out: ${change.label}, ${what(change)}`"
            @click="leaveOut(change)"
          >
            Leave out
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>
