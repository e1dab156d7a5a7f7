<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type ObjectOf } from '@/api'
import { dayInWords } from '@/shared'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import PasteSheet from '../PasteSheet.vue'
import { notUnderstood } from '../words'

/** The holidays of a calendar: what each goes by, when it falls next, and others pasted from a list. */
const { calendar } = defineProps<{ calendar: ObjectOf<'calendar'> }>()

const { customer } = useDesk()
const { edit } = useDraft()

const holidays = computed(() => calendar.fields.holidays)
const told = useQuery({
  queryKey: computed(() => ['computed', customer, 'calendar', calendar.key]),
  queryFn: async () =>
    (
      await take(
        client.GET('/customers/{customer}/calendars/{calendar}', {
          params: { path: { customer, calendar: calendar.key } },
        }),
      )
    ).holidays,
  placeholderData: keepPreviousData,
})
const of = computed(() => new Map(told.data.value?.map((each) => [each.item, each])))
const WEEKENDS = { actual: 'stays', substitute: 'moves to a working day', both: 'is kept twice' }

function drop(item: string): void {
  void edit([{ object: calendar.ref, path: 'holidays', value: holidays.value.filter((each) => each.item !== item) }])
}

const pasting = ref(false)

async function read(said: string): Promise<string> {
  const { holidays: found, faults } = await take(
    client.POST('/customers/{customer}/calendars', { params: { path: { customer } }, body: { said } }),
  )
  if (faults.length > 0) return notUnderstood(faults)
  await edit([{ object: calendar.ref, path: 'holidays', value: [...holidays.value, ...found] }])
  return ''
}
</script>

<template>
  <table data-testid="holidays">
    <thead>
      <tr>
        <th scope="col">Holiday</th>
        <th scope="col">Goes by</th>
        <th scope="col">On a weekend it</th>
        <th scope="col">Next</th>
        <th scope="col">After that</th>
        <td class="corner" />
      </tr>
    </thead>
    <tbody>
      <tr v-for="each in holidays" :key="each.item">
        <td><InlineField :object="calendar" :path="`holidays/${each.item}/name`" :label="`${each.name}, name`" /></td>
        <td>
          <InlineField
            v-if="each.date !== null"
            :object="calendar"
            :path="`holidays/${each.item}/date`"
            :label="`${each.name}, date`"
          />
          <template v-else>{{ of.get(each.item)?.goesBy }}</template>
        </td>
        <td>
          <InlineField
            :object="calendar"
            :path="`holidays/${each.item}/whenWeekend`"
            :type="{ choices: WEEKENDS }"
            :label="`${each.name}, on a weekend`"
          />
        </td>
        <td v-for="place in [0, 1]" :key="place" :class="{ soft: of.get(each.item)?.next[place] === undefined }">
          {{
            of.get(each.item)?.next[place] === undefined
              ? place === 0 && told.data.value !== undefined
                ? 'over'
                : '—'
              : dayInWords(of.get(each.item)?.next[place] ?? '')
          }}
        </td>
        <td>
          <button type="button" class="text-button" :aria-label="`take out ${each.name}`" @click="drop(each.item)">
            take out
          </button>
        </td>
      </tr>
      <tr v-if="holidays.length === 0">
        <td colspan="6" class="soft">
          No holiday yet. Paste the customer’s list, or let the region’s calendar come with the template.
        </td>
      </tr>
    </tbody>
  </table>
  <p class="act">
    <button type="button" class="quiet-button" @click="pasting = true">Paste holidays</button>
    <span class="soft"
      >Known until
      <InlineField :object="calendar" path="knownUntil" :type="{ unset: 'further notice' }" label="Known until"
    /></span>
  </p>
  <PasteSheet
    v-model="pasting"
    title="Holidays as the customer listed them"
    label="Holidays"
    :example="'24 Dec 2026 Christmas Eve\nfirst Monday of August: Natal Day\nGood Friday'"
    hint="A line each. They are added to the calendar, as a pending change; a day without a year comes every year."
    :read
  />
</template>

<style scoped>
table {
  margin-top: 10px;
}

td {
  max-width: 180px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.act {
  display: flex;
  gap: 14px;
  align-items: baseline;
  margin-top: 8px;
}
</style>
