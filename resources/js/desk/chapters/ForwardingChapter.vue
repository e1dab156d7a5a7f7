<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, take, type ObjectOf } from '@/api'
import { EmptyState } from '@/shared'
import AllFields from '../AllFields.vue'
import { DESTINATION } from '../catalogue'
import { useDesk, useDraft } from '../desk'
import TimingRuler from '../drawings/TimingRuler.vue'
import InlineField from '../InlineField.vue'
import StepButtons from '../StepButtons.vue'
import { stepped } from '../stepped'
import NewObject from '../NewObject.vue'
import { useSelected } from '../selection'
import { sidesOf } from '../treatments'
import TreatmentSentences from './TreatmentSentences.vue'

/** What becomes of a user's calls, as sentences; and fallback chains, place by place. */
const { customer, names } = useDesk()
const { edit } = useDraft()
const { selected, select } = useSelected('user', 'chain')
const words = ref('')

const chains = computed(() => names.value.all('chain'))
const users = computed(() =>
  names.value
    .all('user')
    .filter((object) => `${object.extension ?? ''} ${object.label}`.toLowerCase().includes(words.value.toLowerCase())),
)
const places = computed(() => (selected.value?.kind === 'chain' ? selected.value.fields.places : []))

const rulers = useQuery({
  queryKey: computed(() => ['computed', customer, 'ruler', selected.value?.kind, selected.value?.key]),
  queryFn: async () =>
    (
      await take(
        client.GET('/customers/{customer}/rulers/{kind}/{key}', {
          params: {
            path: {
              customer,
              kind: selected.value?.kind === 'chain' ? 'chain' : 'user',
              key: selected.value?.key ?? '',
            },
          },
        }),
      )
    ).rulers,
  enabled: () => selected.value !== undefined,
  placeholderData: keepPreviousData,
})

/** Where a user's calls differ from everybody's: what is said in the list. */
function brief(user: ObjectOf<'user'>): string {
  const { open } = user.fields.handling
  if (open.always !== null) return `all calls to ${side(open.always)}`
  const set = [open.noAnswer, open.busy, open.unreachable, open.doNotDisturb, open.onACall].filter(
    (each) => each !== null,
  )
  return set.length === 0 ? '' : `${set.length} set`
}

function side(treatment: unknown): string {
  const { outside, inside } = sidesOf(treatment)
  return names.value.of(outside ?? inside ?? '')
}

function addPlace(said: unknown): void {
  if (selected.value === undefined || typeof said !== 'string') return
  void edit([{ object: selected.value.ref, path: 'places', value: [...places.value, { to: said }] }])
}

function movePlace(index: number, by: number): void {
  if (selected.value === undefined) return
  void edit([{ op: 'move', object: selected.value.ref, path: 'places', value: stepped(places.value, index, by) }])
}

function dropPlace(item: string): void {
  if (selected.value !== undefined)
    void edit([
      { object: selected.value.ref, path: 'places', value: places.value.filter((each) => each.item !== item) },
    ])
}
</script>

<template>
  <div class="two">
    <nav class="list pick-list" aria-label="Fallback chains and users">
      <h2>Fallback chains</h2>
      <ul>
        <li v-for="object in chains" :key="object.ref">
          <button
            type="button"
            :class="{ here: object.ref === selected?.ref }"
            :aria-pressed="object.ref === selected?.ref"
            @click="select(object.ref)"
          >
            {{ object.label }}
          </button>
        </li>
      </ul>
      <NewObject kind="chain" @made="select" />
      <h2>Users</h2>
      <el-input v-model="words" type="search" class="find" size="small" aria-label="Find a user" placeholder="find" />
      <ul>
        <li v-for="object in users" :key="object.ref">
          <button
            type="button"
            :class="{ here: object.ref === selected?.ref }"
            :aria-pressed="object.ref === selected?.ref"
            @click="select(object.ref)"
          >
            <span class="mono soft">{{ object.extension }}</span> {{ object.label }}
            <span class="soft small">{{ brief(object) }}</span>
          </button>
        </li>
      </ul>
    </nav>
    <div>
      <EmptyState v-if="selected === undefined" title="Nobody to forward calls of"
        >Enter users first; chains can then lead from one to the next.</EmptyState
      >
      <section v-else-if="!rulers.isPending.value" :key="selected.ref" :aria-label="selected.label">
        <div class="head">
          <h2>{{ selected.label }}</h2>
          <span class="mono soft">{{ selected.extension }}</span>
        </div>
        <template v-if="selected.kind === 'chain'">
          <p class="soft">
            First says
            <InlineField :object="selected" path="announcement" :type="{ unset: 'nothing' }" label="Announcement" />,
            then each place in turn.
          </p>
          <TimingRuler
            v-if="rulers.data.value?.[0] !== undefined"
            :ruler="rulers.data.value[0]"
            :label="`Who rings when in ${selected.label}`"
          />
          <ol class="places">
            <li v-for="(place, index) in places" :key="place.item">
              <InlineField :object="selected" :path="`places/${place.item}/to`" :label="`Place ${index + 1}`" /> for
              <InlineField
                :object="selected"
                :path="`places/${place.item}/rings`"
                :type="{ unset: `${names.all('tenant')[0]?.fields.chainRings ?? ''} rings, as usual` }"
                :label="`Rings of place ${index + 1}`"
              />
              <span class="hands">
                <StepButtons
                  :at="index"
                  :count="places.length"
                  :what="`place ${index + 1}`"
                  @move="movePlace(index, $event)"
                />
                <button type="button" class="text-button" @click="dropPlace(place.item)">take out</button>
              </span>
            </li>
            <li class="soft">
              then
              <InlineField
                :object="selected"
                path="places"
                :type="{ ...DESTINATION, unset: 'add another place' }"
                label="Another place"
                :value="null"
                holds
                @take="addPlace"
              />
            </li>
          </ol>
        </template>
        <template v-else>
          <section v-for="state in ['open', 'closed', 'holiday'] as const" :key="state">
            <TreatmentSentences
              :user="selected"
              :state
              :ruler="rulers.data.value?.find((each) => each.state === state)"
            />
          </section>
        </template>
        <AllFields :object="selected" :removable="selected.kind === 'chain'" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 220px minmax(0, 1fr);
  gap: 20px;
}

.list {
  max-height: calc(100vh - 190px);
  overflow-y: auto;
}

.list h2 {
  margin-top: 6px;
  color: var(--ink-soft);
  font: 400 14px/1.4 var(--sans);
}

.list ul,
.places {
  margin: 0;
  padding: 0;
  list-style: none;
}

.find {
  width: 100%;
}

.head {
  display: flex;
  gap: 12px;
  align-items: baseline;
}

.places {
  margin-top: 10px;
  counter-reset: place;
}

.places li {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.hands {
  display: flex;
  gap: 10px;
  margin-left: auto;
}

.hands button:disabled {
  visibility: hidden;
}
</style>
