<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take, type CutOverLine } from '@/api'
import { dayInWords, ErrorState, LoadingLines } from '@/shared'

/** What to do on the day, by the minute: computed from the book as it will be. */
const { customer, port, changed } = defineProps<{ customer: string; port: string; changed: string }>()

const lines = useQuery({
  queryKey: computed(() => ['cut-over', customer, port, changed]),
  queryFn: async () =>
    (await take(client.GET('/customers/{customer}/ports/{port}/cut-over', { params: { path: { customer, port } } })))
      .lines,
})
const PARTS: Record<CutOverLine['part'], string> = {
  before: 'Before',
  then: 'While they move',
  after: 'Once the carrier says done',
  back: 'If it has to go back',
}
const parts = computed(() =>
  (Object.keys(PARTS) as CutOverLine['part'][])
    .map((part) => ({ part, lines: (lines.data.value ?? []).filter((each) => each.part === part) }))
    .filter((each) => each.lines.length > 0),
)
function when(text: string): string {
  const [day = '', time = ''] = text.split(' ')
  return `${dayInWords(day)} ${time}`.trim()
}
</script>

<template>
  <LoadingLines v-if="lines.isPending.value" what="the sheet" />
  <ErrorState v-else-if="lines.error.value !== null" :error="lines.error.value" @again="lines.refetch()" />
  <table v-else class="sheet" data-testid="cut-over">
    <tbody v-for="each in parts" :key="each.part">
      <tr>
        <th scope="rowgroup" colspan="3">{{ PARTS[each.part] }}</th>
      </tr>
      <tr v-for="(line, at) in each.lines" :key="at">
        <td class="when">{{ when(line.when) }}</td>
        <td>
          {{ line.what }}
          <span v-if="line.expect !== null" class="soft">{{ line.expect }}</span>
        </td>
        <td class="box" aria-hidden="true">☐</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sheet {
  width: 100%;
}

.when {
  width: 200px;
  white-space: nowrap;
}

.box {
  width: 30px;
  text-align: right;
}

th {
  padding-top: 12px;
  text-align: left;
}
</style>
