<script setup lang="ts">
import { graphlib, layout } from '@dagrejs/dagre'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { BookObject, CallMap } from '@/api'
import { outcomeInWords } from '@/shared'
import { chapterOfKind } from '../chapters'
import { useDesk } from '../desk'

/**
 * Where calls of one kind of time can go, left to right, laid out by itself. Read-only: choosing a node opens its
 * sheet.
 */
const props = defineProps<{ map: CallMap; run: number; label: string; hours: number }>()

const { customer, names } = useDesk()
const router = useRouter()

const HEIGHT = 26
const LETTER = 7.2
/** Labels of an arrow beyond these are counted. */
const MOST_LABELS = 3

function nameOf(node: { id: string; object: string | null; people: number }): string {
  if (node.id.startsWith('people ')) return `one of ${node.people} people`
  if (node.object !== null) return names.value.of(node.object)
  return outcomeInWords(node.id.split(' ')[1] ?? '')
}

function labelOf(labels: string[]): string {
  return labels.length <= MOST_LABELS ? labels.join(', ') : `${labels.slice(0, MOST_LABELS).join(', ')} …`
}

const drawn = computed(() => {
  const graph = new graphlib.Graph()
  graph.setGraph({ rankdir: 'LR', nodesep: 10, ranksep: 40, marginx: 6, marginy: 8 })
  graph.setDefaultEdgeLabel(() => ({}))
  for (const node of props.map.nodes)
    graph.setNode(node.id, { width: Math.max(50, nameOf(node).length * LETTER + 18), height: HEIGHT })
  for (const arrow of props.map.arrows)
    graph.setEdge(arrow.from, arrow.to, { width: labelOf(arrow.labels).length * 6, height: 14, labelpos: 'c' })
  layout(graph)
  const frame = graph.graph() as { width?: number; height?: number }
  return {
    width: Math.ceil(frame.width ?? 0),
    height: Math.ceil(frame.height ?? 0),
    nodes: props.map.nodes.map((node) => ({
      ...node,
      name: nameOf(node),
      box: graph.node(node.id) as { x: number; y: number; width: number },
    })),
    arrows: props.map.arrows.map((arrow) => ({
      ...arrow,
      words: labelOf(arrow.labels),
      line: graph.edge(arrow.from, arrow.to) as { points: { x: number; y: number }[]; x?: number; y?: number },
    })),
  }
})

function path(points: { x: number; y: number }[]): string {
  return points.map((point, index) => `${index === 0 ? 'M' : 'L'}${point.x.toFixed(1)} ${point.y.toFixed(1)}`).join(' ')
}

function open(object: string | null): void {
  if (object === null || object.startsWith('outside:')) return
  void router.push({
    name: 'desk',
    params: { customer, chapter: chapterOfKind(object.slice(0, object.indexOf(':')) as BookObject['kind']) },
    query: { at: object },
  })
}
</script>

<template>
  <section class="lane" :aria-label="`Call map, ${label}`">
    <h4 class="soft">{{ label }} · {{ hours.toLocaleString('en-GB') }} h a year</h4>
    <div class="frame">
      <svg
        :style="{ width: `min(100%, ${drawn.width}px)`, minWidth: `${Math.round(drawn.width * 0.6)}px` }"
        :viewBox="`0 0 ${drawn.width} ${drawn.height}`"
      >
        <defs>
          <marker :id="`tip${run}`" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
            <path d="M0 0L8 4L0 8z" class="tip" />
          </marker>
        </defs>
        <g v-for="arrow in drawn.arrows" :key="`${arrow.from} ${arrow.to}`">
          <path :d="path(arrow.line.points)" class="arrow" :marker-end="`url(#tip${run})`">
            <title>{{ arrow.labels.join(', ') }}</title>
          </path>
          <text
            v-if="arrow.words !== '' && arrow.line.x !== undefined"
            :x="arrow.line.x"
            :y="(arrow.line.y ?? 0) - 3"
            class="label"
          >
            {{ arrow.words }}
          </text>
        </g>
        <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
        <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
        <g
          v-for="node in drawn.nodes"
          :key="node.id"
          :class="['node', node.sort]"
          :role="node.object === null ? undefined : 'link'"
          :tabindex="node.object === null ? undefined : 0"
          :aria-label="node.object === null ? undefined : `Open ${node.name}`"
          @click="open(node.object)"
          @keydown.enter="open(node.object)"
        >
          <rect
            :x="node.box.x - node.box.width / 2"
            :y="node.box.y - HEIGHT / 2"
            :width="node.box.width"
            :height="HEIGHT"
            rx="2"
          />
          <text :x="node.box.x" :y="node.box.y + 4.5" class="name">{{ node.name }}</text>
        </g>
      </svg>
    </div>
    <details class="soft small">
      <summary>as a table</summary>
      <table>
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">When</th>
            <th scope="col">To</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="arrow in drawn.arrows" :key="`${arrow.from} ${arrow.to}`">
            <td>{{ names.of(arrow.from) }}</td>
            <td>{{ arrow.labels.join(', ') }}</td>
            <td>{{ drawn.nodes.find((node) => node.id === arrow.to)?.name }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </section>
</template>

<style scoped>
.lane {
  padding: 8px 0;
  border-top: 1px solid var(--rule-soft);
}

h4 {
  margin: 0;
  font: 13px/1.5 var(--sans);
}

.frame {
  overflow-x: auto;
}

svg {
  display: block;
  height: auto;
}

.arrow {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
}

.tip {
  fill: var(--ink-soft);
}

.label {
  fill: var(--ink-soft);
  font: 11px var(--sans);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}

.node {
  cursor: pointer;
}

.node rect {
  fill: var(--sheet);
  stroke: var(--ink-soft);
}

.node .name {
  fill: var(--ink);
  font: 13px var(--sans);
  text-anchor: middle;
}

.node:is(.user, .person) rect {
  fill: var(--teal);
  stroke: var(--teal);
}

.node:is(.user, .person) .name {
  fill: var(--sheet);
}

.node:is(.menu, .group, .attendant) rect {
  stroke: var(--teal);
  stroke-width: 1.5;
}

.node.mailbox rect {
  stroke: var(--plum);
  stroke-width: 2;
  stroke-dasharray: 5 2;
}

.node.outside rect {
  stroke: var(--ochre);
  stroke-width: 2;
  stroke-dasharray: 2 2;
}

.node.released rect {
  fill: var(--shade);
}

.node.lost rect {
  stroke: var(--red);
  stroke-width: 2;
}

.node.lost .name {
  fill: var(--red);
}
</style>
