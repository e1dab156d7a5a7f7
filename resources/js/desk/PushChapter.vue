<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Difference, Push, RunSheetStep } from '@/api'
import { age, dateThere, dayThere, ErrorState, LoadingLines, plural, some, useNow, WaiveSheet } from '@/shared'
import { isUnderWay, useBeside, useDesk, useDraft } from './desk'
import CallersNotice from './CallersNotice.vue'
import BesideDrift from './BesideDrift.vue'
import PushProgress from './PushProgress.vue'
import { driftLines, type DriftLine } from './driftLines'
import SwitchLine from './SwitchLine.vue'
import { fieldInWords, valueInWords } from './words'

const props = defineProps<{ zone: string }>()

const { book, names, busy, mayEdit, mayPush } = useDesk()
const { changes, edit } = useDraft()
const { live, impact, pushes, notPushed, changedThere, otherwise, underWay, push, readAgain, waive } = useBeside()
const now = useNow()

const runSheet = computed(() => live.data.value?.runSheet ?? [])
const pins = computed(() => live.data.value?.pinsToTell ?? [])
/** A telephone comes with a secret of its own, which is no PIN. */
const pinWord = computed(() => (pins.value.some((each) => each.startsWith('device:')) ? 'secret' : 'PIN'))
const pinsOf = computed(() =>
  some(
    pins.value.map((object) => names.value.of(object)),
    5,
  ),
)
const alike = computed(() => (otherwise.value.length === 0 ? 'the same' : otherwise.value.join(' · ')))
const isAnything = computed(
  () => runSheet.value.length > 0 || (pins.value.length > 0 && live.data.value?.onSwitch === true),
)
const removed = computed(() => runSheet.value.filter((step) => step.kind === 'delete'))
const last = computed(() => pushes.data.value?.[0])
const earlier = computed(() => (pushes.data.value ?? []).slice(1))

const STEPS = { create: 'make', update: 'set', link: 'join up', delete: 'remove' }

/** Which fields a step touches; one that makes an object sets all that may stand before the others exist. */
function fieldsOf(step: RunSheetStep): string {
  return step.kind === 'create' ? '' : step.fields.map((field) => fieldInWords(step.object, field)).join(' · ')
}

/** When and by whom, where all of them agree on it. */
function since({ differences }: DriftLine): string {
  const told = new Set(
    differences.map((each) =>
      each.since === null ? 'the switch does not say' : `${dateThere(each.since, props.zone)}, ${each.by ?? ''}`,
    ),
  )
  return told.size === 1 ? ([...told][0] ?? '') : 'at several times'
}

function shortSince({ differences }: DriftLine): string {
  const days = new Set(
    differences.map((each) => (each.since === null ? '—' : dayThere(each.since, props.zone, now.value))),
  )
  return days.size === 1 ? ([...days][0] ?? '') : 'several'
}

function by({ differences }: DriftLine): string {
  return [...new Set(differences.flatMap((each) => each.by ?? []))].join(', ')
}

function target(difference: Difference): { object: string; field: string | null } {
  return { object: difference.object, field: difference.path?.split('/')[0] ?? null }
}

/** Takes what the switch says into the draft: it is looked over and entered like any other edit. */
function adopt({ differences }: DriftLine): void {
  void edit(differences.flatMap(({ object, path, live }) => (path === null ? [] : [{ object, path, value: live }])))
}

const pending = computed(() => new Set(changes.value.map((change) => `${change.object} ${change.path ?? ''}`)))
const isPending = ({ differences }: DriftLine): boolean =>
  differences.some((each) => pending.value.has(`${each.object} ${each.path ?? ''}`))
const isWhat = ({ differences }: DriftLine, what: Difference['what']): boolean => differences[0]?.what === what

const noticed = computed(() =>
  impact.data.value === undefined
    ? undefined
    : new Set(impact.data.value.noticed.map((each) => `${each.object} ${each.path ?? ''}`)),
)

