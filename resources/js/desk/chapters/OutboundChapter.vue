<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { client, take, type ObjectOf, type RouteClaims } from '@/api'
import { EmptyState, ErrorState, plural } from '@/shared'
import AllFields from '../AllFields.vue'
import CopyObject from '../CopyObject.vue'
import { useDesk, useDraft } from '../desk'
import { typeAt } from '../catalogue'
import { useCallRecords } from '../callRecords'
import NewObject from '../NewObject.vue'
import { useSelected } from '../selection'
import SheetGrid from '../sheet/SheetGrid.vue'
import DialTester from './DialTester.vue'
import DigitBuilder from './DigitBuilder.vue'
import SampleTable from './SampleTable.vue'

/** Trunks, routes in the order they are tried, what each lets through, and what becomes of dialled digits. */
const { customer, names } = useDesk()
const { edit, make } = useDraft()
const { selected: pointed, select } = useSelected('trunk', 'route')
const address = useRoute()
const digits = ref('')
/** As the calls of three months came. */
const { records } = useCallRecords(90)
const wrongForms = computed(() =>
  (records.data.value?.forms ?? []).flatMap((form) =>
    form.instead === null ? [] : [{ ...form, instead: form.instead }],
  ),
)
const isMaking = ref(false)
const FORMS = typeAt('trunk', 'deliversAs').choices ?? {}

const trunks = computed(() => names.value.all('trunk'))
/** As they are asked: those for emergency calls before all others. */
const routes = computed(() =>
  names.value
    .all('route')
    .sort(
      (one, other) =>
        Number(other.fields.emergency) - Number(one.fields.emergency) || one.fields.position - other.fields.position,
    ),
)
/** Routes are what one comes for: the first, until something is chosen. */
const selected = computed(() =>
  address.query['at'] === undefined ? (routes.value[0] ?? pointed.value) : pointed.value,
)
const route = computed(() => (selected.value?.kind === 'route' ? selected.value : undefined))

const outbound = useQuery({
  queryKey: ['computed', customer, 'outbound'],
  queryFn: () => take(client.GET('/customers/{customer}/outbound', { params: { path: { customer } } })),
  placeholderData: keepPreviousData,
})
const claims = computed(() => new Map((outbound.data.value?.routes ?? []).map((each) => [each.route, each])))
const struck = computed(() =>
  [...claims.value.values()].filter((each) => each.shadowedBy.length > 0).map((each) => each.route),
)

function lengths(each: RouteClaims): string {
  if (!each.isKnown) return ''
  if (each.shortest === null) return 'nothing'
  const many =
    each.most === null
      ? `${each.least} digits or more`
      : each.least === each.most
        ? plural(each.least, 'digit')
        : `${each.least} to ${each.most} digits`
  return `${many}, such as ${each.shortest}`
}

/** What is wrong with it. */
function faultsOf(each: RouteClaims): string[] {
  const of = (refs: string[]): string => refs.map((ref) => names.value.of(ref)).join(' and ')
  return [
    ...(each.isKnown ? [] : ['not known: the digits are too intricate to be looked through']),
    ...(each.shadowedBy.length > 0
      ? [`never used: ${of(each.shadowedBy)} ${each.shadowedBy.length === 1 ? 'takes' : 'take'} all of it`]
      : []),
    ...(each.help.length === 0 ? [] : [`whoever dials ${each.help.join(' or ')} and goes on has called for help`]),
    ...(each.cutShort === null ? [] : [`${each.cutShort} is cut short`]),
  ]
}

function few(all: string[]): string {
  return all.length > 3 ? `${all.slice(0, 2).join(', ')} and ${all.length - 2} more short numbers` : all.join(' or ')
}

/** What to know of it. */
function remarks(each: RouteClaims): string[] {
  return [
    ...(each.shadowedBy.length > 0
      ? []
      : each.overlaps.map((overlap) => `${names.value.of(overlap.route)} takes ${overlap.digits} before it`)),
    ...(each.shortCodes.length === 0 ? [] : [`whoever dials ${few(each.shortCodes)} waits`]),
    ...(each.extensions.length === 0 ? [] : [`extension ${each.extensions[0] ?? ''} begins so`]),
  ]
}

function partsOf(route: ObjectOf<'route'>, each: RouteClaims): { text: string; isFault?: boolean }[] {
  const through = [route.fields.emergency ? 'emergency calls, before all others' : '', lengths(each)]
  return [
    { text: through.filter((part) => part !== '').join(': ') },
    ...faultsOf(each).map((text) => ({ text, isFault: true })),
    ...remarks(each).map((text) => ({ text })),
  ].filter((part) => part.text !== '')
}

