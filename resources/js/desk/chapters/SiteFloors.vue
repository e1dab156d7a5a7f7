<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import type { UploadFile } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { client, take, type BookObject, type ObjectOf, type SiteView } from '@/api'
import { ChoiceField, plural, useAttempt } from '@/shared'
import { useDesk, useDraft } from '../desk'
import type { TypedEdit } from '../edits'
import InlineField from '../InlineField.vue'
import { freeItem } from '../stepped'
import { Seating, type Workplace } from '../seating'
import PlanBoard from './PlanBoard.vue'

/** Floors of a site: a picture of each, workplaces pinned on it, and who sits there. */
const { site, object } = defineProps<{ site: SiteView; object: ObjectOf<'site'> }>()
const emit = defineEmits<{ done: [sites: SiteView[]] }>()

const { customer, names, mayEdit, book, queries } = useDesk()
const queryClient = useQueryClient()
const { edit } = useDraft()
const { busy, faults, attempt } = useAttempt()

const floors = computed(() => object.fields.floors)
const usersAt = (objects: readonly BookObject[]): ObjectOf<'user'>[] =>
  objects.filter((each): each is ObjectOf<'user'> => each.kind === 'user' && each.fields.site === site.ref)
const people = computed(() => usersAt(book.data.value?.objects ?? []))
const seating = computed(() => new Seating(object, people.value))
/**
 * One after the other, each of the book as the one before left it: screens are told of an answer a little later than it
 * is there.
 */
let last = Promise.resolve()
function act(edits: (seating: Seating) => TypedEdit[]): Promise<void> {
  last = last.then(() => {
    const objects: readonly BookObject[] = queryClient.getQueryData(queries.desk.queryKey)?.objects ?? []
    const now = objects.find((each): each is ObjectOf<'site'> => each.kind === 'site' && each.ref === site.ref)
    return edit(edits(new Seating(now ?? object, usersAt(objects))))
  })
  return last
}
const shown = ref<string>()
const floor = computed(() => floors.value.find((each) => each.item === shown.value) ?? floors.value[0])
const pins = computed(() => seating.value.places.filter((each) => each.floor === floor.value?.item))
const chosen = ref<string>()
const place = computed(() => pins.value.find((each) => each.item === chosen.value))
watch(
  () => floor.value?.item,
  () => {
    chosen.value = undefined
  },
)

const plan = computed(() => site.plans.find((each) => each.floor === floor.value?.item))
const picture = computed(() =>
  plan.value === undefined
    ? undefined
    : {
        address: `/api/customers/${customer}/plans/${plan.value.id}`,
        width: plan.value.width,
        height: plan.value.height,
      },
)

const named = ref('')
async function addFloor(): Promise<void> {
  const name = named.value.trim()
  if (name === '') return
  const item = freeItem(floors.value, 'floor')
  await act(() => [{ object: site.ref, path: 'floors', value: [...floors.value, { item, name }] }])
  shown.value = item
  named.value = ''
}

/** Its pins go with it. */
async function removeFloor(item: string): Promise<void> {
  await act((now) => [
    ...now.removed(...pins.value.map((each) => each.item)),
    { object: site.ref, path: 'floors', value: floors.value.filter((each) => each.item !== item) },
  ])
}

const board = ref<InstanceType<typeof PlanBoard>>()
async function addPlace(across: number, down: number): Promise<void> {
  if (floor.value === undefined) return
  const { item, edits } = seating.value.added(floor.value.item, across, down)
  await edit(edits)
  chosen.value = item
  await board.value?.focus(item)
}
/** Pins that are made without pointing stand beside one another, each to be moved from there. */
const addBeside = (): Promise<void> =>
  addPlace(80 + (pins.value.length % 6) * 150, 120 + (Math.floor(pins.value.length / 6) % 6) * 140)

const FREE = ''
const seats = computed(() => [
  [FREE, 'nobody'] as const,
  ...people.value.map((each) => [each.ref, names.value.of(each.ref)] as const),
])
const seat = (of: Workplace, who: string): Promise<void> => act((now) => now.seat(of.item, who === FREE ? null : who))

const setRoom = (item: string, room: string | null): Promise<void> => act((now) => now.room(item, room))
const remove = (item: string): Promise<void> => act((now) => now.removed(item))

