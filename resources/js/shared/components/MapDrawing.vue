<script setup lang="ts">
import { graphlib, layout } from '@dagrejs/dagre'
import { computed } from 'vue'
import { outcomeInWords } from '../outcomes'

interface MapNode {
  id: string
  object: string | null
  sort: string
  people: number
  stands: string[]
}

/**
 * Where calls can go, left to right, laid out by itself and drawn at its own size: what is too wide is moved through,
 * by the arrow keys as well, and never made smaller than can be read.
 */
const { map, run, label, name } = defineProps<{
  map: { nodes: MapNode[]; arrows: { from: string; to: string; labels: string[] }[] }
  /** Tells this drawing's arrow heads from those of another on the page. */
  run: number | string
  label: string
  name: (ref: string) => string
  /** Whether choosing a node opens it. */
  opens?: boolean
  /** Whether it stands among others, and is no higher than a hand. */
  low?: boolean
}>()
const emit = defineEmits<{ open: [object: string] }>()

const HEIGHT = 26
/** Widths of letters, about: of names at 13 px and of labels at 11 px. */
const LETTER = 7.2
const SMALL_LETTER = 6
const SMALL_LINE = 13
/** Labels of an arrow beyond these are counted. */
const MOST_LABELS = 3
/** Letters of a line at an arrow. */
const LINE = 16
/** A longer name is cut, and told whole when pointed at. */
const LONGEST = 30

const MANY: Record<string, string> = {
  user: 'people',
  person: 'people',
  mailbox: 'mailboxes',
  outside: 'outside numbers',
}

/** Ways of not being answered: two of them or more are said as one. */
const UNANSWERED = ['no answer', 'busy', 'away', 'not disturbed', 'nobody signed in']

function nameOf(node: MapNode): string {
  if (node.id.startsWith('people ')) return `one of ${node.people} people`
  if (node.stands.length > 0) return `${node.stands.length} ${MANY[node.sort] ?? 'ends'}`
  if (node.object !== null) return name(node.object)
  return outcomeInWords(node.id.split(' ')[1] ?? '')
}

function cut(words: string): string {
  return words.length > LONGEST ? `${words.slice(0, LONGEST - 1)}…` : words
}

/** What has to happen, in short lines: a long one would push what it leads to out of sight. */
function labelOf(all: string[]): string[] {
  const others = all.filter((label) => !UNANSWERED.includes(label))
  const labels = all.length - others.length > 1 ? ['nobody answers', ...others] : all
  const said = [
    ...labels.slice(0, MOST_LABELS),
    ...(labels.length > MOST_LABELS ? [`${labels.length - MOST_LABELS} more`] : []),
  ]
  const lines: string[] = []
  said.forEach((label, index) => {
    const words = index < said.length - 1 ? `${label},` : label
    const last = lines.at(-1)
    if (last !== undefined && last.length + words.length < LINE) lines[lines.length - 1] = `${last} ${words}`
    else lines.push(words)
  })
  return lines
}

const drawn = computed(() => {
  const graph = new graphlib.Graph()
  graph.setGraph({ rankdir: 'LR', nodesep: 10, ranksep: 22, marginx: 6, marginy: 8 })
  graph.setDefaultEdgeLabel(() => ({}))
  for (const node of map.nodes)
    graph.setNode(node.id, { width: Math.max(50, cut(nameOf(node)).length * LETTER + 18), height: HEIGHT })
  for (const arrow of map.arrows) {
    const lines = labelOf(arrow.labels)
    graph.setEdge(arrow.from, arrow.to, {
      width: Math.max(0, ...lines.map((line) => line.length)) * SMALL_LETTER,
      height: Math.max(14, lines.length * SMALL_LINE),
      labelpos: 'c',
    })
  }
  layout(graph)
  const frame = graph.graph() as { width?: number; height?: number }
  return {
    width: Math.ceil(frame.width ?? 0),
    height: Math.ceil(frame.height ?? 0),
    nodes: map.nodes.map((node) => ({
      ...node,
      name: nameOf(node),
      all: node.stands.map(name).join(', '),
      box: graph.node(node.id) as { x: number; y: number; width: number },
    })),
    arrows: map.arrows.map((arrow) => ({
      ...arrow,
      lines: labelOf(arrow.labels),
      line: graph.edge(arrow.from, arrow.to) as { points: { x: number; y: number }[]; x?: number; y?: number },
    })),
  }
})
const names = computed(() => new Map(drawn.value.nodes.map((node) => [node.id, node.all || node.name])))
const isFolded = computed(() => map.nodes.some((node) => node.stands.length > 0))

function path(points: { x: number; y: number }[]): string {
  return points.map((point, index) => `${index === 0 ? 'M' : 'L'}${point.x.toFixed(1)} ${point.y.toFixed(1)}`).join(' ')
}

function open(object: string | null): void {
  if (object !== null && !object.startsWith('outside:')) emit('open', object)
}
</script>

<template>
  <div class="drawing">
    <!-- Moved through by the keys it is scrolled with. -->
    <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
    <div class="frame" :class="{ low }" tabindex="0" role="group" :aria-label="label">
      <svg :width="drawn.width" :height="drawn.height" :viewBox="`0 0 ${drawn.width} ${drawn.height}`">
        <defs>
          <marker :id="`tip${run}`" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
            <path d="M0 0L8 4L0 8z" class="tip" />
          </marker>
        </defs>
        <g v-for="arrow in drawn.arrows" :key="`${arrow.from} ${arrow.to}`">
          <path :d="path(arrow.line.points)" class="arrow" :marker-end="`url(#tip${run})`">
            <title>{{ arrow.labels.join(', ') }}</title>
          </path>
          <text v-if="arrow.lines.length > 0 && arrow.line.x !== undefined" class="label">
            <tspan
              v-for="(line, index) in arrow.lines"
              :key="index"
              :x="arrow.line.x"
              :y="(arrow.line.y ?? 0) - 3 + (index - (arrow.lines.length - 1) / 2) * SMALL_LINE"
            >
              {{ line }}
            </tspan>
          </text>
        </g>
        <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
        <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
        <g
          v-for="node in drawn.nodes"
          :key="node.id"
          :class="['node', node.sort, { opens: opens && node.object !== null }]"
          :role="opens && node.object !== null ? 'link' : undefined"
          :tabindex="opens && node.object !== null ? 0 : undefined"
          :aria-label="opens && node.object !== null ? `Open ${node.name}` : undefined"
          @click="open(node.object)"
          @keydown.enter="open(node.object)"
        >
          <title>{{ node.all || node.name }}</title>
          <rect
            :x="node.box.x - node.box.width / 2"
            :y="node.box.y - HEIGHT / 2"
            :width="node.box.width"
            :height="HEIGHT"
            rx="2"
          />
          <text :x="node.box.x" :y="node.box.y + 4.5" class="name">{{ cut(node.name) }}</text>
        </g>
      </svg>
    </div>
    <details class="soft small">
      <summary>as a table{{ isFolded ? ', with every end by name' : '' }}</summary>
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
            <td>{{ names.get(arrow.from) }}</td>
            <td>{{ arrow.labels.join(', ') }}</td>
            <td>{{ names.get(arrow.to) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </div>
</template>

<style scoped>
.frame {
  max-height: 70vh;
  overflow: auto;
}

.frame.low {
  max-height: 270px;
}

.drawing {
  min-width: 0;
}

svg {
  display: block;
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

.node.opens {
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
