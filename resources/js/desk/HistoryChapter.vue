<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { Revision } from '@/api'
import { dateThere, ErrorState, LoadingLines, plural } from '@/shared'
import ChangesTable from './ChangesTable.vue'
import { useDesk } from './desk'
import { fieldInWords } from './words'

defineProps<{ zone: string }>()

const { queries, busy, undo } = useDesk()
const { data, error, isPending, refetch } = useQuery(queries.revisions)

const undone = computed(() => new Map((data.value ?? []).flatMap((revision) => (revision.undoes === null ? [] : [[revision.undoes, revision.no] as const]))))

/** The revision a customer begins with: there is nothing before it to go back to. */
function isFirst(revision: Revision): boolean {
  return revision.source === 'taking-on' || revision.source === 'import'
}

function what(revision: Revision): string {
  if (revision.source === 'taking-on') return 'taken on'
  if (revision.source === 'import') return 'taken on from a book'
  if (revision.undoes !== null) return `undoes revision ${revision.undoes}`
  const [first] = revision.changes
  if (revision.note !== null || first === undefined) return revision.note ?? ''
  return first.path === null ? first.label : `${first.label}: ${fieldInWords(first.object, first.path)}`
}
</script>

<template>
  <LoadingLines v-if="isPending" what="the history" />
  <ErrorState v-else-if="error !== null" :error="error" @again="refetch()" />
  <ol v-else class="history" aria-label="Revisions, newest first">
    <li v-for="revision in data" :key="revision.no" :data-testid="`revision-${revision.no}`">
      <details :open="!isFirst(revision) && revision.no === data?.[0]?.no">
        <summary>
          <span class="mono">{{ revision.no }}</span>
          <strong>{{ what(revision) }}</strong>
          <span class="soft">{{ revision.by }}, {{ dateThere(revision.at, zone) }} · {{ plural(revision.changes.length, 'change') }}</span>
          <span v-if="undone.has(revision.no)" class="soft">· undone by {{ undone.get(revision.no) }}</span>
        </summary>
        <ChangesTable :changes="revision.changes" />
        <p v-if="!isFirst(revision) && !undone.has(revision.no)" class="act">
          <button type="button" class="quiet-button" :disabled="busy" @click="undo(revision.no)">Undo this revision</button>
        </p>
      </details>
    </li>
  </ol>
</template>

<style scoped>
.history {
  margin: 0;
  padding: 0;
  list-style: none;
}

.history li {
  padding: 8px;
  border-bottom: 1px solid var(--rule-soft);
}

summary {
  display: flex;
  gap: 12px;
  align-items: baseline;
  cursor: pointer;
}

details table {
  margin: 6px 0 6px 24px;
  width: calc(100% - 24px);
}

.act {
  padding: 6px 24px;
}
</style>
