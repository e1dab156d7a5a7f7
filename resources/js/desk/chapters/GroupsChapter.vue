<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take } from '@/api'
import { EmptyState } from '@/shared'
import AllFields from '../AllFields.vue'
import CopyObject from '../CopyObject.vue'
import { useDesk, useDraft } from '../desk'
import TimingRuler from '../drawings/TimingRuler.vue'
import InlineField from '../InlineField.vue'
import NewObject from '../NewObject.vue'
import { useSelected } from '../selection'
import SheetGrid from '../sheet/SheetGrid.vue'
import CallsMade from '../CallsMade.vue'
import MembersTable from './MembersTable.vue'
import SettingRows from './SettingRows.vue'

/** Hunt groups: the list, and of the one in view who is in it, how long each rings, and where calls go otherwise. */
const { customer, names } = useDesk()
const { edit } = useDraft()
const { all, selected, select } = useSelected('group')

const key = computed(() => selected.value?.key ?? '')
const rulers = useQuery({
  queryKey: computed(() => ['computed', customer, 'ruler', 'group', key.value]),
  queryFn: async () =>
    (
      await take(
        client.GET('/customers/{customer}/rulers/{kind}/{key}', {
          params: { path: { customer, kind: 'group', key: key.value } },
        }),
      )
    ).rulers,
  enabled: () => key.value !== '',
  placeholderData: keepPreviousData,
})
const ruler = computed(() => rulers.data.value?.[0])
const queue = computed(() => selected.value?.fields.queue ?? null)
const isQueue = computed(() => queue.value !== null)
const limitPath = computed(() => (isQueue.value ? 'queue/longestWait' : 'noAnswerSeconds'))

/** When it is called at all, and who is asked how; what belongs to a queue is asked where there is one. */
const WHEN = [
  ['In use', 'enabled'],
  ['Goes by', 'schedule', { unset: 'no hours: always open' }],
  ['Members may close it', 'handClosable'],
  ['Closed by hand now', 'closedByHand'],
  ['Signed in and out by', 'signInBy', { choices: { member: 'themselves', administrator: 'an administrator' } }],
  ['Passes busy members', 'skipBusy'],
  ['At most ring at once', 'mostAtOnce', { unset: 'all of them' }],
  ['Left alone after no answer', 'restAfterNoAnswer'],
  ['Left alone after a call', 'wrapUp'],
  [
    'The second tier rings',
    'tierTwo',
    { choices: { unavailable: 'when nobody of the first can', alsoTried: 'after the first' } },
  ],
  ['Stands before the caller', 'prefix', { unset: 'nothing' }],
  ['Sends calls outside', 'onwardClass'],
] as const
const QUEUE = [
  ['First says', 'queue/greeting', { unset: 'nothing' }],
  ['Then plays', 'queue/music', { unset: 'the switch’s own music' }],
  ['And says', 'queue/comfort', { unset: 'nothing more' }],
  ['Every', 'queue/comfortEvery'],
  ['Leaves by key', 'queue/exitKey', { unset: 'none' }],
  ['At most wait', 'queue/most'],
] as const

/** Every case with where it goes, as sentences; what a plain group cannot meet is left out. */
const cases = computed((): [string, string][] => [
  ['closed', 'while its hours are closed'],
  ['holiday', 'on a holiday'],
  ['closedByHand', 'closed by hand'],
  ['nobodySignedIn', 'nobody is signed in'],
  ['allUnreachable', 'nobody can be reached'],
  ['allBusy', 'everybody is busy'],
  ['noAnswer', isQueue.value ? 'the longest wait is over' : 'nobody answers'],
  ...(queue.value === null
    ? []
    : ([
        ['queueFull', 'the queue is full'],
        ['exit', `the caller presses ${queue.value.exitKey ?? 'the key out'}`],
      ] satisfies [string, string][])),
])

