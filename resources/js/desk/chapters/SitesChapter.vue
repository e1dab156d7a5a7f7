<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import type { SiteView } from '@/api'
import { age, EmptyState, ErrorState, LoadingLines, plural, useNow } from '@/shared'
import AllFields from '../AllFields.vue'
import { useDesk } from '../desk'
import NewObject from '../NewObject.vue'
import { shareOf } from '../presence'
import { useSelected } from '../selection'
import SheetGrid from '../sheet/SheetGrid.vue'
import StateMark from '../StateMark.vue'
import SitePlace from './SitePlace.vue'
import WorkingElsewhere from './WorkingElsewhere.vue'

/** Where a customer is: all places with what proves each, the one in view in full, and all of them as a sheet. */
const { queries, names } = useDesk()
const now = useNow()
const { all, selected, select } = useSelected('site')
const sites = useQuery(queries.sites)
const known = computed(() => new Map((sites.data.value ?? []).map((each) => [each.ref, each])))
const shown = computed(() => (selected.value === undefined ? undefined : known.value.get(selected.value.ref)))

type State = readonly [shape: 'dot' | 'half' | 'open' | 'diamond', said: string, at?: string]

function complete({ missing }: SiteView): State {
  return missing.length === 0
    ? ['dot', 'all parts']
    : [missing.includes('street') || missing.includes('city') ? 'diamond' : 'half', `${PARTS(missing)} missing`]
}

function checked({ check }: SiteView): State {
  if (check === null) return ['open', 'never']
  if (!check.holds) return ['open', 'changed since', check.at]
  return (
    {
      good: ['dot', 'known', check.at],
      better: ['half', 'written otherwise', check.at],
      unknown: ['diamond', 'not known', check.at],
      noted: ['half', 'noted as a date', check.at],
    } as const
  )[check.verdict]
}

function tested({ test }: SiteView): State {
  if (test === null) return ['open', 'never']
  if (!test.passed) return ['diamond', 'failed', test.at]
  if (test.isNoted) return ['half', 'noted as a date', test.at]
  return test.changed.length > 0 ? ['open', 'open again', test.at] : ['dot', 'passed', test.at]
}

const WORDS: Record<string, string> = { city: 'town', subdivision: 'state or province' }
const PARTS = (missing: string[]): string => missing.map((part) => WORDS[part] ?? part).join(', ')
const address = ({ address: { street, city } }: SiteView): string => [street, city].filter((each) => each).join(', ')

const telephones = useQuery(queries.telephones)
/** How many telephones of those in use are registered; where none is listed, none is meant. */
function there(site: string): string {
  const devices = names.value.all('device').filter((each) => each.fields.site === site)
  if (devices.length === 0) return '—'
  const share = shareOf(devices, telephones.data.value)
  return share === undefined ? `${devices.length}, not known` : `${share.there} of ${share.all}`
}

const proven = computed(
  () => (sites.data.value ?? []).filter((each) => checked(each)[0] === 'dot' && tested(each)[0] === 'dot').length,
)
</script>

<template>
  <EmptyState v-if="all.length === 0" title="No sites in this book"
    >Type the name of the first below: calls for help are sent where it is.</EmptyState
  >
  <template v-else>
    <ErrorState v-if="sites.isError.value" :error="sites.error.value" @again="sites.refetch()" />
    <LoadingLines v-else-if="sites.data.value === undefined" what="the sites" />
    <template v-else>
      <p>
        <strong v-if="proven === sites.data.value.length">{{
          proven === 1 ? 'The address is known, and help was tried from there.' : `All ${proven} are known and tried.`
        }}</strong>
        <template v-else
          ><strong>Not all is proven.</strong> Of {{ plural(sites.data.value.length, 'address', 'addresses') }}
          {{ proven === 0 ? 'none is' : proven === 1 ? 'one is' : `${proven} are` }} known to the carrier and tried by a
          call for help.</template
        >
      </p>
      <table class="lines" data-testid="sites">
        <thead>
          <tr>
            <th scope="col">Site</th>
            <th scope="col">Address</th>
            <th scope="col">Complete</th>
            <th scope="col">At the carrier</th>
            <th scope="col">Test call</th>
            <th scope="col" class="figure">People</th>
            <th scope="col" class="figure">Told</th>
            <th scope="col" class="figure">Telephones</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in sites.data.value" :key="each.ref" :class="{ here: each.ref === selected?.ref }">
            <th scope="row">
              <button
                type="button"
                class="text-button"
                :aria-current="each.ref === selected?.ref ? 'true' : undefined"
                @click="select(each.ref)"
              >
                {{ each.name }}
              </button>
            </th>
            <td class="address">{{ address(each) }}</td>
            <td v-for="([shape, said, at], column) in [complete(each), checked(each), tested(each)]" :key="column">
              <StateMark :shape /> {{ said }}
              <span v-if="at !== undefined" class="soft">{{ age(at, now) }}</span>
            </td>
            <td class="figure mono">{{ each.people.length }}</td>
            <td class="figure" :class="{ fault: each.told.length === 0 }">
              {{ each.told.length === 0 ? 'nobody' : each.told.length }}
            </td>
            <td class="figure">{{ there(each.ref) }}</td>
          </tr>
        </tbody>
      </table>
      <SitePlace
        v-if="shown !== undefined && selected !== undefined"
        :key="shown.ref"
        :site="shown"
        :object="selected"
      />
    </template>
    <WorkingElsewhere />
    <template v-if="!sites.isPending.value">
      <h2>As a sheet</h2>
      <SheetGrid kind="site" :objects="all" :selected="selected?.ref" @select="select" />
    </template>
  </template>
  <!-- Once all is there: nothing below it jumps. -->
  <template v-if="!sites.isPending.value">
    <NewObject kind="site" @made="select" />
    <AllFields v-if="selected !== undefined" :key="selected.ref" :object="selected" removable />
  </template>
</template>

<style scoped>
.lines {
  width: 100%;
  max-width: 1000px;
}

/* A long address wraps before anything that is short. */
[data-testid='sites'] td:not(.address) {
  white-space: nowrap;
}

tbody th {
  border-bottom: 1px solid var(--rule-soft);
  font-size: inherit;
}

.lines tr.here {
  background: var(--here, var(--rule-soft));
}

.figure {
  text-align: right;
}

h2 {
  margin-top: 24px;
}
</style>
