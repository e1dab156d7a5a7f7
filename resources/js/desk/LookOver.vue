<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { client, take } from '@/api'
import { ErrorState, LoadingLines, ModalSheet, plural } from '@/shared'
import ChangesTable from './ChangesTable.vue'
import { useDesk, useDraft } from './desk'
import ImpactTable from './ImpactTable.vue'

const open = defineModel<boolean>({ required: true })

const { customer, busy } = useDesk()
const { changes, clashes, faults, enter, drop } = useDraft()
const note = ref('')

const noticed = useQuery({
  queryKey: ['computed', customer, 'impact'],
  queryFn: async () =>
    (await take(client.GET('/customers/{customer}/draft/impact', { params: { path: { customer } } }))).impact,
  enabled: () => open.value && clashes.value.length === 0,
})
const impact = computed(() => noticed.data.value ?? null)

watch(changes, (now) => {
  if (now.length + clashes.value.length === 0) open.value = false
})

async function enterAndClose(): Promise<void> {
  if (clashes.value.length > 0) return
  await enter(note.value)
  note.value = ''
}
</script>

<template>
  <ModalSheet v-model="open" :title="`${plural(changes.length, 'change')} to the book`" width="wide">
    <ChangesTable :changes="changes" can-leave-out />
    <p v-if="clashes.length > 0" class="fault stop" role="alert">
      {{ plural(clashes.length, 'field') }} changed by somebody else meanwhile: decide in the margin first.
    </p>
    <p v-if="faults.size > 0" class="soft stop">
      {{ plural(faults.size, 'cell') }} could not be kept and {{ faults.size === 1 ? 'is' : 'are' }} not among these.
    </p>
    <section v-if="clashes.length === 0" class="notice" aria-label="What callers will notice">
      <h3>What callers will notice</h3>
      <LoadingLines v-if="noticed.isPending.value" what="the calls of a year, before and after" />
      <ErrorState v-else-if="noticed.error.value !== null" :error="noticed.error.value" @again="noticed.refetch()" />
      <ImpactTable
        v-else-if="impact !== null"
        :impact
        nothing="Nothing: every call of the coming year goes the same way."
      />
    </section>
    <form @submit.prevent="enterAndClose">
      <label for="why" class="soft">Why, for whoever reads the history (may be left empty)</label>
      <el-input id="why" v-model="note" name="note" autofocus autocomplete="off" maxlength="1000" />
      <div class="act">
        <el-button
          type="primary"
          native-type="submit"
          :disabled="busy || clashes.length > 0"
          data-testid="enter-changes"
          >Enter in the book</el-button
        >
        <span class="soft">Only the book changes; the switch does when you push.</span>
        <button type="button" class="quiet-button drop" :disabled="busy" @click="drop">Drop all of them</button>
      </div>
    </form>
  </ModalSheet>
</template>

<style scoped>
.stop {
  margin-top: 10px;
}

/* Of one height while it is asked and after: what is pressed below does not move away under the pointer. */
.notice {
  height: 26vh;
  margin-top: 16px;
  overflow-y: auto;
}

form {
  display: grid;
  gap: 6px;
  margin-top: 18px;
}

.act {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 10px;
}

.drop {
  margin-left: auto;
}
</style>
