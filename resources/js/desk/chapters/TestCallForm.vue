<script setup lang="ts">
import { computed, ref } from 'vue'
import { client, take, type SiteView } from '@/api'
import { ChoiceField, dateIn, FieldRow, now, readTime, TextRow, timeIn, useAttempt } from '@/shared'
import { useDesk } from '../desk'
import WhenRow from './WhenRow.vue'

/** What a test call for help showed, written down by whoever made it. */
const { site, zone } = defineProps<{ site: SiteView; zone: string }>()
const emit = defineEmits<{ done: [sites: SiteView[]]; close: [] }>()

const { customer, names } = useDesk()
const { busy, faults, attempt } = useAttempt()
const at = now()
const form = ref({
  day: dateIn(at, zone),
  time: timeIn(at, zone),
  caller: site.people.find((each) => each.calls.some((call) => call.shown !== null))?.ref ?? '',
  numberShown: '',
  addressRead: '',
  note: '',
})
const callers = computed(() => site.people.map((each) => [each.ref, names.value.of(each.ref)] as const))
/** What they should have read back. */
const expected = computed(() =>
  (site.people.find((each) => each.ref === form.value.caller)?.calls ?? [])
    .map((call) => (call.shown === null ? 'none' : names.value.of(`number:${call.shown}`)))
    .join(' or '),
)

const send = (passed: boolean): Promise<void> =>
  attempt(async () => {
    const { day, time, caller, numberShown, addressRead, note } = form.value
    const { sites } = await take(
      client.POST('/customers/{customer}/sites/{site}/tests', {
        params: { path: { customer, site: site.key } },
        body: {
          at: `${day}T${readTime(time) ?? time}`,
          caller,
          numberShown,
          addressRead,
          passed,
          note: note === '' ? null : note,
        },
      }),
    )
    emit('done', sites)
    emit('close')
  })
</script>

<template>
  <form novalidate data-testid="test-call" @submit.prevent="send(true)">
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <WhenRow v-model:day="form.day" v-model:time="form.time" label="Made on" what="call" :zone :fault="faults['at']" />
    <FieldRow v-slot="field" label="From the telephone of" :fault="faults['caller']">
      <ChoiceField :id="field.id" v-model="form.caller" :options="callers" />
    </FieldRow>
    <TextRow
      v-model="form.numberShown"
      label="Number they read back"
      :help="expected === '' ? null : `By the book: ${expected}.`"
      :fault="faults['numberShown']"
      name="numberShown"
      autocomplete="off"
    />
    <TextRow
      v-model="form.addressRead"
      label="Address they read back"
      :fault="faults['addressRead']"
      name="addressRead"
      autocomplete="off"
    />
    <TextRow v-model="form.note" label="Note" :fault="faults['note']" name="note" autocomplete="off" />
    <p class="acts">
      <el-button type="primary" native-type="submit" :disabled="busy">All was right: passed</el-button>
      <button type="button" class="quiet-button" :disabled="busy" @click="send(false)">
        Something was wrong: failed
      </button>
      <button type="button" class="quiet-button" @click="emit('close')">Not now</button>
    </p>
  </form>
</template>

<style scoped>
form {
  max-width: 700px;
  padding-top: 8px;
}

.acts {
  display: flex;
  gap: 12px;
  padding-top: 10px;
}
</style>
