<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, detailOf, take, type CustomerLine, type Difference, type Live } from '@/api'
import { plural, some } from '@/shared'
import PushSheet from './PushSheet.vue'
import { ROSTER_KEY } from './rosterQueries'

/** What can be done for several customers at once, one after the other, with what came of each; it can be stopped. */
const props = defineProps<{
  /** Keys; their lines come from the server where they were not in view. */
  chosen: string[]
  linesFor: (keys: readonly string[]) => Promise<CustomerLine[]>
}>()
const emit = defineEmits<{ clear: [] }>()

/** Customers to whom the same came are named so far, and counted. */
const MOST_NAMES = 3

interface Done {
  name: string
  said: string
  isFault: boolean
}

const queryClient = useQueryClient()
const done = ref<Done[]>([])
const doing = ref<{ what: string; of: number }>()
const stops = ref<boolean>(false)

const isPushing = ref(false)
/** What pushes overwrote of others' changes on the switch, by customer: it can be taken into drafts afterwards. */
const overwritten = ref<Record<string, Difference[]>>({})
const lost = computed(() => Object.entries(overwritten.value).filter(([, differences]) => differences.some(isField)))

function said(live: Live): string {
  if (!live.onSwitch) return 'not on the switch'
  const there = live.differences.filter((each) => each.whose !== 'ours').length
  const waiting = live.differences.length - there
  const parts = [
    ...(there > 0 ? [`${plural(there, 'place')} changed there`] : []),
    ...(waiting > 0 ? [`${waiting} not pushed yet`] : []),
  ]
  return parts.length === 0 ? 'the same' : parts.join(', ')
}

const isField = (difference: Difference): boolean => difference.what === 'field' && difference.path !== null

async function run(what: string, lines: CustomerLine[], work: (customer: string) => Promise<string>): Promise<void> {
  if (doing.value !== undefined) return
  done.value = []
  stops.value = false
  doing.value = { what, of: lines.length }
  for (const line of [...lines]) {
    // Set by the button while the last one was under way.
    if (stops.value as boolean) break
    try {
      done.value.push({ name: line.name, said: await work(line.key), isFault: false })
    } catch (error) {
      done.value.push({ name: line.name, said: detailOf(error), isFault: true })
    }
  }
  doing.value = undefined
  void queryClient.invalidateQueries({ queryKey: ROSTER_KEY })
}

const read = async (): Promise<void> =>
  run('Read from the switch', await props.linesFor(props.chosen), async (customer) =>
    said(await take(client.POST('/customers/{customer}/live/read', { params: { path: { customer } } }))),
  )

async function push(lines: CustomerLine[], there: Record<string, Difference[]>): Promise<void> {
  overwritten.value = {}
  await run('Push', lines, async (customer) => {
    await take(client.POST('/customers/{customer}/pushes', { params: { path: { customer } }, body: { only: null } }))
    overwritten.value = { ...overwritten.value, [customer]: there[customer] ?? [] }
    return 'push begun'
  })
}

/** What stood on the switch before goes into drafts, to be looked over, entered and pushed again. */
async function takeBack(): Promise<void> {
  const were = overwritten.value
  const lines = (await props.linesFor(props.chosen)).filter((line) => (were[line.key] ?? []).some(isField))
  overwritten.value = {}
  await run('Taking back', lines, async (customer) => {
    const edits = (were[customer] ?? [])
      .filter(isField)
      .map((each) => ({ object: each.object, path: each.path ?? '', value: each.live }))
    await take(client.POST('/customers/{customer}/draft/edits', { params: { path: { customer } }, body: { edits } }))
    return `${plural(edits.length, 'change')} pending: look it over`
  })
}

const failed = computed(() => done.value.filter((each) => each.isFault))
/** What went wrong first, then what is rare: of twenty that are the same the two that are not would be lost. */
const told = computed(() => {
  const groups = new Map<string, { said: string; isFault: boolean; names: string[] }>()
  for (const { name, said, isFault } of done.value) {
    const group = groups.get(`${isFault} ${said}`) ?? { said, isFault, names: [] }
    group.names.push(name)
    groups.set(`${isFault} ${said}`, group)
  }
  return [...groups.values()].sort(
    (one, other) => Number(other.isFault) - Number(one.isFault) || one.names.length - other.names.length,
  )
})

function close(): void {
  done.value = []
  overwritten.value = {}
}
</script>

<template>
  <section v-if="chosen.length > 0 || done.length > 0" class="fleet" aria-label="For the chosen customers">
    <template v-if="doing !== undefined">
      <el-progress
        :percentage="(100 * done.length) / Math.max(1, doing.of)"
        :show-text="false"
        :aria-label="doing.what"
      />
      <span role="status">{{ doing.what }}: {{ done.length }} of {{ doing.of }}</span>
      <button type="button" class="quiet-button" @click="stops = true">Stop after this one</button>
    </template>
    <template v-else-if="done.length > 0">
      <span role="status"
        >{{ plural(done.length, 'customer') }} done{{ failed.length > 0 ? `, ${failed.length} failed` : '' }}</span
      >
      <ul class="came">
        <li
          v-for="each in told"
          :key="`${each.isFault} ${each.said}`"
          :class="{ fault: each.isFault }"
          :title="each.names.length > MOST_NAMES ? each.names.join(', ') : undefined"
        >
          {{ some(each.names, MOST_NAMES) }}: {{ each.said }}
        </li>
      </ul>
      <button v-if="lost.length > 0" type="button" class="quiet-button" data-testid="take-back" @click="takeBack">
        Take what was overwritten into drafts
      </button>
      <button type="button" class="quiet-button" @click="close">Close</button>
    </template>
    <template v-else>
      <strong>{{ plural(chosen.length, 'customer') }} chosen</strong>
      <button type="button" class="quiet-button" @click="read">Read from the switch</button>
      <button type="button" class="text-button" @click="emit('clear')">choose none</button>
      <button type="button" class="quiet-button far" @click="isPushing = true">Push …</button>
    </template>
    <PushSheet v-model="isPushing" :chosen :lines-for="linesFor" @push="push" />
  </section>
</template>

<style scoped>
.fleet {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 8px 18px;
  border-top: 1px solid var(--ink);
  background: var(--sheet);
}

.came {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 2px 18px;
  max-height: 72px;
  margin: 0;
  padding: 0;
  list-style: none;
  overflow-y: auto;
}

.far {
  margin-left: auto;
}
</style>
