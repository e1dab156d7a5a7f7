<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SiteView } from '@/api'
import { count, dateThere, figure as inFigures, plural } from '@/shared'
import { useDesk } from '../desk'
import LineForm from './LineForm.vue'

/** A site's line as it was measured, each figure against what the calls from there need. */
const { site, zone } = defineProps<{ site: SiteView; zone: string }>()
const emit = defineEmits<{ done: [sites: SiteView[]] }>()

const { mayEdit } = useDesk()
const isMeasuring = ref(false)
const measured = computed(() => site.line.measured)

type Figure = NonNullable<SiteView['line']['measured']>['figures'][number]
const FIGURES = {
  down: ['Comes down', 'least'],
  up: ['Goes up', 'least'],
  roundTrip: ['There and back', 'most'],
  jitter: ['Jitter', 'most'],
  loss: ['Loss', 'most'],
} as const

/** Bandwidths are told as lines are sold, in Mbit/s. */
function said(what: Figure['what'], value: number): string {
  if (what === 'down' || what === 'up') return `${inFigures(value / 1000)} Mbit/s`
  return `${inFigures(value)} ${what === 'loss' ? '%' : 'ms'}`
}

const VERDICTS = {
  true: 'It carries its calls.',
  false: 'It does not carry its calls.',
  null: 'Whether it carries its calls is not known.',
}
const verdict = computed(() => VERDICTS[`${measured.value?.passes ?? null}`])
/** Why as many calls at once. */
const why = computed(() => {
  const { calls, said: expected, busiest } = measured.value ?? { calls: 0, said: null, busiest: null }
  if (calls === expected) return 'as expected'
  if (calls === busiest) return 'the most in the calls of the month before'
  return 'as many as are of one group here'
})
const answer = (is: boolean | null): string => (is === null ? 'not looked at' : is ? 'yes' : 'no')
</script>

<template>
  <section data-testid="line">
    <h3>The line</h3>
    <template v-if="measured === null">
      <p>
        It was never measured.
        <template v-if="site.line.ringing > 0"
          >{{ plural(site.line.ringing, 'call', 'calls') }} at once {{ site.line.ringing === 1 ? 'takes' : 'take' }},
          each way:
          <template v-for="(each, place) in site.line.usual" :key="place"
            ><template v-if="place > 0">; </template>{{ each.codec }} at {{ each.packetMs }} ms
            <span class="mono">{{ count(Math.round(site.line.ringing * each.kbit)) }} kbit/s</span></template
          >.</template
        >
      </p>
    </template>
    <template v-else>
      <p>
        <strong :class="{ fault: measured.passes === false }">{{ verdict }}</strong> {{ measured.by }} measured
        {{ dateThere(measured.at, zone) }}. {{ plural(measured.calls, 'call', 'calls') }} at once, {{ why }}, in
        {{ measured.codec }} at {{ measured.packetMs }} ms:
        <span class="mono">{{ count(Math.round(measured.needed)) }} kbit/s</span> each way.
        <template v-if="measured.note !== ''">{{ measured.note }}</template>
      </p>
      <table class="figures">
        <thead>
          <tr>
            <th v-for="figure in measured.figures" :key="figure.what" scope="col">{{ FIGURES[figure.what][0] }}</th>
            <th scope="col">Own network</th>
            <th scope="col">Without mains</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td v-for="figure in measured.figures" :key="figure.what" :class="{ fault: figure.passes === false }">
              <span v-if="figure.is === null" class="soft">not measured</span>
              <span v-else class="mono">{{ said(figure.what, figure.is) }}</span>
              <span class="soft limit">at {{ FIGURES[figure.what][1] }} {{ said(figure.what, figure.limit) }}</span>
            </td>
            <td :class="{ soft: measured.ownNetwork === null }">{{ answer(measured.ownNetwork) }}</td>
            <td :class="{ soft: measured.backup === null }">{{ answer(measured.backup) }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <p v-if="mayEdit && !isMeasuring" class="acts">
      <button type="button" class="quiet-button" @click="isMeasuring = true">Record a measurement</button>
    </p>
    <LineForm v-if="isMeasuring" :site :zone @done="emit('done', $event)" @close="isMeasuring = false" />
  </section>
</template>

<style scoped>
h3 {
  margin: 18px 0 4px;
}

.figures {
  width: 100%;
}

.figures th {
  font-weight: 400;
}

.figures td {
  white-space: nowrap;
}

.limit {
  display: block;
}

.acts {
  padding: 8px 0;
}
</style>
