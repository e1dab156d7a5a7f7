<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type ObjectOf } from '@/api'
import { dateIn, dayInWords, EmptyState, inManner, now } from '@/shared'
import AllFields from '../AllFields.vue'
import { useDesk, useDraft } from '../desk'
import WeekPainter from '../drawings/WeekPainter.vue'
import YearPicture from '../drawings/YearPicture.vue'
import InlineField from '../InlineField.vue'
import NewObject from '../NewObject.vue'
import PasteSheet from '../PasteSheet.vue'
import { saidHours } from '../saidHours'
import { useSelected } from '../selection'
import { notUnderstood } from '../words'
import HolidaysTable from './HolidaysTable.vue'

/** Opening hours: the week one paints, the year it makes, what breaks it, and the calendars it keeps. */
const { customer, names, notice, zone } = useDesk()
const { edit } = useDraft()
const { all, selected, select } = useSelected('schedule', 'calendar')

const schedule = computed(() => (selected.value?.kind === 'schedule' ? selected.value : undefined))
const calendar = computed(() => (selected.value?.kind === 'calendar' ? selected.value : undefined))
const key = computed(() => schedule.value?.key ?? '')
const year = useQuery({
  queryKey: computed(() => ['computed', customer, 'hours', key.value]),
  queryFn: async () =>
    await take(
      client.GET('/customers/{customer}/hours/{schedule}', { params: { path: { customer, schedule: key.value } } }),
    ),
  enabled: () => key.value !== '',
  placeholderData: keepPreviousData,
})

const weekly = computed(() => schedule.value?.fields.weekly ?? [])
const exceptions = computed(() => schedule.value?.fields.exceptions ?? [])
const calendars = computed(() => schedule.value?.fields.calendars ?? [])
const users = computed(() =>
  names.value.objects.filter((object) => selected.value !== undefined && object.refersTo.includes(selected.value.ref)),
)

async function paint(next: unknown[]): Promise<void> {
  if (schedule.value !== undefined) await edit([{ object: schedule.value.ref, path: 'weekly', value: next }])
}

function addException(): void {
  if (schedule.value === undefined) return
  const from = year.data.value?.from ?? dateIn(now(), zone.value)
  void edit([
    {
      object: schedule.value.ref,
      path: 'exceptions',
      value: [...exceptions.value, { from, name: 'Exception', hours: [] }],
    },
  ])
}

function dropException(item: string): void {
  if (schedule.value !== undefined)
    void edit([
      { object: schedule.value.ref, path: 'exceptions', value: exceptions.value.filter((each) => each.item !== item) },
    ])
}

const pasting = ref(false)

/** The week as the customer said it. Returns what was not understood. */
async function readHours(said: string): Promise<string> {
  if (schedule.value === undefined) return ''
  const read = await take(
    client.POST('/customers/{customer}/hours', { params: { path: { customer } }, body: { said } }),
  )
  if (read.schedule === null) return notUnderstood(read.faults)
  await edit([
    { object: schedule.value.ref, path: 'weekly', value: read.schedule.weekly },
    ...(read.schedule.periods.length > 0
      ? [{ object: schedule.value.ref, path: 'periods', value: read.schedule.periods }]
      : []),
  ])
  if (notice.value?.isFault !== true) notice.value = { text: `Read as ${read.readAs}.` }
  return ''
}

function kindWord(object: ObjectOf<'schedule' | 'calendar'>): string {
  return object.kind === 'calendar' ? 'calendar' : 'hours'
}
</script>

