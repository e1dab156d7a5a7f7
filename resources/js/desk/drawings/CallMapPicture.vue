<script setup lang="ts">
import { useRouter } from 'vue-router'
import type { BookObject, CallMap } from '@/api'
import { count, MapDrawing } from '@/shared'
import { chapterOfKind } from '../chapters'
import { useDesk } from '../desk'

/** Where calls of one kind of time can go. Read-only: choosing a node opens its sheet. */
defineProps<{ map: CallMap; run: number; label: string; hours: number }>()

const { customer, names } = useDesk()
const router = useRouter()

function open(object: string): void {
  void router.push({
    name: 'desk',
    params: { customer, chapter: chapterOfKind(object.slice(0, object.indexOf(':')) as BookObject['kind']) },
    query: { at: object },
  })
}
</script>

<template>
  <section class="lane" :aria-label="`Call map, ${label}`">
    <h4 class="soft">{{ label }} · {{ count(hours) }} h a year</h4>
    <MapDrawing
      :map
      :run
      :label="`Call map, ${label}; arrow keys move it`"
      :name="(ref) => names.of(ref)"
      opens
      @open="open"
    />
  </section>
</template>

<style scoped>
.lane {
  padding: 8px 0;
  border-top: 1px solid var(--rule-soft);
}

h4 {
  margin: 0;
  font: 13px/1.5 var(--sans);
}
</style>
