<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { client, detailOf, take, type FindingLine, type Mended } from '@/api'
import { ChangeLine } from '@/desk'
import { ModalSheet, plural } from '@/shared'
import { FINDINGS_KEY } from './findingQueries'

/**
 * The fixes of findings at many customers: looked at one by one, left out where they should not be, entered each as a
 * revision.
 */
const props = defineProps<{ lines: FindingLine[] }>()
const emit = defineEmits<{ mended: [] }>()
const isOpen = defineModel<boolean>({ required: true })

interface Place {
  customer: string
  name: string
  fingerprints: string[]
  titles: string[]
  looked?: Mended
  made?: Mended
  fault?: string
  isWanted: boolean
}

const queryClient = useQueryClient()
const places = ref<Place[]>([])
const note = ref('')
const stage = ref<'looking' | 'ready' | 'entering' | 'over'>('looking')
const stops = ref<boolean>(false)
/** Another opening makes what an earlier one still waits for of no account. */
let opened = 0

const wanted = computed(() =>
  places.value.filter((place) => place.isWanted && place.looked !== undefined && place.looked.changes.length > 0),
)
const over = computed(
  () =>
    places.value.filter((place) => place.made !== undefined || (stage.value === 'over' && place.fault !== undefined))
      .length,
)

watch(
  isOpen,
  (open) => {
    opened++
    if (open) void look(opened)
    else if (stage.value === 'over') emit('mended')
  },
  { immediate: true },
)

function ask(place: Place, enter: boolean): Promise<Mended> {
  return take(
    client.POST('/customers/{customer}/findings/fixes', {
      params: { path: { customer: place.customer } },
      body: { fingerprints: place.fingerprints, enter, note: note.value.trim() || null },
    }),
  )
}

async function look(turn: number): Promise<void> {
  const byCustomer = new Map<string, Place>()
  for (const line of props.lines) {
    const place = byCustomer.get(line.customer) ?? {
      customer: line.customer,
      name: line.name,
      fingerprints: [],
      titles: [],
      isWanted: true,
    }
    place.fingerprints.push(line.fingerprint)
    place.titles.push(line.title)
    byCustomer.set(line.customer, place)
  }
  places.value = [...byCustomer.values()]
  note.value = ''
  stage.value = 'looking'
  stops.value = false
  for (const place of places.value) {
    if (turn !== opened) return
    try {
      place.looked = await ask(place, false)
    } catch (error) {
      place.fault = detailOf(error)
      place.isWanted = false
    }
  }
  if (turn === opened) stage.value = 'ready'
}

async function enter(): Promise<void> {
  if (stage.value !== 'ready' || wanted.value.length === 0) return
  stage.value = 'entering'
  for (const place of [...wanted.value]) {
    // Set by the button while the last one was under way.
    if (stops.value) break
    try {
      place.made = await ask(place, true)
    } catch (error) {
      place.fault = detailOf(error)
    }
  }
  stage.value = 'over'
  void queryClient.invalidateQueries({ queryKey: FINDINGS_KEY })
}

function inBrief(place: Place): string {
  if (place.made !== undefined)
    return place.made.revision === null ? 'nothing was left to mend' : `entered as revision ${place.made.revision}`
  if (place.looked === undefined) return place.fault === undefined ? 'being looked at' : ''
  return place.looked.changes.length === 0
    ? 'nothing is left to mend'
    : `${plural(place.looked.changes.length, 'change')}${place.looked.callersNotice ? ', callers notice' : ''}`
}
</script>

<template>
  <ModalSheet
    v-model="isOpen"
    :title="`Mend ${plural(lines.length, 'finding')} at ${plural(places.length, 'customer')}`"
    width="wide"
  >
    <p class="soft">
      Each customer gets a revision of its own, entered on the book and not yet pushed; History takes it back.
    </p>
    <ul class="places">
      <li v-for="place in places" :key="place.customer" :data-testid="`mend-${place.customer}`">
        <el-checkbox
          v-model="place.isWanted"
          class="head"
          size="small"
          :disabled="stage !== 'ready' || place.looked === undefined || place.looked.changes.length === 0"
          ><strong>{{ place.name }}</strong> <span class="soft">{{ inBrief(place) }}</span></el-checkbox
        >
        <p v-if="place.fault !== undefined" class="fault" role="alert">{{ place.fault }}</p>
        <ul v-if="place.looked !== undefined" class="changes">
          <li v-for="change in place.looked.changes" :key="`${change.object} ${change.path ?? ''}`">
            <ChangeLine :change />
          </li>
          <li v-for="left in place.looked.left" :key="left.title" class="fault">Is left: {{ left.title }}</li>
          <li v-for="brought in place.looked.brings" :key="brought.title" class="fault">
            Comes with it ({{ brought.severity }}): {{ brought.title }}
          </li>
        </ul>
      </li>
    </ul>
    <form class="act" @submit.prevent="enter">
      <template v-if="stage === 'looking'"
        ><span class="soft" role="status">Looking at {{ plural(places.length, 'customer') }} …</span></template
      >
      <template v-else-if="stage === 'ready'">
        <el-input
          v-model="note"
          name="note"
          maxlength="500"
          placeholder="Why, for the history (if you like)"
          aria-label="Why"
          data-takes-keys
        />
        <el-button type="primary" native-type="submit" :disabled="wanted.length === 0"
          >Enter at {{ plural(wanted.length, 'customer') }}</el-button
        >
      </template>
      <template v-else-if="stage === 'entering'">
        <el-progress
          :percentage="(100 * over) / Math.max(1, wanted.length)"
          :show-text="false"
          aria-label="Customers mended"
        /><span role="status">{{ over }} of {{ wanted.length }}</span>
        <button type="button" class="quiet-button" @click="stops = true">Stop after this one</button>
      </template>
      <template v-else>
        <span role="status"
          >{{ plural(places.filter((place) => place.made?.revision).length, 'customer') }} mended.</span
        >
        <el-button type="primary" @click="isOpen = false">Done</el-button>
      </template>
    </form>
  </ModalSheet>
</template>

<style scoped>
.places {
  max-height: 46vh;
  margin: 10px 0;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}

.places > li {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.head {
  display: flex;
  gap: 8px;
  align-items: baseline;
}

.changes {
  margin: 2px 0 0;
  padding-left: 40px;
}

.act {
  display: flex;
  gap: 12px;
  align-items: center;
  min-height: 40px;
}

.act .el-input {
  flex: 1;
}

.el-progress {
  flex: 1;
}
</style>
