<script setup lang="ts">
import { computed } from 'vue'
import type { ObjectOf } from '@/api'
import { kindsInWords } from '@/shared'
import AllFields from '../AllFields.vue'
import CopyObject from '../CopyObject.vue'
import { useDesk } from '../desk'
import LedHere from '../LedHere.vue'
import NewObject from '../NewObject.vue'
import PinKeeper from '../PinKeeper.vue'
import { useSelected } from '../selection'
import SheetGrid from '../sheet/SheetGrid.vue'
import FeatureCodes from './FeatureCodes.vue'
import PeopleList from './PeopleList.vue'

/** What people dial that is no call to somebody, lines that several share, and lines without a person. */
const KINDS = ['sharedLine', 'pickUpGroup', 'parkPlace', 'pageZone', 'conference', 'line'] as const
type Kind = (typeof KINDS)[number]

/** What each is, and what never happens to it, for whoever meets it the first time. */
const SAYS: Record<Kind, string> = {
  sharedLine: 'Rings at everybody who shares it, and carries one call at a time.',
  pickUpGroup:
    'Whoever is in it takes up a call that rings at another of it. Nobody else can, and nobody from outside.',
  parkPlace: 'Holds one call until anybody inside takes it up. No call from outside is ever led there.',
  pageZone: 'Its telephones speak what is said. Nobody from outside ever gets to one.',
  conference: 'Whoever enters hears the others; from outside only by a number or a key that leads there.',
  line: 'Fax, alarm, lift, door: it rings, and that is all. It is in no group, never forwarded, and has no mailbox.',
}

const { names, zone } = useDesk()
const { all, selected, select } = useSelected(...KINDS)
const lines = computed(
  () => new Map(KINDS.map((kind) => [kind, all.value.filter((object) => object.kind === kind)] as const)),
)
/** The one in view of a kind; of other kinds nothing is unfolded. */
const chosen = (kind: Kind): ObjectOf<Kind> | undefined => (selected.value?.kind === kind ? selected.value : undefined)
const membersOf = (object: ObjectOf<Kind>): readonly { item: string; who: string }[] | undefined =>
  'members' in object.fields ? object.fields.members : undefined
</script>

<template>
  <FeatureCodes />
  <section v-for="kind in KINDS" :key="kind" class="kind" :data-testid="`feature-${kind}`">
    <h2>{{ kindsInWords(kind).many }}</h2>
    <p class="soft">{{ SAYS[kind] }}</p>
    <SheetGrid
      v-if="(lines.get(kind)?.length ?? 0) > 0"
      :kind
      :objects="lines.get(kind) ?? []"
      :selected="chosen(kind)?.ref"
      @select="select"
    />
    <NewObject :kind @made="select" />
    <div v-for="object in [chosen(kind)].filter((each) => each !== undefined)" :key="object.ref" class="one">
      <h3>{{ object.label }}</h3>
      <PeopleList
        v-if="membersOf(object) !== undefined"
        :object
        :members="membersOf(object) ?? []"
        :label="object.kind === 'pageZone' ? 'Heard at' : 'Members'"
      />
      <PinKeeper v-if="object.kind === 'conference'" :objects="names.all('conference')" :selected="object.ref" :zone />
      <LedHere v-if="object.kind === 'sharedLine' || object.kind === 'conference'" :object />
      <p class="acts"><CopyObject :object @made="select" /></p>
      <AllFields :object removable />
    </div>
  </section>
</template>

<style scoped>
.kind {
  margin-top: 20px;
}

.one {
  margin: 8px 0 0 16px;
}

.acts {
  padding: 4px 0;
}
</style>
