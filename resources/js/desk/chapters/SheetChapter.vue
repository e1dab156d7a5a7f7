<script setup lang="ts">
import { computed } from 'vue'
import { EmptyState, kindsInWords } from '@/shared'
import AllFields from '../AllFields.vue'
import type { Chapter } from '../chapters'
import NewObject from '../NewObject.vue'
import NewNumbers from './NewNumbers.vue'
import NumberPane from './NumberPane.vue'
import ShownElsewhere from './ShownElsewhere.vue'
import PortOrders from '../PortOrders.vue'
import CallsMade from '../CallsMade.vue'
import PinKeeper from '../PinKeeper.vue'
import { useSelected } from '../selection'
import SheetGrid from '../sheet/SheetGrid.vue'
import { columnsOf } from '../columns'
import { useDesk } from '../desk'

/** A chapter that is one sheet: all objects of a kind as lines of a spreadsheet, and every field of the one in view. */
const props = defineProps<{ chapter: Chapter; zone: string }>()

const { names, mayEdit } = useDesk()
const kind = props.chapter.kinds[0] ?? 'number'
const { all, selected, select } = useSelected(...props.chapter.kinds)

const lines = computed(() => all.value.filter((object) => object.kind === kind))
/** Kinds of the chapter that are no lines of its sheet. */
const others = computed(() => all.value.filter((object) => object.kind !== kind && columnsOf(object.kind).length === 0))
/** Numbers come from stock; a customer is taken on. */
const made = kind === 'number' || kind === 'tenant' || kind === 'promise' ? undefined : kind
const mayMake = computed(() => made !== undefined)
const selectedNumber = computed(() => (selected.value?.kind === 'number' ? selected.value : undefined))
</script>

<template>
  <EmptyState v-if="lines.length === 0" :title="`No ${kindsInWords(kind).many.toLowerCase()} in this book`">{{
    mayMake
      ? 'Type a name below, or paste a list of names.'
      : kind === 'number'
        ? 'Type one below: of our stock, or on its way from another carrier.'
        : 'The template this customer was taken on from makes none.'
  }}</EmptyState>
  <SheetGrid v-else :kind :objects="lines" :selected="selected?.ref" @select="select" />
  <NewObject v-if="made !== undefined" :kind="made" @made="select" />
  <NewNumbers v-else-if="kind === 'number' && mayEdit" @made="select" />
  <PinKeeper
    v-if="chapter.key === 'mailboxes' && lines.length > 0"
    :objects="names.all('mailbox')"
    :selected="selected?.ref"
    :zone
  />
  <p v-if="others.length > 0" class="others soft">
    Also here:
    <button v-for="object in others" :key="object.ref" type="button" class="text-button" @click="select(object.ref)">
      {{ object.label }} ({{ kindsInWords(object.kind).one.toLowerCase() }})
    </button>
  </p>
  <NumberPane v-if="selectedNumber !== undefined" :key="selectedNumber.ref" :number="selectedNumber" />
  <AllFields
    v-if="selected !== undefined"
    :key="selected.ref"
    :object="selected"
    :removable="mayMake || selected.kind === 'number'"
  />
  <ShownElsewhere v-if="kind === 'number'" />
  <!-- Last, as they come from elsewhere and later: nothing below them jumps. -->
  <PortOrders v-if="kind === 'number'" :numbers="names.all('number')" />
  <CallsMade v-if="kind === 'number' && lines.length > 0" by="numbers" />
</template>

<style scoped>
.others {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 14px;
}
</style>