/** Whether callers notice this field by itself: known once the calls of both were gone through. */
function callersDo(difference: Difference): string {
  if (noticed.value === undefined || difference.what !== 'field') return ''
  return noticed.value.has(`${difference.object} ${difference.path ?? ''}`) ? 'yes' : 'no'
}

/** What callers notice comes first; the rest stays in the order of the book. */
const inOrder = computed(() =>
  [...changedThere.value].sort((one, other) => Number(callersDo(other) === 'yes') - Number(callersDo(one) === 'yes')),
)

/** Waits for what callers notice of it as well, so that lines need not change places. */
const isRead = computed(
  () =>
    !live.isPending.value && !pushes.isPending.value && (changedThere.value.length === 0 || !impact.isPending.value),
)

/** What was changed there, alike things as one line. */
const theirs = computed(() => driftLines(inOrder.value, 'switch', names.value))
const ours = computed(() => driftLines(notPushed.value, 'book', names.value))
const noticedOf = ({ differences }: DriftLine): string => {
  const told = differences.map(callersDo)
  return told.includes('yes') ? 'yes' : (told[0] ?? '')
}

const waiving = ref<DriftLine>()
const isWaiving = computed({
  get: () => waiving.value !== undefined,
  set: (open) => {
    if (!open) waiving.value = undefined
  },
})
const waivingWhat = computed(() =>
  waiving.value === undefined
    ? ''
    : `${waiving.value.subject}: ${waiving.value.says}. It stays as it is on the switch, and pushes leave it alone. ` +
      'If it changes there, it is drift again.',
)

async function waiveIt(reason: string, until: string | null): Promise<void> {
  for (const { object, path } of waiving.value?.differences ?? []) await waive(object, path, reason, until)
}

/** What the customer signed of it, where that is not what the book says. */
function signedOf({ differences }: DriftLine): string {
  const [first] = differences
  if (first === undefined || first.path === null || (live.data.value?.signed ?? null) === null) return ''
  const said = (value: unknown): string => valueInWords(first.object, first.path ?? '', value, names.value)
  return differences.length > 1 || said(first.signed) === said(first.book) ? '' : `signed was ${said(first.signed)}`
}

const backable = computed(() => changedThere.value.filter((each) => each.what !== 'unknown'))

function ended(each: Push): string {
  if (each.status === 'done') return 'done; read back and the same'
  return each.status === 'stopped' ? `stopped: ${each.reason ?? ''}` : each.status
}
</script>

