<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, detailOf, take } from '@/api'
import { age, EmptyState, plural, useAttempt, useNow } from '@/shared'
import AllFields from '../AllFields.vue'
import CopyObject from '../CopyObject.vue'
import { useDesk, useDraft, type Edit } from '../desk'
import { useHalfTyped } from '../halfTyped'
import InlineField from '../InlineField.vue'
import NewObject from '../NewObject.vue'
import { pastedPeople, peopleMeant } from '../people'
import { useSelected } from '../selection'
import SheetGrid from '../sheet/SheetGrid.vue'
import StateMark from '../StateMark.vue'
import { presenceOf } from '../presence'
import KeyPlan from './KeyPlan.vue'
import PresenceBoard from './PresenceBoard.vue'

/** Telephones: which there are, whose each is, what its keys do; the one in view in full. */
const { customer, names, queries, mayEdit, notice } = useDesk()
const { edit } = useDraft()
const queryClient = useQueryClient()
const { faults, attempt } = useAttempt()
const now = useNow()
const { all, selected, select } = useSelected('device')

/** Asked again while the chapter is open: a telephone that is plugged in turns green by itself. */
const ASKED_EVERY = 4000
const telephones = useQuery({ ...queries.telephones, refetchInterval: ASKED_EVERY })
const models = computed(() => telephones.data.value?.models ?? [])
const model = computed(() => models.value.find((each) => each.key === selected.value?.fields.model))
const modelField = computed(() => ({
  type: 'choice' as const,
  choices: Object.fromEntries(models.value.map((each) => [each.key, each.name])),
  unset: 'not said',
}))
const heard = computed(() => telephones.data.value?.heard?.find((each) => each.device === selected.value?.ref))
const state = computed(() =>
  selected.value === undefined
    ? (['open', ''] as const)
    : presenceOf(selected.value, telephones.data.value, (at) => age(at, now.value)),
)
const secret = computed(() => telephones.data.value?.secrets[selected.value?.ref ?? ''])
/** The one before lets nobody in once the switch was told the new one. */
const renew = (): Promise<void> =>
  attempt(async () => {
    const told = await take(
      client.POST('/customers/{customer}/telephones/{device}/secret', {
        params: { path: { customer, device: selected.value?.key ?? '' } },
      }),
    )
    queryClient.setQueryData(queries.telephones.queryKey, told)
    void queryClient.invalidateQueries({ queryKey: queries.live.queryKey })
  })
const spare = computed(() => all.value.filter((each) => each.fields.status === 'spare').length)

const lines = computed(() => selected.value?.fields.lines ?? [])
const typed = useHalfTyped(customer, 'line of a telephone', '')
async function addLines(said: string[]): Promise<void> {
  const device = selected.value
  if (device === undefined || said.every((each) => each.trim() === '')) return
  const meant = await peopleMeant(customer, said, false).catch((error: unknown) => {
    // Where the server cannot be asked, all of it stays in the line.
    typed.value = said.join('; ')
    notice.value = { text: detailOf(error), isFault: true }
    return undefined
  })
  if (meant === undefined) return
  const { found, left } = meant
  const fresh = [...new Set(found)].filter((user) => !lines.value.some((line) => line.user === user))
  typed.value = left.join(', ')
  if (fresh.length > 0) await ring([...lines.value, ...fresh.map((user) => ({ user }))], fresh)
  if (left.length > 0)
    notice.value = { text: `Nobody here is called ${left.map((each) => `"${each}"`).join(', ')}.`, isFault: true }
}

/** Who gets a line of it gets it as a desk telephone that rings, unless they have it already. */
async function ring(next: { item?: string; user: string }[], fresh: string[]): Promise<void> {
  const device = selected.value
  if (device === undefined) return
  const legs = fresh.flatMap((ref): Edit[] => {
    const user = names.value.as('user', ref)
    if (user === undefined || user.fields.legs.some((leg) => leg.device === device.ref)) return []
    const bare = user.fields.legs.find((leg) => leg.kind === 'desk' && leg.device === null && leg.hardware === null)
    return bare === undefined
      ? [{ object: ref, path: 'legs', value: [...user.fields.legs, { kind: 'desk', device: device.ref }] }]
      : [{ object: ref, path: `legs/${bare.item}/device`, value: device.ref }]
  })
  await edit([{ object: device.ref, path: 'lines', value: next }, ...legs])
}

