<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { dateThere, ErrorState, LoadingLines, plural } from '@/shared'
import { useDesk } from './desk'
import { callInWords, withNames, type TestCall } from './calls'

const props = defineProps<{ zone: string }>()

const { queries, names, differences } = useDesk()
const { data, error, isPending, refetch } = useQuery(queries.impact)

const impact = computed(() => data.value?.impact ?? null)
const more = computed(() => (impact.value === null ? 0 : impact.value.count - impact.value.contrasts.length))

function called(ref: string): string {
  return ref.startsWith('extension:') ? `extension ${ref.slice('extension:'.length)}` : names.value.of(ref)
}

function call(script: unknown): string {
  const it = script as TestCall
  return callInWords(it, dateThere(it.at, props.zone), names.value)
}
</script>

<template>
  <section v-if="differences.length > 0" class="part" aria-labelledby="callers-notice">
    <h2 id="callers-notice">What callers notice</h2>
    <LoadingLines v-if="isPending" what="the calls of a year in both" />
    <ErrorState v-else-if="error !== null" :error="error" @again="refetch()" />
    <p v-else-if="impact === null || impact.count === 0" class="soft" data-testid="nobody-notices">Nothing: every call of the coming year goes the same way in book and switch.</p>
    <template v-else>
      <p class="soft">{{ plural(impact.count, 'place') }} in the calls of the coming year, book before and switch after the arrow.<template v-if="!impact.isComplete"> The comparison is not complete: there are too many ways.</template></p>
      <table data-testid="callers-notice">
        <thead><tr><th scope="col">Called</th><th scope="col">Callers</th><th scope="col">When</th><th scope="col">A call that shows it</th></tr></thead>
        <tbody>
          <tr v-for="each in impact.contrasts" :key="`${each.called} ${each.words}`">
            <td class="called">{{ called(each.called) }}</td>
            <td>{{ withNames(each.words, names) }}</td>
            <td>{{ each.when }}</td>
            <td class="soft">{{ each.call === null ? 'only if somebody’s state changes during the call' : call(each.call) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="more > 0" class="soft">and {{ plural(more, 'place') }} more</p>
      <p v-if="impact.noLongerReached.length > 0">No longer reached: {{ impact.noLongerReached.map((each) => names.of(each)).join(', ') }}</p>
      <p v-if="impact.newlyReached.length > 0">Newly reached: {{ impact.newlyReached.map((each) => names.of(each)).join(', ') }}</p>
    </template>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 26px;
}
.called {
  white-space: nowrap;
}
</style>