<template>
  <LoadingLines v-if="!isRead" what="book and switch" />
  <ErrorState
    v-else-if="live.error.value !== null && live.data.value === undefined"
    :error="live.error.value"
    @again="live.refetch()"
  />
  <template v-else>
    <section class="part">
      <div class="head">
        <h2>Book and live</h2>
        <span class="soft" role="status" data-testid="compared">
          <template v-if="!live.data.value?.onSwitch">{{
            live.data.value?.readAt === null
              ? 'this customer has not been read from the switch yet'
              : 'the switch does not know this customer'
          }}</template>
          <template v-else>read {{ age(live.data.value?.readAt ?? '', now) }} · {{ alike }}</template>
        </span>
        <button type="button" class="quiet-button right" :disabled="busy" data-testid="read-again" @click="readAgain">
          Read again
        </button>
      </div>
      <SwitchLine />
      <p v-if="!mayPush" class="soft" data-testid="may-not-push">
        You may {{ mayEdit ? 'read and edit this customer' : 'read this customer' }}; what goes to the switch is for
        those whose grant lets them push.
      </p>
      <p v-else-if="isAnything && underWay === undefined" class="act first">
        <el-button type="primary" :disabled="busy" data-testid="push" @click="push()">{{
          runSheet.length > 0
            ? `Push revision ${book.data.value?.revision ?? ''}`
            : `Tell the switch ${pins.length === 1 ? `the ${pinWord}` : `the ${pins.length} ${pinWord}s`}`
        }}</el-button>
        <span class="soft"
          ><template v-if="runSheet.length > 0">{{ plural(runSheet.length, 'step') }}, in the run sheet below</template
          ><template v-if="runSheet.length > 0 && pins.length > 0">, and {{ plural(pins.length, pinWord) }}</template
          ><template v-if="changes.length > 0"
            >; {{ plural(changes.length, 'pending change') }} {{ changes.length === 1 ? 'is' : 'are' }} not in
            it</template
          >.</span
        >
        <span v-if="removed.length > 0" class="fault"
          >Removes {{ plural(removed.length, 'object') }} from the switch:
          {{
            some(
              removed.map((step) => step.label),
              4,
            )
          }}.</span
        >
        <span v-if="changedThere.length > 0" class="fault"
          >Overwrites {{ plural(changedThere.length, 'place') }} that somebody changed on the switch.</span
        >
      </p>
      <table v-if="changedThere.length > 0" class="drift" data-testid="differences">
        <caption class="soft">
          Changed on the switch
        </caption>
        <thead>
          <tr>
            <th scope="col">What the switch says</th>
            <th scope="col" class="callers" title="whether callers notice this field by itself">Noticed</th>
            <th scope="col" class="since">Since<span class="by">, by</span></th>
            <td class="corner" />
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in theirs" :key="line.key">
            <td class="says">
              <strong>{{ line.subject }}</strong>: {{ line.says
              }}<span
                v-for="other in [line.against, signedOf(line)].filter((part) => part !== '')"
                :key="other"
                class="soft"
                >; {{ other }}</span
              >
            </td>
            <td :class="{ soft: noticedOf(line) === 'no', strong: noticedOf(line) === 'yes' }">
              {{ noticedOf(line) }}
            </td>
            <td class="soft" :title="since(line)">
              {{ shortSince(line) }}<span v-if="by(line) !== ''" class="by"> · {{ by(line) }}</span>
            </td>
            <td class="hands">
              <template v-if="!isWhat(line, 'unknown')">
                <button
                  v-if="mayPush"
                  type="button"
                  class="text-button"
                  :disabled="busy || underWay !== undefined"
                  @click="push(line.differences.map(target))"
                >
                  Put back
                </button>
                <button
                  v-if="mayEdit && isWhat(line, 'field')"
                  type="button"
                  class="text-button"
                  :disabled="busy || isPending(line)"
                  :title="
                    isPending(line) ? 'there is a pending edit of this' : 'take what the switch says into your draft'
                  "
                  @click="adopt(line)"
                >
                  Adopt
                </button>
              </template>
              <span v-else class="soft small">removed by a push of the book</span>
              <button
                v-if="mayEdit && !isWhat(line, 'missing')"
                type="button"
                class="text-button"
                :disabled="busy"
                @click="waiving = line"
              >
                Waive
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="mayPush && backable.length > 1" class="act">
        <button
          type="button"
          class="quiet-button"
          :disabled="busy || underWay !== undefined"
          @click="push(backable.map(target))"
        >
          Put all {{ backable.length }} back
        </button>
      </p>
    </section>

    <section v-if="notPushed.length > 0" class="part" aria-labelledby="not-pushed">
      <h2 id="not-pushed">Not pushed yet</h2>
      <p class="soft">Entered here since book and switch last said the same. A push carries it.</p>
      <table data-testid="not-pushed-yet">
        <thead>
          <tr>
            <th scope="col">What the book says</th>
            <td class="corner" />
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in ours" :key="line.key">
            <td class="says">
              <strong>{{ line.subject }}</strong>: {{ line.says
              }}<span v-if="line.against !== ''" class="soft">; {{ line.against }}</span>
            </td>
            <td>
              <button
                v-if="mayPush && !isWhat(line, 'unknown')"
                type="button"
                class="text-button"
                :disabled="busy || underWay !== undefined"
                @click="push(line.differences.map(target))"
              >
                Push this alone
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <WaiveSheet
      v-model="isWaiving"
      title="Waive a difference"
      :about="waivingWhat"
      example="their own address until she is back"
      :busy
      :zone
      :accept="waiveIt"
    />
    <CallersNotice :zone />
    <BesideDrift :zone="zone" />

    <section class="part">
      <div class="head">
        <h2>Push</h2>
        <span class="soft"
          >revision {{ book.data.value?.revision
          }}<template v-if="changes.length > 0">
            · {{ plural(changes.length, 'pending change') }} not in it</template
          ></span
        >
      </div>
      <template v-if="underWay !== undefined"><PushProgress :push="underWay" /></template>
      <template v-else-if="runSheet.length > 0">
        <p class="soft">
          The run sheet, in order. Each step is recorded before and after; then the switch is read back and compared.
        </p>
        <table data-testid="run-sheet">
          <thead>
            <tr>
              <th scope="col">#</th>
              <th scope="col">Step</th>
              <th scope="col">Object</th>
              <th scope="col">Fields</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(step, index) in runSheet" :key="index">
              <td class="mono soft">{{ index + 1 }}</td>
              <td>{{ STEPS[step.kind] }}</td>
              <td>{{ step.label }}</td>
              <td class="soft">{{ fieldsOf(step) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="pins.length > 0" class="soft">Then {{ plural(pins.length, pinWord) }}: {{ pinsOf }}.</p>
      </template>
      <template v-else-if="pins.length > 0 && live.data.value?.onSwitch === true">
        <p class="soft">
          The switch holds the book, but for {{ plural(pins.length, pinWord) }} it was not told: {{ pinsOf }}.
        </p>
      </template>
      <p v-else-if="otherwise.length > 0" class="soft">Nothing to push that was not waived.</p>
      <p v-else class="soft">Nothing to push: the switch already holds the book.</p>
      <div v-if="last !== undefined && !isUnderWay(last)" class="last" data-testid="last-push">
        <p>
          <strong>{{ last.whole ? `Push of revision ${last.revision}` : 'Putting back' }}</strong> · {{ ended(last) }}
          <span class="soft">· {{ last.by }}, {{ dateThere(last.requestedAt, zone) }}</span>
        </p>
        <PushProgress v-if="last.status === 'stopped' && last.steps.length > 0" :push="last" />
      </div>
    </section>

    <section v-if="earlier.length > 0" class="part">
      <h2>Earlier pushes</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">What</th>
            <th scope="col">Steps</th>
            <th scope="col">End</th>
            <th scope="col">By</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in earlier" :key="each.id">
            <td>{{ dateThere(each.requestedAt, zone) }}</td>
            <td>{{ each.whole ? `revision ${each.revision}` : 'put back' }}</td>
            <td class="mono">{{ each.steps.length }}</td>
            <td>{{ ended(each) }}</td>
            <td class="soft">{{ each.by }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </template>
</template>

<style scoped>
.drift {
  table-layout: fixed;
}

.drift td.corner,
.drift td.hands {
  width: 158px;
}

.drift th.callers {
  width: 66px;
}

.drift th.since {
  width: 116px;
}

.drift td.strong {
  font-weight: 600;
}

.drift td {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.drift td.says {
  white-space: normal;
}

.drift td.hands {
  padding-right: 0;
  overflow: visible;
}

@media (width < 1100px) {
  .drift th.since {
    width: 60px;
  }

  .drift .by {
    display: none;
  }
}

.part {
  margin-bottom: 26px;
}

.head {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding-bottom: 6px;
}

.right {
  margin-left: auto;
}

.hands {
  white-space: nowrap;
}

.hands button + button {
  margin-left: 4px;
}

.first {
  flex-wrap: wrap;
  padding-bottom: 14px;
}

.act {
  display: flex;
  gap: 12px;
  align-items: center;
  padding-top: 10px;
}

.last {
  margin-top: 14px;
}
</style>