/** Whose line goes rings at it no more. */
function takeLine(item: string): void {
  const device = selected.value
  const gone = lines.value.find((line) => line.item === item)
  if (device === undefined || gone === undefined) return
  const legs =
    names.value
      .as('user', gone.user)
      ?.fields.legs.flatMap((leg) =>
        leg.device === device.ref ? [{ object: gone.user, path: `legs/${leg.item}/device`, value: null }] : [],
      ) ?? []
  void edit([{ object: device.ref, path: 'lines', value: lines.value.filter((line) => line.item !== item) }, ...legs])
}

function paste(event: ClipboardEvent): void {
  const said = pastedPeople(event)
  if (said === undefined) return
  event.preventDefault()
  void addLines(said)
}

/** Where it stands, of the workplaces of its site. */
const workplaces = computed(() => {
  const site = names.value.as('site', selected.value?.fields.site)
  return Object.fromEntries(
    (site?.fields.workplaces ?? []).map((place) => [
      place.item,
      [site?.fields.floors.find((floor) => floor.item === place.floor)?.name, place.room ?? place.item]
        .filter((each) => each !== undefined)
        .join(', '),
    ]),
  )
})
</script>

<template>
  <EmptyState v-if="all.length === 0" title="No telephone in this book"
    >Type a name below, or paste a list of names: what stands on desks, in halls and in the cupboard.</EmptyState
  >
  <template v-else>
    <p class="soft">{{ plural(all.length, 'telephone') }}, {{ spare }} of them spare.</p>
    <PresenceBoard :devices="all" :told="telephones.data.value" @select="select" />
    <SheetGrid kind="device" :objects="all" :selected="selected?.ref" @select="select" />
  </template>
  <NewObject kind="device" @made="select" />
  <section v-if="selected !== undefined" :key="selected.ref" class="one" :aria-label="selected.label">
    <div class="head">
      <h2>{{ selected.label }}</h2>
      <p class="how">
        Model <InlineField :object="selected" path="model" :type="modelField" label="Model" /> Address
        <InlineField :object="selected" path="hardware" label="Hardware address" /> Status
        <InlineField :object="selected" path="status" label="Status" />
        <template v-if="Object.keys(workplaces).length > 0">
          Stands at
          <InlineField
            :object="selected"
            path="workplace"
            :type="{ type: 'choice', choices: workplaces }"
            label="Workplace"
          />
        </template>
      </p>
    </div>
    <p data-testid="presence-of">
      <StateMark :shape="state[0]" /> {{ state[1]
      }}<template v-if="heard?.address"
        >, at <span class="mono">{{ heard.address }}</span></template
      ><template v-if="heard?.firmware">, program {{ heard.firmware }}</template>
      <span v-if="secret !== undefined" class="soft">
        · secret made {{ age(secret.on, now) }}{{ secret.isSent ? '' : ', not told to the switch yet' }}</span
      >
      <span v-else-if="selected.fields.hardware !== null" class="soft"> · its secret is made by the push</span>
      <button v-if="mayEdit && secret !== undefined" type="button" class="text-button renew" @click="renew">
        Make another secret
      </button>
    </p>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <h3>Whose calls ring at it</h3>
    <ul class="owners" data-testid="owners">
      <li v-for="line in lines" :key="line.item">
        <span class="mono soft">{{ names.get(line.user)?.extension ?? '—' }}</span> {{ names.of(line.user) }}
        <button
          v-if="mayEdit"
          type="button"
          class="text-button"
          :aria-label="`take out ${names.of(line.user)}`"
          @click="takeLine(line.item)"
        >
          take out
        </button>
      </li>
    </ul>
    <form v-if="mayEdit" @submit.prevent="addLines(typed.split(';'))">
      <el-input
        v-model="typed"
        class="lined"
        aria-label="Whose calls ring at it"
        :placeholder="
          lines.length === 0 ? 'type a name or extension' : 'another whose calls ring here: a name or extension'
        "
        autocomplete="off"
        @paste="paste"
      />
    </form>
    <KeyPlan v-if="model !== undefined" :device="selected" :model />
    <p v-else-if="telephones.isSuccess.value" class="soft">
      {{
        selected.fields.model === null
          ? 'Choose its model, and its keys can be laid out.'
          : `Of “${selected.fields.model}” nobody knows which keys it has: choose a model of the list.`
      }}
    </p>
    <p v-else-if="telephones.isError.value" class="fault" role="alert">
      What models there are could not be asked, so keys are not shown.
    </p>
    <p class="acts"><CopyObject :object="selected" @made="select" /></p>
    <AllFields :object="selected" removable />
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

.owners {
  margin: 0;
  padding: 0;
  list-style: none;
}

.owners li {
  padding: 2px 0;
}

.acts {
  padding: 8px 0;
}

.renew {
  margin-left: 10px;
}

h3 {
  margin-top: 14px;
}
</style>
