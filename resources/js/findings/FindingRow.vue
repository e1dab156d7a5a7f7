<script setup lang="ts">
import { computed } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { age, dayInWords, inManner, SeverityBars, useNow } from '@/shared'
import { MOST_MENDED, type Row } from './findingQueries'
import { isDue, isFresh, type Grouping } from './sorting'

/** A row of Findings: the head of a rule or customer, or a finding; one that is still on its way keeps its place. */
const { row, to } = defineProps<{
  row: Row
  by: Grouping
  /** Of a head over a rule. */
  ruleName: string | undefined
  isPicked: boolean
  /** Initials of who sees to it. */
  who: string | undefined
  /** Where it is mended, of a finding. */
  to: RouteLocationRaw
}>()
const emit = defineEmits<{ stand: []; pick: []; open: []; mend: [] }>()

const router = useRouter()
const now = useNow()
const href = computed(() => router.resolve(to).href)

/** How many of so many are mended in one go. */
function inAll(many: number): string {
  return many > MOST_MENDED ? `${MOST_MENDED} of ${many}` : String(many)
}
</script>

<template>
  <!-- The whole line takes the mouse; its link and the keys j, k, x, m and Enter serve everybody else. -->
  <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
  <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
  <tr v-if="row.head !== undefined" class="head">
    <th scope="rowgroup" colspan="6">
      <span v-if="by === 'rule'"
        >{{ ruleName }} <span class="mono soft">{{ row.head.title }}</span></span
      ><span v-else>{{ row.head.title }}</span>
      {{ ' ' }}
      <span class="soft">{{ row.head.count }}</span>
      <button v-if="row.head.mendable > 1" type="button" class="text-button all" @click="emit('mend')">
        mend {{ inAll(row.head.mendable) }} …
      </button>
    </th>
  </tr>
  <tr v-else-if="row.line !== undefined" class="one" @click="emit('stand')">
    <td class="mark">
      <el-checkbox
        size="small"
        :model-value="isPicked"
        :aria-label="`Choose ${row.line.title}`"
        tabindex="-1"
        @click.stop
        @change="emit('pick')"
      />
    </td>
    <td><SeverityBars :severity="row.line.severity" /></td>
    <td :title="inManner(row.line.detail)">
      <a :href @click.stop.exact.prevent="emit('open')">{{ inManner(row.line.title) }}</a>
      {{ ' ' }}
      <span class="soft">{{ inManner(row.line.detail) }}</span>
    </td>
    <td :class="{ mono: by === 'customer' }">{{ by === 'rule' ? row.line.name : row.line.rule }}</td>
    <td>
      <span :class="isDue(row.line, now) ? 'fault' : 'soft'"
        >{{ who ?? '—' }}{{ row.line.due === null ? '' : ` · ${dayInWords(row.line.due, false)}` }}</span
      >
    </td>
    <td class="soft">
      {{ age(row.line.firstSeen, now)
      }}<span v-if="isFresh(row.line, now)" class="visually-hidden">, new since yesterday</span>
    </td>
  </tr>
  <tr v-else>
    <td colspan="6" class="soft">…</td>
  </tr>
</template>

<style scoped>
td,
th {
  height: 35px;
  padding-block: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  vertical-align: middle;
  white-space: nowrap;
}

th {
  border-bottom: 1px solid var(--rule);
  color: var(--ink);
  font-weight: 600;
  text-align: left;
}

.all {
  margin-left: 12px;
  font-weight: 400;
}

.one a {
  color: inherit;
  font-weight: 600;
  text-decoration: none;
}

.one a:hover {
  text-decoration: underline;
}
</style>