const noAnswer = computed(() => {
  const to = selected.value?.fields.otherwise.noAnswer ?? selected.value?.fields.mailbox ?? null
  return to === null ? 'nowhere: the call is cut off' : names.value.of(to)
})

function moveLimit(seconds: number): void {
  if (selected.value !== undefined) void edit([{ object: selected.value.ref, path: limitPath.value, value: seconds }])
}

function queueUp(): void {
  if (selected.value !== undefined)
    void edit([
      { object: selected.value.ref, path: 'queue', value: isQueue.value ? null : { most: 10, longestWait: 240 } },
    ])
}
</script>

<template>
  <EmptyState v-if="all.length === 0" title="No hunt group in this book"
    >Type a name below: a group rings several people for one extension.</EmptyState
  >
  <SheetGrid v-else kind="group" :objects="all" :selected="selected?.ref" @select="select" />
  <NewObject kind="group" @made="select" />
  <section
    v-if="selected !== undefined && !rulers.isPending.value"
    :key="selected.ref"
    class="one"
    :aria-label="selected.label"
  >
    <div class="head">
      <h2>{{ selected.label }}</h2>
      <span class="mono soft">{{ selected.extension }}</span>
      <p class="how">
        Ring order <InlineField :object="selected" path="order" label="Ring order" /> Rings each
        <InlineField :object="selected" path="ringsEach" label="Rings each" /> Passes
        <InlineField :object="selected" path="rotations" label="Passes" /> {{ isQueue ? 'Longest wait' : 'Limit' }}
        <InlineField
          :object="selected"
          :path="limitPath"
          :type="{ unset: 'none' }"
          :label="isQueue ? 'Longest wait' : 'No-answer limit'"
        />
      </p>
    </div>
    <h3 class="part">How long</h3>
    <TimingRuler
      v-if="ruler !== undefined"
      :ruler
      :label="`Who rings when in ${selected.label}`"
      :may-move="!isQueue || ruler.limit !== null"
      @limit="moveLimit"
    />
    <h3 class="part">Who</h3>
    <MembersTable :key="selected.ref" :group="selected" />
    <h3 class="part">Otherwise</h3>
    <ul class="cases">
      <li v-for="[item, words] in cases" :key="item">
        <span class="when">{{ words }}</span>
        <span class="to"
          ><InlineField
            :object="selected"
            :path="`otherwise/${item}`"
            :type="{ unset: item === 'noAnswer' ? noAnswer : `as no answer: ${noAnswer}` }"
            :label="`Where calls go when ${words}`"
        /></span>
      </li>
    </ul>
    <SettingRows :object="selected" title="When, and how" :rows="WHEN" />
    <SettingRows v-if="isQueue" :object="selected" title="What callers hear who wait" :rows="QUEUE" />
    <p class="soft">
      <template v-if="isQueue">Callers wait in a queue while nobody is free.</template>
      <template v-else>No queue: a caller who meets only busy members goes on at once.</template>
      {{ ' '
      }}<button type="button" class="text-button" @click="queueUp">
        {{ isQueue ? 'Do without the queue' : 'Let callers wait in a queue' }}
      </button>
    </p>
    <p class="acts"><CopyObject :object="selected" @made="select" /></p>
    <AllFields :object="selected" removable />
    <CallsMade by="groups" :only="selected.ref" />
  </section>
</template>

<style scoped>
.one {
  margin-top: 18px;
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: baseline;
}

.how {
  margin-left: auto;
  color: var(--ink-soft);
}

.how :deep(.field) {
  margin: 0 10px 0 4px;
  color: var(--ink);
}

.acts {
  padding: 4px 0 10px;
}

.part {
  margin-top: 14px;
  color: var(--ink-soft);
  font-weight: 400;
}

.cases {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 0 24px;
  margin: 4px 0 10px;
  padding: 0;
  list-style: none;
}

.cases li {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.when {
  color: var(--ink-soft);
}
</style>