async function makeRoute(route: {
  name: string
  digits: string
  strip: number
  class: string
  emergency: boolean
}): Promise<void> {
  const last = Math.max(0, ...routes.value.map((each) => each.fields.position))
  const [ref] = await make([
    {
      kind: 'route',
      name: route.name,
      fields: { ...route, position: last + 1, trunks: trunks.value.slice(0, 1).map((each) => each.ref) },
    },
  ])
  if (ref === undefined) return
  isMaking.value = false
  select(ref)
}

function setDigits(made: { digits: string; strip: number; class: string }): void {
  if (route.value === undefined) return
  const object = route.value.ref
  void edit([
    { object, path: 'digits', value: made.digits },
    { object, path: 'strip', value: made.strip },
    { object, path: 'class', value: made.class },
  ])
}
</script>

<template>
  <div v-if="!outbound.isPending.value">
    <DialTester v-model="digits" :trunks />
    <ErrorState v-if="outbound.error.value !== null" :error="outbound.error.value" @again="outbound.refetch()" />
    <h2>Routes, in the order they are asked</h2>
    <EmptyState v-if="routes.length === 0" title="No route: nobody can call out, not even for help"
      >Make one for emergency calls first.</EmptyState
    >
    <SheetGrid v-else kind="route" :objects="routes" :selected="route?.ref" :struck @select="select" />
    <dl
      v-if="claims.size > 0"
      class="claims small"
      aria-label="What each route lets through"
      data-testid="lets-through"
    >
      <template v-for="each in routes" :key="each.ref">
        <template v-if="claims.get(each.ref) !== undefined">
          <dt>{{ each.label }} lets through</dt>
          <dd :class="{ soft: each.ref !== route?.ref }">
            <span
              v-for="part in partsOf(each, claims.get(each.ref)!)"
              :key="part.text"
              :class="{ wrong: part.isFault }"
              >{{ part.text }}</span
            >
          </dd>
        </template>
      </template>
    </dl>
    <p class="acts">
      <button v-if="!isMaking" type="button" class="quiet-button" @click="isMaking = true">Another route</button>
    </p>
    <DigitBuilder v-if="isMaking" named @made="makeRoute" @left="isMaking = false" />
    <details v-else-if="route !== undefined" :key="route.ref" class="builder">
      <summary>Say the digits of {{ route.label }} in plain words</summary>
      <DigitBuilder @made="setDigits" />
    </details>
    <SampleTable
      v-if="outbound.data.value !== undefined"
      :samples="outbound.data.value.samples"
      @dial="digits = $event"
    />
    <h2>Trunks</h2>
    <EmptyState v-if="trunks.length === 0" title="No trunk: no route leads anywhere" />
    <SheetGrid
      v-else
      kind="trunk"
      :objects="trunks"
      :selected="selected?.kind === 'trunk' ? selected.ref : undefined"
      @select="select"
    />
    <NewObject kind="trunk" @made="select" />
    <p v-if="selected?.kind === 'trunk'" class="acts">
      <CopyObject :object="selected" @made="select" />
      {{ ' ' }}
      <span class="soft">A trunk that is not wanted any more is switched off, so that its routes say so.</span>
    </p>
    <AllFields
      v-if="selected !== undefined"
      :key="selected.ref"
      :object="selected"
      :removable="selected.kind === 'route'"
    />
    <!-- Last, as it comes later: nothing below it jumps. -->
    <p v-for="form in wrongForms" :key="form.trunk" class="form" data-testid="number-form">
      {{ plural(form.calls, 'call') }} came by {{ names.of(form.trunk) }} as
      <span class="mono">{{ form.example }}</span>, and it says numbers come {{ FORMS[form.says] }}.
      <button
        type="button"
        class="text-button"
        @click="edit([{ object: form.trunk, path: 'deliversAs', value: form.instead }])"
      >
        Say {{ FORMS[form.instead] }}
      </button>
    </p>
  </div>
</template>

<style scoped>
h2 {
  margin-top: 20px;
}

.claims {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 2px 16px;
  margin: 8px 0 0;
}

.claims dd {
  margin: 0;
}

.claims span + span::before {
  color: var(--ink-soft);
  content: '; ';
}

.wrong {
  color: var(--red);
}

.form {
  padding-top: 8px;
  color: var(--buoy);
}

.acts {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding-top: 8px;
}

.builder summary {
  color: var(--ink-soft);
  cursor: pointer;
}
</style>
