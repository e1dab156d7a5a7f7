<script setup lang="ts">
import type { Outbound } from '@/api'
import { useDesk } from '../desk'

/** Sample numbers by calling class: which route takes each, at a glance. */
const { samples } = defineProps<{ samples: Outbound['samples'] }>()
const emit = defineEmits<{ dial: [digits: string] }>()

type Cell = Outbound['samples'][number]['classes'][number]

const { names } = useDesk()

function said(cell: Cell): string {
  if (cell.end === 'inside') return 'inside'
  if (cell.route === null) return '—'
  return names.value.of(cell.route) + (cell.asksPin ? ', PIN' : '')
}

/** A mistake that goes out all the same, and is paid for. */
function isBad(kind: string, cell: Cell): boolean {
  return kind === 'misdialled' && cell.end === 'outside'
}

function isRisky(kind: string, cell: Cell): boolean {
  return kind === 'premium' && cell.end === 'outside'
}
</script>

<template>
  <section v-if="samples.length > 0">
    <h2>What can be dialled, by class</h2>
    <table data-testid="samples">
      <thead>
        <tr>
          <th scope="col">A number that is</th>
          <th scope="col">Dialled as</th>
          <th v-for="each in samples[0]?.classes" :key="each.class" scope="col">{{ each.class }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="sample in samples" :key="sample.said">
          <th scope="row">{{ sample.said }}</th>
          <td>
            <button
              type="button"
              class="text-button mono"
              :aria-label="`Dial ${sample.digits}`"
              @click="emit('dial', sample.digits)"
            >
              {{ sample.digits }}
            </button>
          </td>
          <td
            v-for="cell in sample.classes"
            :key="cell.class"
            :class="{
              soft: cell.route === null && cell.end !== 'inside',
              bad: isBad(sample.kind, cell),
              risky: isRisky(sample.kind, cell),
              help: cell.end === 'emergency',
            }"
            :title="cell.reason"
          >
            {{ said(cell) }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 20px;
}

th[scope='row'] {
  border-bottom: 1px solid var(--rule-soft);
  color: var(--ink);
  font-size: inherit;
  font-weight: 400;
  text-align: left;
}

td,
th {
  padding-block: 3px;
}

.bad {
  color: var(--red);
}

.risky {
  color: var(--ochre);
}

.help {
  color: var(--teal);
  font-weight: 600;
}
</style>
