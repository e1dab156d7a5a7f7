<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { client, take } from '@/api'
import { ErrorState, LoadingLines, ModalSheet, plural } from '@/shared'
import ChangesTable from './ChangesTable.vue'
import { useBeside, useDesk, useDraft } from './desk'
import ImpactTable from './ImpactTable.vue'

const open = defineModel<boolean>({ required: true })

const { customer, busy, mayPush } = useDesk()
const { changes, clashes, faults, enter, drop } = useDraft()
const { notPushed, changedThere, underWay, push } = useBeside()
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

async function enterAndClose(): Promise<boolean> {
  if (clashes.value.length > 0 || busy.value) return false
  const isEntered = await enter(note.value)
  if (isEntered) note.value = ''
  return isEntered
}

/** What was entered goes to the switch at once, with whatever else was entered and not pushed. */
async function enterAndPush(): Promise<void> {
  if (mayPush.value && (await enterAndClose())) await push()
}

const overwritten = computed(() => changedThere.value.length)
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
    <p v-if="overwritten > 0" class="fault stop">
      A push overwrites {{ plural(overwritten, 'place') }} that somebody changed on the switch.
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
    <!-- Keys typed into its field bubble up to it. -->
    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
    <form @submit.prevent="enterAndClose" @keydown.ctrl.enter.prevent="enterAndPush">
      <label for="why" class="soft">Why, for whoever reads the history (may be left empty)</label>
      <el-input id="why" v-model="note" name="note" data-takes-keys autocomplete="off" maxlength="1000" />
      <div class="act">
        <el-button
          type="primary"
          native-type="submit"
          :disabled="busy || clashes.length > 0"
          data-testid="enter-changes"
          >Enter in the book</el-button
        >
        <el-button
          v-if="mayPush"
          :disabled="busy || clashes.length > 0 || underWay !== undefined"
          data-testid="enter-and-push"
          @click="enterAndPush"
          >Enter and push</el-button
        >
        <span class="soft"
          ><template v-if="!mayPush">A push to the switch is for those whose grant lets them</template
          ><template v-else
            ><kbd>Enter</kbd> changes the book alone, <kbd>Ctrl Enter</kbd> the switch as well<template
              v-if="notPushed.length > 0"
              >, with {{ plural(notPushed.length, 'change') }} entered before</template
            ></template
          >.</span
        >
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