<template>
  <nav class="tabs" aria-label="Schedules and calendars">
    <button
      v-for="object in all"
      :key="object.ref"
      type="button"
      :aria-pressed="object.ref === selected?.ref"
      :class="{ here: object.ref === selected?.ref }"
      @click="select(object.ref)"
    >
      {{ object.label }} <span class="soft small">{{ kindWord(object) }}</span>
    </button>
    <div class="fresh"><NewObject kind="schedule" @made="select" /><NewObject kind="calendar" @made="select" /></div>
  </nav>
  <EmptyState v-if="all.length === 0" title="No hours in this book"
    >Type a name above, then paint the week. Without hours everything is always open.</EmptyState
  >
  <section v-if="schedule !== undefined && !year.isPending.value" :key="schedule.ref" :aria-label="schedule.label">
    <div class="head">
      <h2>{{ schedule.label }}</h2>
      <span class="soft">{{ year.data.value?.zone }} · {{ inManner(year.data.value?.words ?? '') }}</span>
      <p class="used soft">
        used by
        <template v-if="users.length === 0">nobody</template>
        <router-link
          v-for="user in users.slice(0, 2)"
          :key="user.ref"
          :to="{
            name: 'desk',
            params: {
              customer,
              chapter: user.kind === 'attendant' ? 'menus' : user.kind === 'group' ? 'groups' : 'users',
            },
            query: { at: user.ref },
          }"
          >{{ user.label }}</router-link
        >
        <template v-if="users.length > 2"> and {{ users.length - 2 }} more</template>
        <button type="button" class="quiet-button" @click="pasting = true">Paste hours</button>
      </p>
    </div>
    <WeekPainter :weekly="weekly" :label="`The week of ${schedule.label}`" :paint />
    <p v-for="overlap in year.data.value?.overlaps" :key="`${overlap.one} ${overlap.from}`" class="fault small">
      Two pieces claim {{ inManner(`${overlap.from} to ${overlap.to}`) }}.
    </p>
    <div class="head second">
      <h3>The next twelve months</h3>
      <span class="soft">dated exception › special period › holiday › weekly hours</span>
    </div>
    <YearPicture v-if="year.data.value !== undefined" :line="year.data.value" />
    <table v-if="year.data.value !== undefined" data-testid="special-dates">
      <thead>
        <tr>
          <th scope="col">Date</th>
          <th scope="col">What</th>
          <th scope="col">From</th>
          <th scope="col">Hours</th>
          <th scope="col">Callers get</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in year.data.value.special" :key="`${each.owner} ${each.from}`">
          <td class="mono">
            {{ dayInWords(each.from) }}<template v-if="each.to !== each.from"> to {{ dayInWords(each.to) }}</template>
          </td>
          <td>{{ each.what }}</td>
          <td class="soft">{{ each.whose === '' ? 'this customer' : each.whose }}</td>
          <td class="mono">{{ inManner(each.hours) }}</td>
          <td>{{ each.callers.map((ref) => names.of(ref)).join(', then ') }}</td>
        </tr>
        <tr v-if="year.data.value.special.length === 0">
          <td colspan="5" class="soft">Every day of the year is a day of the week: no exception, no holiday.</td>
        </tr>
      </tbody>
    </table>
    <h3 class="part">Dated exceptions</h3>
    <table data-testid="exceptions">
      <thead>
        <tr>
          <th scope="col">From</th>
          <th scope="col">To</th>
          <th scope="col">What</th>
          <th scope="col">Open</th>
          <th scope="col">Else callers are told it is</th>
          <td class="corner" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in exceptions" :key="each.item">
          <td>
            <InlineField
              :object="schedule"
              :path="`exceptions/${each.item}/from`"
              :label="`${each.name ?? each.item}, from`"
            />
          </td>
          <td>
            <InlineField
              :object="schedule"
              :path="`exceptions/${each.item}/to`"
              :label="`${each.name ?? each.item}, to`"
            />
          </td>
          <td>
            <InlineField
              :object="schedule"
              :path="`exceptions/${each.item}/name`"
              :label="`${each.name ?? each.item}, name`"
            />
          </td>
          <td>
            <InlineField
              :object="schedule"
              :path="`exceptions/${each.item}/hours`"
              :type="{ unset: 'not at all' }"
              :label="`${each.name ?? each.item}, hours`"
            />
          </td>
          <td>
            <InlineField
              :object="schedule"
              :path="`exceptions/${each.item}/announcedAs`"
              :type="{ choices: { closed: 'closed', holiday: 'a holiday', open: 'open' } }"
              :label="`${each.name ?? each.item}, announced as`"
            />
          </td>
          <td>
            <button
              type="button"
              class="text-button"
              :aria-label="`take out ${each.name ?? each.item}`"
              @click="dropException(each.item)"
            >
              take out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="act"><button type="button" class="quiet-button" @click="addException">Add a dated exception</button></p>
    <p class="soft part">
      Calendars kept: <InlineField :object="schedule" path="calendars" :type="{ unset: 'none' }" label="Calendars" /> ·
      shifts past midnight
      <InlineField
        :object="schedule"
        path="finishShift"
        :type="{
          type: 'choice',
          choices: { true: 'are finished', false: 'stop where a closed date begins' },
          required: true,
        }"
        label="Shifts past midnight"
      />
      · read at
      <InlineField
        :object="schedule"
        path="fixedZone"
        :type="{ unset: 'local time of whoever uses it' }"
        label="Read at"
      />
      <template v-if="calendars.length > 0">
        ·
        <button v-for="each in calendars" :key="each" type="button" class="text-button" @click="select(each)">
          open {{ names.of(each) }}
        </button></template
      >
    </p>
    <AllFields :object="schedule" removable />
  </section>
  <section v-if="calendar !== undefined" :key="calendar.ref" :aria-label="calendar.label">
    <div class="head">
      <h2>{{ calendar.label }}</h2>
      <span class="soft"
        >{{ calendar.fields.region ?? 'of no region' }} · kept by
        {{ users.map((each) => each.label).join(', ') || 'nobody' }}</span
      >
    </div>
    <HolidaysTable :calendar />
    <AllFields :object="calendar" removable />
  </section>
  <PasteSheet
    v-model="pasting"
    title="Hours as the customer said them"
    label="Hours"
    example="Mon-Fri 8 to 5, lunch half past twelve to one; Sat 9-1"
    hint="The week is replaced, as a pending change."
    :begins="schedule === undefined ? '' : saidHours(schedule.fields.weekly)"
    :read="readHours"
  />
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  margin-bottom: 10px;
  border-bottom: 1px solid var(--rule);
}

.tabs > button {
  padding: 3px 0;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  cursor: pointer;
}

.tabs > button.here {
  border-bottom-color: var(--buoy);
  font-weight: 600;
}

.fresh {
  display: flex;
  gap: 10px;
  max-width: 260px;
  margin-left: auto;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}

.second {
  margin-top: 18px;
}

.used {
  display: flex;
  gap: 8px;
  align-items: baseline;
  margin-left: auto;
}

.part {
  margin-top: 14px;
}

h3.part {
  color: var(--ink-soft);
  font-weight: 400;
}

.act {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin-top: 8px;
}
</style>
