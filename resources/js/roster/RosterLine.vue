<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { CustomerLine } from '@/api'
import {
  age,
  dayInWords,
  minuteOfWeek,
  plural,
  SEVERITIES,
  SeverityBars,
  stageInWords,
  useNow,
  WeekStrip,
} from '@/shared'
import { weightOf } from './filter'

/** A customer on the Roster; a line that is still on its way keeps its place. */
const props = defineProps<{ line: CustomerLine | undefined; isPicked: boolean }>()
const emit = defineEmits<{ open: []; pick: [] }>()

const COLUMNS = 9

const router = useRouter()
const now = useNow()
const href = computed(() => router.resolve({ name: 'desk', params: { customer: props.line?.key ?? '' } }).href)

function drift(line: CustomerLine): string {
  if (line.differences === null) return line.pushedAt === null ? 'not on the switch' : 'not read yet'
  if (line.differences === 0) return '—'
  const notice = line.callersNotice === true ? ' · callers notice' : ''
  // Null where calls go more ways than were followed.
  return `${plural(line.differences, 'field')}${line.callersNotice === null ? ' · callers may notice' : notice}`
}

function read(line: CustomerLine): string {
  return line.liveReadAt === null
    ? 'never read from the switch'
    : `read from the switch ${age(line.liveReadAt, now.value)}`
}

function next(line: CustomerLine): string {
  return line.next === null ? '—' : `${dayInWords(line.next.on, false)}: ${line.next.what}`
}

function pushed(line: CustomerLine): string {
  if (line.pushedAt === null) return 'never'
  const behind = line.revision - (line.pushedRevision ?? 0)
  return behind > 0 ? `${behind} behind` : age(line.pushedAt, now.value)
}

/** The same at length, for who points at it. */
function pushedAtLength(line: CustomerLine): string {
  return line.pushedAt === null
    ? 'never pushed to a switch'
    : `revision ${line.pushedRevision ?? 0} of ${line.revision}, pushed ${age(line.pushedAt, now.value)}`
}
</script>

<template>
  <!-- The whole line takes the mouse; its link and the keys j, k and Enter serve everybody else. -->
  <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
  <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
  <tr @click="emit('open')">
    <td v-if="line === undefined" :colspan="COLUMNS" class="soft">…</td>
    <template v-else>
      <td class="pick">
        <el-checkbox
          size="small"
          :aria-label="`Choose ${line.name}`"
          :model-value="isPicked"
          @click.stop
          @change="emit('pick')"
        />
      </td>
      <td class="name" :title="`${line.name}, ${line.place ?? ''}`">
        <a :href @click.stop.exact.prevent="emit('open')">{{ line.name }}</a>
        {{ ' ' }}
        <span class="soft small">{{ line.place }}</span>
      </td>
      <td>{{ stageInWords(line.stage) }}</td>
      <td class="week">
        <WeekStrip
          v-if="line.strip !== null"
          :pieces="line.strip"
          :now="minuteOfWeek(now, line.zone)"
          slim
          :label="`Week of ${line.mainNumber ?? line.name}`"
        />
        <span v-else class="soft small">no main number</span>
      </td>
      <td class="findings">
        <span v-if="weightOf(line) === 0" class="soft">sound</span>
        <template v-for="weight in SEVERITIES" :key="weight"
          ><span v-if="line.findings[weight] > 0" class="count"
            ><SeverityBars :severity="weight" /> {{ line.findings[weight] }}</span
          ></template
        >
      </td>
      <td :class="{ soft: line.callersNotice !== true }" :title="read(line)">{{ drift(line) }}</td>
      <td class="next" :title="next(line)">{{ next(line) }}</td>
      <td class="soft" :title="pushedAtLength(line)">{{ pushed(line) }}</td>
      <td class="soft">{{ line.lookedAfterBy ?? '—' }}</td>
    </template>
  </tr>
</template>

<style scoped>
tr {
  cursor: pointer;
}

tr:hover {
  background: var(--shade);
}

tr.here {
  background: var(--sheet);
  box-shadow: inset 3px 0 var(--buoy);
}

td {
  height: 35px;
  padding-block: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  vertical-align: middle;
  white-space: nowrap;
}

.name a {
  color: inherit;
  font-weight: 600;
  text-decoration: none;
}

.count {
  margin-right: 10px;
  white-space: nowrap;
}

td.pick {
  width: 28px;
  padding-right: 0;
}

td.week {
  padding-inline: 10px;
}

tr.picked td {
  background: color-mix(in srgb, var(--teal) 8%, transparent);
}
</style>
