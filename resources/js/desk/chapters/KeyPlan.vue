<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { ObjectOf, TelephoneModel } from '@/api'
import { ChoiceField, plural, useKeysTold } from '@/shared'
import { typeAt } from '../catalogue'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import { ABOUT, exchanged, labelOf, placesOf, withKey, withLamps, type DeviceKey, type KeyKind } from '../keyPlan'

/** The keys of a telephone as it has them: chosen by pointing or by arrows, filled, moved, copied and cleared. */
const { device, model } = defineProps<{ device: ObjectOf<'device'>; model: TelephoneModel }>()

const { names, mayEdit, notice } = useDesk()
const { edit } = useDraft()

const kinds = computed(() => typeAt('device', 'keys/k/kind').choices ?? {})
const keys = computed(() => device.fields.keys)
const at = (place: number): DeviceKey | undefined => keys.value.find((each) => each.at === place)
/** What stands beside a place, and the same for whoever does not see it. */
const beside = (place: number): string => {
  const key = at(place)
  return key === undefined ? '' : labelOf(key, names.value, kinds.value)
}
const kindAt = (place: number): string => {
  const key = at(place)
  return key === undefined ? 'free' : `(${kinds.value[key.kind] ?? key.kind})`
}
const page = ref(0)
const chosen = ref(1)
const places = computed(() => placesOf(model, page.value))
const key = computed(() => at(chosen.value))
const beyond = computed(() => keys.value.filter((each) => each.at > model.keys * model.pages))
watch(
  () => device.ref,
  () => {
    page.value = 0
    chosen.value = 1
  },
)

const put = (next: DeviceKey[]): Promise<void> => edit([{ object: device.ref, path: 'keys', value: next }])
const set = (place: number, change: Partial<DeviceKey> | undefined): Promise<void> =>
  put(withKey(keys.value, place, change))

/** Of another kind it is about something else; what still fits is kept. */
function setKind(kind: KeyKind): void {
  const to = key.value?.to ?? null
  const fits = to !== null && ABOUT[kind].some((each) => to.startsWith(`${each}:`))
  const first = ABOUT[kind].length === 1 ? names.value.objects.filter((each) => each.kind === ABOUT[kind][0]) : []
  void set(chosen.value, {
    kind,
    to: fits ? to : first.length === 1 ? (first[0]?.ref ?? null) : null,
    number: kind === 'speedDial' ? (key.value?.number ?? null) : null,
    digits: kind === 'code' ? (key.value?.digits ?? null) : null,
  })
}

const NOBODY = ''
const abouts = computed(() => {
  const kind = key.value?.kind ?? 'lamp'
  return [
    [NOBODY, kind === 'pickUp' ? 'every group of whoever presses it' : kind === 'line' ? 'its own line' : '—'] as const,
    ...names.value.objects
      .filter((each) => ABOUT[kind].includes(each.kind))
      .map((each) => [each.ref, `${each.extension ?? ''} ${each.label}`.trim()] as const),
  ]
})

const board = ref<HTMLElement>()
async function go(place: number): Promise<void> {
  const last = model.keys * model.pages
  chosen.value = Math.min(last, Math.max(1, place))
  page.value = Math.floor((chosen.value - 1) / model.keys)
  await nextTick()
  board.value?.querySelector<HTMLElement>(`[data-at="${chosen.value}"]`)?.focus()
}

const half = computed(() => Math.ceil(model.keys / 2))
const form = ref<HTMLElement>()
const copied = ref<DeviceKey>()
function press(event: KeyboardEvent, place: number): void {
  const within = (place - 1) % model.keys
  const steps: Record<string, number> = {
    ArrowUp: -1,
    ArrowDown: 1,
    ArrowLeft: within >= half.value ? -half.value : 0,
    ArrowRight: within < half.value ? half.value : 0,
    PageUp: -model.keys,
    PageDown: model.keys,
  }
  const step = steps[event.key]
  const mine = at(place)
  if (step !== undefined && event.altKey && mayEdit.value) {
    if (place + step >= 1 && place + step <= model.keys * model.pages)
      void put(exchanged(keys.value, place, place + step)).then(() => go(place + step))
  } else if (step !== undefined) void go(place + step)
  else if (!mayEdit.value) return
  else if (event.key === 'Delete' || event.key === 'Backspace') void set(place, undefined)
  else if (event.key === 'c' && event.ctrlKey) copied.value = mine
  else if (event.key === 'v' && event.ctrlKey && copied.value !== undefined) {
    void set(place, copied.value)
  } else if (event.key === 'Enter') {
    if (mine === undefined) void set(place, { kind: 'lamp' })
    void nextTick(() => form.value?.querySelector('input')?.focus())
  } else return
  event.preventDefault()
  event.stopPropagation()
}

