<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Change } from '@/api'
import { useDesk, useDraft } from './desk'
import { sentencesOf, type Sentence } from './sentences'

/** Changes as sentences, alike ones as one: who, what from now on, what before. */
const props = defineProps<{ changes: Change[]; canLeaveOut?: boolean }>()

const { names, busy } = useDesk()
const { leaveOut } = useDraft()

const sentences = computed(() => sentencesOf(props.changes, names.value))
/** Sentences about several, of which each is told. */
const opened = reactive(new Set<string>())

/** The subject stands once over what is said of it. */
function subjectOf(index: number): string {
  const sentence = sentences.value[index]
  return sentence?.subject === sentences.value[index - 1]?.subject ? '' : (sentence?.subject ?? '')
}

async function leaveAllOut({ changes }: Sentence): Promise<void> {
  for (const change of changes) await leaveOut(change)
}

function toggle(key: string): void {
  if (!opened.delete(key)) opened.add(key)
}
</script>

<template>
  <table class="changes">
    <thead>
      <tr>
        <th scope="col">Whom</th>
        <th scope="col">From now on</th>
        <th scope="col">Before</th>
        <td v-if="canLeaveOut" class="corner" />
      </tr>
    </thead>
    <tbody>
      <template v-for="(sentence, index) in sentences" :key="sentence.key">
        <tr>
          <td>
            <button
              v-if="sentence.changes.length > 1"
              type="button"
              class="text-button"
              :aria-expanded="opened.has(sentence.key)"
              @click="toggle(sentence.key)"
            >
              {{ sentence.subject }}
            </button>
            <template v-else>{{ subjectOf(index) }}</template>
          </td>
          <td>{{ sentence.says }}</td>
          <td class="soft">{{ sentence.was }}</td>
          <td v-if="canLeaveOut">
            <button
              type="button"
              class="text-button"
              :disabled="busy"
              :aria-label="`Leave out: ${sentence.subject}, ${sentence.says}`"
              @click="leaveAllOut(sentence)"
            >
              Leave out
            </button>
          </td>
        </tr>
        <template v-if="opened.has(sentence.key)">
          <tr v-for="change in sentence.changes" :key="`${change.object} ${change.path ?? ''}`" class="one">
            <td colspan="3">{{ change.label }}</td>
            <td v-if="canLeaveOut">
              <button
                type="button"
                class="text-button"
                :disabled="busy"
                :aria-label="`Leave out: ${change.label}, ${sentence.says}`"
                @click="leaveOut(change)"
              >
                Leave out
              </button>
            </td>
          </tr>
        </template>
      </template>
    </tbody>
  </table>
</template>

<style scoped>
.changes {
  table-layout: fixed;
}

.changes th:first-child {
  width: 22%;
}

.changes th:nth-child(3) {
  width: 24%;
}

.corner {
  width: 90px;
}

.changes td {
  overflow-wrap: anywhere;
}

.one td:first-child {
  padding-left: 24px;
}
</style>
