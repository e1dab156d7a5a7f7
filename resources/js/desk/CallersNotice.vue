<script setup lang="ts">
import { computed } from 'vue'
import { ErrorState, LoadingLines, plural } from '@/shared'
import { useDesk } from './desk'
import ImpactTable from './ImpactTable.vue'

const { impact: found, differences } = useDesk()

const impact = computed(() => found.data.value?.impact ?? null)
</script>

<template>
  <section v-if="differences.length > 0" class="part" aria-labelledby="callers-notice">
    <h2 id="callers-notice">What callers notice</h2>
    <LoadingLines v-if="found.isPending.value" what="the calls of a year in both" />
    <ErrorState v-else-if="found.error.value !== null" :error="found.error.value" @again="found.refetch()" />
    <p v-else-if="impact === null || impact.count === 0" class="soft" data-testid="nobody-notices">Nothing: every call of the coming year goes the same way in book and switch.</p>
    <template v-else>
      <p class="soft">{{ plural(impact.count, 'place') }} in the calls of the coming year, book before and switch after the arrow.<template v-if="!impact.isComplete"> The comparison is not complete: there are too many ways.</template></p>
      <ImpactTable :impact />
    </template>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 26px;
}
</style>