function choose(place: number): void {
  chosen.value = place
}
const dragged = ref<number>()
function drop(place: number): void {
  if (dragged.value !== undefined && dragged.value !== place) void put(exchanged(keys.value, dragged.value, place))
  dragged.value = undefined
  chosen.value = place
}

/** Everybody of a group or a pick-up group, on the keys that are free. */
const crowds = computed(() => [
  [NOBODY, 'lamps of …'] as const,
  ...names.value.objects
    .filter((each) => ['group', 'pickUpGroup', 'pageZone', 'sharedLine', 'site'].includes(each.kind))
    .map((each) => [each.ref, each.label] as const),
])
function fill(of: string): void {
  const crowd = names.value.get(of)
  if (crowd === undefined) return
  const own = new Set(device.fields.lines.map((line) => line.user))
  const people =
    crowd.kind === 'site'
      ? names.value.all('user').flatMap((user) => (user.fields.site === crowd.ref ? [user.ref] : []))
      : 'members' in crowd.fields
        ? (crowd.fields.members as { who: string }[]).map((each) => each.who).filter((who) => who.startsWith('user:'))
        : []
  const { keys: next, left } = withLamps(
    keys.value,
    people.filter((who) => !own.has(who)),
    model.keys * model.pages,
  )
  void put(next)
  if (left > 0)
    notice.value = {
      text: `${plural(left, 'person has', 'people have')} no key: ${model.name} has no more.`,
      isFault: true,
    }
}

/** Others of the model, to whom these keys may go. */
const others = computed(() =>
  names.value.all('device').filter((each) => each.ref !== device.ref && each.fields.model === device.fields.model),
)
const targets = ref<string[]>([])
async function copyTo(): Promise<void> {
  await edit(targets.value.map((object) => ({ object, path: 'keys', value: keys.value })))
  notice.value = { text: `The keys went to ${plural(targets.value.length, 'telephone')}.` }
  targets.value = []
}

useKeysTold('among keys of a telephone', {
  'Alt ↑ ↓': 'exchange with the next',
  Enter: 'fill the key',
  Delete: 'clear it',
  'Ctrl C, Ctrl V': 'copy it',
})
</script>