/** A floor is on screen before it is in the book, where its picture belongs. */
const upload = (file: UploadFile): Promise<void> =>
  attempt(async () => {
    await last
    const { sites } = await take(
      client.POST('/customers/{customer}/sites/{site}/plans', {
        params: { path: { customer, site: site.key }, query: { floor: floor.value?.item ?? '' } },
        body: (file.raw ?? new Blob()) as unknown as string,
        bodySerializer: (body) => body as unknown as BodyInit,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    )
    emit('done', sites)
  })
const takeAway = (id: string): Promise<void> =>
  attempt(async () => {
    const { sites } = await take(
      client.DELETE('/customers/{customer}/plans/{plan}', { params: { path: { customer, plan: id } } }),
    )
    emit('done', sites)
  })
const seated = computed(() => pins.value.filter((each) => each.who != null).length)
</script>

<template>
  <section data-testid="floors">
    <h3>Floors</h3>
    <p v-if="floors.length === 0" class="soft">
      None is known: help services are told the address, and nothing of where in the house.
    </p>
    <div class="row">
      <button
        v-for="each in floors"
        :key="each.item"
        type="button"
        class="text-button"
        :class="{ here: each.item === floor?.item }"
        :aria-current="each.item === floor?.item ? 'true' : undefined"
        @click="shown = each.item"
      >
        {{ each.name }}
      </button>
      <form v-if="mayEdit" class="row" novalidate @submit.prevent="addFloor">
        <el-input
          v-model="named"
          size="small"
          class="name"
          placeholder="another floor"
          aria-label="Name of another floor"
          autocomplete="off"
        />
        <button type="submit" class="text-button">add</button>
      </form>
    </div>
    <template v-if="floor !== undefined">
      <p class="row">
        <InlineField :object :path="`floors/${floor.item}/name`" :label="`Name of ${floor.name}`" />
        <span class="soft">{{ plural(pins.length, 'workplace') }}, {{ seated }} taken</span>
        <template v-if="mayEdit">
          <button type="button" class="text-button" @click="addBeside">New workplace</button>
          <el-upload
            :auto-upload="false"
            :show-file-list="false"
            accept="image/png,image/jpeg,image/gif"
            :disabled="busy"
            :on-change="(file: UploadFile) => void upload(file)"
            ><span class="text-button">{{ plan === undefined ? 'Take a picture of it' : 'Another picture' }}</span>
          </el-upload>
          <button v-if="plan !== undefined" type="button" class="text-button" @click="takeAway(plan.id)">
            Picture away
          </button>
          <button type="button" class="text-button" @click="removeFloor(floor.item)">Floor away</button>
        </template>
      </p>
      <p v-if="Object.keys(faults).length > 0" class="fault" role="alert">{{ Object.values(faults)[0] }}</p>
      <PlanBoard
        ref="board"
        v-model:chosen="chosen"
        :places="pins"
        :picture
        @moved="(item, across, down) => void act((now) => now.moved(item, across, down))"
        @added="(across, down) => void addPlace(across, down)"
        @removed="(item) => void act((now) => now.removed(item))"
      />
      <p v-if="place !== undefined" class="row" data-testid="workplace">
        Room
        <InlineField
          :key="place.item"
          :object
          :path="`workplaces/${place.item}/room`"
          :label="`Room of ${place.item}`"
          :value="place.room"
          holds
          @take="(room) => place !== undefined && setRoom(place.item, room as string | null)"
        />
        taken by
        <ChoiceField
          v-if="mayEdit"
          in-sentence
          :model-value="place.who ?? FREE"
          :options="seats"
          aria-label="Who sits there"
          @update:model-value="(who) => place !== undefined && seat(place, who)"
        />
        <span v-else>{{ place.who == null ? 'nobody' : names.of(place.who) }}</span>
        <button v-if="mayEdit" type="button" class="text-button" @click="remove(place.item)">Workplace away</button>
      </p>
      <p v-else-if="mayEdit" class="soft">
        Two clicks on the plan make a workplace there; a pin is dragged, or moved with the arrows.
      </p>
      <p v-if="seating.unplaced.length > 0" class="soft">
        On no plan: {{ plural(seating.unplaced.length, 'person', 'people') }},
        {{
          seating.unplaced
            .slice(0, 6)
            .map((each) => names.of(each.ref))
            .join(', ')
        }}{{ seating.unplaced.length > 6 ? ' and others' : '' }}.
      </p>
    </template>
  </section>
</template>

<style scoped>
h3 {
  margin: 18px 0 4px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  padding: 3px 0;
}

.name {
  width: 140px;
}

.here {
  color: var(--ink);
  font-weight: 600;
}
</style>
