<script setup lang="ts">
import { computed } from 'vue'
import { ErrorState, minuteOfWeek, plural, SeverityBars, useNow, WeekStrip } from '@/shared'
import { withNames } from './calls'
import { useBeside, useDesk } from './desk'
import ImpactTable from './ImpactTable.vue'

defineProps<{ zone: string }>()

const { names } = useDesk()
const { impact: found, changedThere } = useBeside()
const now = useNow()

const brings = computed(() => found.data.value?.brings ?? [])
const impact = computed(() => found.data.value?.impact ?? null)
/** The main number's week in both, where it has one. */
const weeks = computed(() => {
  const { book = null, live = null } = found.data.value?.strips ?? {}
  return book === null || live === null
    ? []
    : [
        { of: 'book', pieces: book },
        { of: 'live', pieces: live },
      ]
})
</script>

<template>
  <section v-if="changedThere.length > 0" class="part" aria-labelledby="callers-notice">
    <h2 id="callers-notice">What callers notice of what was changed on the switch</h2>
    <ErrorState v-if="found.error.value !== null" :error="found.error.value" @again="found.refetch()" />
    <ImpactTable
      v-else-if="impact !== null"
      :impact
      nothing="Nothing: every call of the coming year goes the same way in book and switch."
    >
      <p v-if="impact.count > 0" class="soft">
        {{ plural(impact.count, 'place') }} in the calls of the coming year, book before and switch after the
        arrow.<template v-if="!impact.isComplete"> The comparison is not complete: there are too many ways.</template>
      </p>
      <dl v-if="weeks.length > 0" class="weeks" data-testid="two-weeks">
        <template v-for="week in weeks" :key="week.of">
          <dt class="soft">{{ week.of }}</dt>
          <dd>
            <WeekStrip
              :pieces="week.pieces"
              :now="minuteOfWeek(now, zone)"
              :label="`The week of the main number, ${week.of}`"
              :name="(ref) => names.of(ref)"
            />
          </dd>
        </template>
      </dl>
    </ImpactTable>
    <template v-if="brings.length > 0">
      <h3 class="found">What the audit finds on the switch, and not in the book</h3>
      <ul data-testid="brings">
        <li v-for="each in brings" :key="each.fingerprint">
          <SeverityBars :severity="each.severity" /> {{ each.title }}
          <span class="soft">{{ withNames(each.detail, names) }}</span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 26px;
}

.weeks {
  display: grid;
  grid-template-columns: 40px minmax(0, 640px);
  gap: 6px 12px;
  align-items: center;
  padding: 10px 0;
}

.found {
  padding-top: 12px;
}

ul {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}

.weeks dd {
  margin: 0;
}
</style>