<template>
  <section data-testid="key-plan">
    <h3>
      Keys <span class="soft">{{ keys.length }} of {{ model.keys * model.pages }} laid out on a {{ model.name }}</span>
    </h3>
    <p v-if="model.pages === 0" class="soft">{{ model.name }} has no keys that could be laid out.</p>
    <div v-else class="plan">
      <div class="telephone">
        <p v-if="model.pages > 1" class="pages">
          <button
            v-for="(_, number) in model.pages"
            :key="number"
            type="button"
            class="text-button"
            :aria-current="number === page ? 'true' : undefined"
            @click="go(number * model.keys + 1)"
          >
            page {{ number + 1 }}
          </button>
        </p>
        <div
          ref="board"
          class="board"
          role="group"
          :aria-label="`Keys of ${device.label}`"
          :style="{ gridTemplateRows: `repeat(${half}, auto)` }"
        >
          <button
            v-for="place in places"
            :key="place"
            type="button"
            :data-at="place"
            :tabindex="place === chosen ? 0 : -1"
            :class="['key', at(place)?.kind ?? 'free', { chosen: place === chosen }]"
            :draggable="mayEdit && at(place) !== undefined"
            @click="choose(place)"
            @focus="choose(place)"
            @keydown="press($event, place)"
            @dragstart="dragged = place"
            @dragover.prevent
            @drop.prevent="drop(place)"
          >
            <i aria-hidden="true" />
            <span class="mono soft">{{ place }}</span>
            <span class="said">{{ beside(place) }}</span>
            <span class="visually-hidden">{{ kindAt(place) }}</span>
          </button>
        </div>
      </div>
      <div ref="form" class="form">
        <h4>Key {{ chosen }}</h4>
        <template v-if="key !== undefined">
          <p>
            is
            <ChoiceField
              v-if="mayEdit"
              :model-value="key.kind"
              :options="Object.entries(kinds) as [KeyKind, string][]"
              in-sentence
              aria-label="What the key is"
              @update:model-value="setKind"
            />
            <span v-else>{{ kinds[key.kind] }}</span>
          </p>
          <p v-if="ABOUT[key.kind].length > 0">
            about
            <ChoiceField
              v-if="mayEdit"
              :model-value="key.to ?? NOBODY"
              :options="abouts"
              in-sentence
              aria-label="Whom or what the key is about"
              @update:model-value="(to: string) => set(chosen, { to: to === NOBODY ? null : to })"
            />
            <span v-else>{{ key.to === null ? '—' : names.of(key.to) }}</span>
          </p>
          <p v-if="key.kind === 'speedDial' && key.to === null">
            calls <InlineField :object="device" :path="`keys/${key.item}/number`" label="Number the key calls" />
          </p>
          <p v-if="key.kind === 'code'">
            dials <InlineField :object="device" :path="`keys/${key.item}/digits`" label="What the key dials" />
          </p>
          <p>
            beside it stands
            <InlineField
              :object="device"
              :path="`keys/${key.item}/label`"
              :type="{ unset: labelOf({ ...key, label: null }, names, kinds) }"
              label="What stands beside the key"
            />
          </p>
          <p v-if="mayEdit">
            <button type="button" class="text-button" @click="set(chosen, undefined)">Clear the key</button>
          </p>
        </template>
        <p v-else-if="mayEdit" class="soft">
          Free.
          <button type="button" class="text-button" @click="set(chosen, { kind: 'lamp' })">Lay it out</button>
        </p>
        <p v-else class="soft">Free.</p>
        <p v-if="mayEdit">
          Fill free keys with
          <ChoiceField
            :model-value="NOBODY"
            :options="crowds"
            in-sentence
            aria-label="Fill free keys with lamps of"
            @update:model-value="fill"
          />
        </p>
        <form v-if="mayEdit && others.length > 0" class="copy" @submit.prevent="copyTo">
          <el-select
            v-model="targets"
            multiple
            collapse-tags
            filterable
            size="small"
            placeholder="the same keys on …"
            aria-label="Telephones that get the same keys"
          >
            <el-option v-for="each in others" :key="each.ref" :value="each.ref" :label="each.label" />
          </el-select>
          <button type="submit" class="text-button" :disabled="targets.length === 0">Copy</button>
        </form>
      </div>
    </div>
    <p v-if="beyond.length > 0" class="fault">
      Beyond the last key of this model:
      {{ beyond.map((each) => `${each.at}, ${labelOf(each, names, kinds)}`).join('; ') }}.
      <button
        v-if="mayEdit"
        type="button"
        class="text-button"
        @click="put(keys.filter((each) => !beyond.includes(each)))"
      >
        Clear {{ beyond.length === 1 ? 'it' : 'them' }}
      </button>
    </p>
  </section>
</template>

<style scoped>
.plan {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
}

.telephone {
  flex: 0 1 430px;
  padding: 10px 12px 12px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: color-mix(in srgb, var(--ink) 4%, var(--sheet));
}

.pages {
  display: flex;
  gap: 12px;
  margin-bottom: 6px;
}

.pages [aria-current] {
  color: var(--ink);
  font-weight: 600;
}

.board {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 5px 10px;
}

.key {
  display: grid;
  grid-template-columns: 10px 22px 1fr;
  gap: 6px;
  align-items: center;
  min-height: 30px;
  padding: 2px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--sheet);
  text-align: left;
  cursor: pointer;
}

.key.free {
  border-style: dashed;
  background: none;
}

.key.chosen {
  border-color: var(--teal);
  box-shadow: 0 0 0 1px var(--teal);
}

.key i {
  width: 9px;
  height: 9px;
  border: 1px solid var(--ink-soft);
  border-radius: 50%;
}

.key.lamp i,
.key.line i {
  border-color: var(--teal);
  background: var(--teal);
}

.key.park i,
.key.pickUp i {
  border-radius: 0;
}

.key.speedDial i,
.key.code i,
.key.page i,
.key.free i,
.key.blank i {
  visibility: hidden;
}

.said {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.form {
  flex: 1 1 240px;
  min-width: 220px;
}

.form p {
  margin: 4px 0;
}

.copy {
  display: flex;
  gap: 8px;
  max-width: 340px;
  margin-top: 8px;
}
</style>
