<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { client, take, type Revision } from '@/api'
import { ChoiceField, dateThere, ErrorState, kindsInWords, LoadingLines, plural } from '@/shared'
import ChangesTable from './ChangesTable.vue'
import { useDesk, useDraft } from './desk'
import { fieldInWords } from './words'

defineProps<{ zone: string }>()

const { customer, queries, book, busy } = useDesk()
const { undo } = useDraft()
/** The object whose history is looked at; empty for all of them. */
const object = ref('')
const whole = useQuery(queries.revisions)
const ofOne = useQuery({
  queryKey: computed(() => [...queries.revisions.queryKey, object.value]),
  queryFn: async (): Promise<Revision[]> =>
    (
      await take(
        client.GET('/customers/{customer}/revisions', {
          params: { path: { customer }, query: { object: object.value } },
        }),
      )
    ).revisions,
  enabled: computed(() => object.value !== ''),
})
const shown = computed(() => (object.value === '' ? whole : ofOne))
const data = computed(() => shown.value.data.value)
const error = computed(() => shown.value.error.value)
const isPending = computed(() => shown.value.isPending.value)
const refetch = (): void => void shown.value.refetch()
const objects = computed(() => [
  ['', 'everything'] as const,
  ...[...(book.data.value?.objects ?? [])]
    .sort((a, b) => a.label.localeCompare(b.label))
    .map((each) => [each.ref, `${each.label} · ${kindsInWords(each.kind).one.toLowerCase()}`] as const),
])

/** Years of changes come page by page, and what a revision changed once somebody opens it. */
const A_PAGE = 50
const page = ref(1)
const inView = computed(() => (data.value ?? []).slice((page.value - 1) * A_PAGE, page.value * A_PAGE))
watch(object, () => (page.value = 1))
const opened = reactive(new Set<number>())

function isOpen(revision: Revision): boolean {
  return !isFirst(revision) && (object.value !== '' || revision.no === data.value?.[0]?.no)
}

function unfold(revision: Revision, event: Event): void {
  if ((event.target as HTMLDetailsElement).open) opened.add(revision.no)
}

const undone = computed(
  () =>
    new Map(
      (whole.data.value ?? []).flatMap((revision) =>
        revision.undoes === null ? [] : [[revision.undoes, revision.no] as const],
      ),
    ),
)

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
  <p class="which">
    <label for="history-of" class="soft">History of</label>
    <ChoiceField id="history-of" v-model="object" :options="objects" />
  </p>
  <LoadingLines v-if="isPending" what="the history" />
  <ErrorState v-else-if="error !== null" :error="error" @again="refetch()" />
  <p v-else-if="data?.length === 0" class="soft">Nothing was ever entered about it.</p>
  <ol v-else class="history" aria-label="Revisions, newest first">
    <li v-for="revision in inView" :key="revision.no" :data-testid="`revision-${revision.no}`">
      <details :open="isOpen(revision)" @toggle="unfold(revision, $event)">
        <summary>
          <span class="mono">{{ revision.no }}</span>
          <strong>{{ what(revision) }}</strong>
          <span class="soft"
            >{{ revision.by }}, {{ dateThere(revision.at, zone) }} ·
            {{ plural(revision.changes.length, 'change') }}</span
          >
          <span v-if="undone.has(revision.no)" class="soft">· undone by {{ undone.get(revision.no) }}</span>
        </summary>
        <ChangesTable v-if="isOpen(revision) || opened.has(revision.no)" :changes="revision.changes" />
        <p v-if="!isFirst(revision) && !undone.has(revision.no)" class="act">
          <button type="button" class="quiet-button" :disabled="busy" @click="undo(revision.no)">
            Undo this revision
          </button>
        </p>
      </details>
    </li>
  </ol>
  <el-pagination
    v-if="(data?.length ?? 0) > A_PAGE"
    v-model:current-page="page"
    :page-size="A_PAGE"
    :total="data?.length ?? 0"
    layout="prev, pager, next"
    size="small"
    aria-label="Pages of the history"
  />
</template>

<style scoped>
.which {
  display: grid;
  grid-template-columns: auto 280px;
  gap: 10px;
  align-items: center;
  justify-content: start;
  padding-bottom: 8px;
}

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
