<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take } from '@/api'
import { ChoiceField, ErrorState, FieldRow, LoadingLines, ModalSheet, plural, some, useAttempt } from '@/shared'

/** Switching somebody off: what they leave behind, and who sees to it from then on, in one act. */
interface Colleague {
  id: string
  name: string
}
const { leaver, colleagues } = defineProps<{ leaver: Colleague; colleagues: Colleague[] }>()
const emit = defineEmits<{ left: [name: string]; close: [] }>()
const open = computed({
  get: () => true,
  set: () => {
    emit('close')
  },
})

const leaves = useQuery({
  queryKey: ['people', 'leaves', leaver.id],
  queryFn: () => take(client.GET('/people/{technician}/leaves', { params: { path: { technician: leaver.id } } })),
  gcTime: 0,
})
const NOBODY = ''
const heir = ref(NOBODY)
const heirs = computed(() => [
  [NOBODY, 'nobody yet'] as const,
  ...colleagues.filter((each) => each.id !== leaver.id).map(({ id, name }) => [id, name] as const),
])
const { busy, faults, attempt } = useAttempt()

const go = (): Promise<void> =>
  attempt(async () => {
    await take(
      client.DELETE('/people/{technician}', {
        params: { path: { technician: leaver.id } },
        body: { heir: heir.value === NOBODY ? null : heir.value },
      }),
    )
    emit('left', leaver.name)
  })
</script>

<template>
  <ModalSheet v-model="open" :title="`Switch ${leaver.name} off`">
    <p>
      Every sign-in and token of {{ leaver.name }} ends at once, and every grant is taken away. What they did stays in
      the history.
    </p>
    <LoadingLines v-if="leaves.isPending.value" what="what they see to" />
    <ErrorState v-else-if="leaves.error.value !== null" :error="leaves.error.value" @again="leaves.refetch()" />
    <template v-else-if="leaves.data.value !== undefined">
      <ul class="left">
        <li v-if="leaves.data.value.customers.length > 0">
          looks after {{ plural(leaves.data.value.customers.length, 'customer') }}:
          {{ some(leaves.data.value.customers, 5) }}
        </li>
        <li v-if="leaves.data.value.findings > 0">sees to {{ plural(leaves.data.value.findings, 'finding') }}</li>
        <li v-if="leaves.data.value.grants > 0">holds {{ plural(leaves.data.value.grants, 'grant') }}</li>
        <li v-if="leaves.data.value.isNightly">everything is audited by night in their name</li>
      </ul>
      <FieldRow
        v-slot="field"
        label="All that goes to"
        help="With the grants it takes, where theirs do not reach as far."
        :fault="faults['heir']"
      >
        <ChoiceField :id="field.id" v-model="heir" :options="heirs" />
      </FieldRow>
    </template>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <p class="act">
      <el-button type="primary" :disabled="busy || leaves.data.value === undefined" @click="go">Switch off</el-button>
      <button type="button" class="quiet-button" @click="open = false">Leave it</button>
    </p>
  </ModalSheet>
</template>

<style scoped>
.left {
  display: grid;
  gap: 4px;
  padding: 8px 0 8px 18px;
}

.act {
  display: flex;
  gap: 14px;
  margin-top: 14px;
}
</style>
