<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useNeighbours } from '@/roster'
import { age, EmptyState, ErrorState, kindsInWords, LoadingLines, PageTop, plural, stageInWords, timeThere, useCommands, useNow, useShortcuts } from '@/shared'
import CallLine from './CallLine.vue'
import { chapterOfKind, CHAPTERS, FIRST } from './chapters'
import { provideDesk } from './desk'
import HistoryChapter from './HistoryChapter.vue'
import IntakeChapter from './IntakeChapter.vue'
import MarginNotes from './MarginNotes.vue'
import PushChapter from './PushChapter.vue'
import PinKeeper from './PinKeeper.vue'
import SheetGrid from './SheetGrid.vue'
import { asText, valueAt } from './values'

const props = defineProps<{ customer: string; chapter: string }>()

const router = useRouter()
const now = useNow()
const desk = provideDesk(props.customer)
const { book, live, differences, faults, clashes, underWay } = desk
const neighbours = useNeighbours(() => props.customer)

const chapter = computed(() => CHAPTERS.find((each) => each.key === (props.chapter === '' ? FIRST : props.chapter)))
const objects = computed(() => book.data.value?.objects ?? [])
const tenant = computed(() => objects.value.find((object) => object.kind === 'tenant'))
const zone = computed(() => asText(valueAt(tenant.value?.fields, 'zone') ?? 'UTC'))
const shown = computed(() => objects.value.filter((object) => chapter.value?.kinds.includes(object.kind)))

const main = computed(() => {
  const ref = valueAt(tenant.value?.fields, 'mainNumber')
  const number = objects.value.find((object) => object.ref === ref)
  const to = valueAt(number?.fields, 'destination')
  return number === undefined ? undefined : { number: number.display ?? number.key, leadsTo: typeof to === 'string' ? desk.names.value.of(to) : 'nowhere' }
})

function count(kinds: string[]): number {
  return objects.value.filter((object) => kinds.includes(object.kind)).length
}

/** How a chapter stands: troubled where book and switch differ or a cell could not be kept. */
function mark(kinds: string[], key: string): { shape: string; word: string } {
  const speaksOf = (ref: string): boolean => kinds.some((kind) => ref.startsWith(`${kind}:`))
  if (key === 'push') return underWay.value !== undefined ? { shape: 'half', word: 'under way' } : differences.value.length > 0 ? { shape: 'trouble', word: 'differences' } : { shape: live.data.value?.onSwitch === true ? 'full' : 'none', word: live.data.value?.onSwitch === true ? 'the same' : 'not pushed' }
  if (kinds.length === 0) return { shape: 'full', word: '' }
  if ([...faults.keys()].some(speaksOf) || clashes.value.some((clash) => speaksOf(clash.object)) || differences.value.some((each) => speaksOf(each.object))) return { shape: 'trouble', word: 'needs a look' }
  return count(kinds) > 0 ? { shape: 'full', word: 'sound' } : { shape: 'none', word: 'empty' }
}

function go(key: string): void {
  void router.push({ name: 'desk', params: { customer: props.customer, chapter: key } })
}

function turnTo(customer: string | undefined): void {
  if (customer !== undefined) void router.push({ name: 'desk', params: { customer, chapter: props.chapter } })
}

function step(by: number): void {
  const at = CHAPTERS.findIndex((each) => each.key === chapter.value?.key)
  const to = CHAPTERS[at + by]
  if (to !== undefined) go(to.key)
}

useShortcuts([
  { keys: '[', label: 'customer before', scope: 'Desk', run: () => { turnTo(neighbours.value.previous?.key) } },
  { keys: ']', label: 'next customer', scope: 'Desk', run: () => { turnTo(neighbours.value.next?.key) } },
  { keys: 'j', label: 'next chapter', scope: 'Desk', run: () => { step(1) } },
  { keys: 'k', label: 'chapter before', scope: 'Desk', run: () => { step(-1) } },
  { keys: 'ctrl+z', label: 'take the last edit back', scope: 'Desk', run: () => void desk.takeBack() },
  { keys: 'r', label: 'back to the Roster', scope: 'Desk', run: () => void router.push('/') },
])
useCommands(() => [
  ...CHAPTERS.map((each) => ({ label: `${each.title} of ${tenant.value?.label ?? ''}`, kind: 'chapter', run: () => { go(each.key) } })),
  ...objects.value
    .filter((object) => object.kind !== 'tenant' && CHAPTERS.some((chapter) => chapter.kinds.includes(object.kind)))
    .map((object) => ({
      label: [object.extension, object.display ?? object.label].filter((each) => each !== null).join(' '),
      kind: kindsInWords(object.kind).one.toLowerCase(),
      run: () => { go(chapterOfKind(object.kind)) },
    })),
])
</script>

<template>
  <div class="page">
    <PageTop>
      <router-link to="/">‹ Roster</router-link>
      <h1 class="title">{{ tenant?.label ?? neighbours.mine?.name ?? '' }}</h1>
      <span v-if="tenant !== undefined" class="soft">{{ stageInWords(neighbours.mine?.stage ?? '') }} · {{ timeThere(now, zone) }} there</span>
      <template #hand>
        <button type="button" class="turn" :disabled="neighbours.previous === undefined" :title="neighbours.previous?.name" aria-label="Customer before" @click="turnTo(neighbours.previous?.key)"><kbd>[</kbd></button>
        <button type="button" class="turn" :disabled="neighbours.next === undefined" :title="neighbours.next?.name" aria-label="Next customer" @click="turnTo(neighbours.next?.key)"><kbd>]</kbd></button>
        <kbd>Ctrl K</kbd>
      </template>
    </PageTop>
    <main v-if="book.error.value !== null && book.data.value === undefined"><ErrorState :error="book.error.value" @again="book.refetch()" /></main>
    <main v-else-if="book.data.value === undefined"><LoadingLines what="the book" /></main>
    <template v-else>
      <p class="now">
        <template v-if="main !== undefined"><span class="soft">In the book,</span> <span class="mono">{{ main.number }}</span> leads to <strong>{{ main.leadsTo }}</strong>. </template>
        <template v-else><strong>No main number is set.</strong> </template>
        <span class="soft" data-testid="against-switch">
          <template v-if="live.data.value === undefined" />
          <template v-else-if="!live.data.value.onSwitch">Nothing of it is on the switch yet.</template>
          <template v-else>The switch, as read {{ age(live.data.value.readAt ?? '', now) }}, {{ differences.length === 0 ? 'says the same' : `differs in ${plural(differences.length, 'place')}` }}.</template>
        </span>
      </p>
      <div class="body">
        <nav class="chapters" aria-label="Chapters">
          <router-link v-for="each in CHAPTERS" :key="each.key" :to="{ name: 'desk', params: { customer, chapter: each.key } }" :class="{ here: each.key === chapter?.key }" :aria-current="each.key === chapter?.key ? 'page' : undefined">
            <i :class="mark(each.kinds, each.key).shape" aria-hidden="true" />
            <span>{{ each.title }}</span><span class="visually-hidden">, {{ mark(each.kinds, each.key).word }}</span>
            <span v-if="each.kinds.length > 0 && each.key !== 'intake'" class="mono soft count">{{ count(each.kinds) }}</span>
            <span v-else-if="each.key === 'push' && differences.length > 0" class="mono soft count">{{ differences.length }}</span>
          </router-link>
        </nav>
        <main class="sheet">
          <EmptyState v-if="chapter === undefined" title="There is no such chapter"><router-link :to="{ name: 'desk', params: { customer, chapter: FIRST } }">Go to Numbers</router-link></EmptyState>
          <IntakeChapter v-else-if="chapter.key === 'intake'" :zone="zone" />
          <PushChapter v-else-if="chapter.key === 'push'" :zone="zone" />
          <HistoryChapter v-else-if="chapter.key === 'history'" :zone="zone" />
          <EmptyState v-else-if="shown.length === 0" :title="`No ${chapter.title.toLowerCase()} in this book`">The template this customer was taken on from makes none.</EmptyState>
          <template v-else-if="chapter.kinds[0] !== undefined">
            <SheetGrid :key="chapter.key" :kind="chapter.kinds[0]" :objects="shown" />
            <PinKeeper v-if="chapter.key === 'mailboxes'" :objects="shown" :zone="zone" />
          </template>
        </main>
        <MarginNotes :title="chapter?.title ?? ''" :kinds="chapter?.kinds ?? []" :zone="zone" />
      </div>
      <CallLine />
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-rows: auto auto 1fr auto;
  height: 100%;
}

.title {
  overflow: hidden;
  font-size: 18px;
  text-overflow: ellipsis;
}

.turn {
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
}

.turn:disabled {
  opacity: 0.4;
  cursor: default;
}

.now {
  padding: 7px 18px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}

.body {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) 290px;
  min-height: 0;
}

.chapters {
  padding-top: 8px;
  overflow-y: auto;
}

.chapters a {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 4px 12px 4px 18px;
  color: inherit;
  text-decoration: none;
}

.chapters a:hover {
  background: var(--shade);
}

.chapters a.here {
  background: var(--sheet);
  box-shadow: inset 3px 0 var(--buoy);
}

.chapters i {
  width: 9px;
  height: 9px;
  border: 1.5px solid var(--teal);
  border-radius: 50%;
}

.chapters i.full {
  background: var(--teal);
}

.chapters i.half {
  background: linear-gradient(90deg, var(--teal) 50%, transparent 50%);
}

.chapters i.none {
  border-color: var(--ink-soft);
}

.chapters i.trouble {
  border-color: var(--red);
  border-radius: 0;
  background: var(--red);
  transform: rotate(45deg) scale(0.85);
}

.count {
  margin-left: auto;
}

.sheet {
  padding: 12px 18px;
  border: solid var(--rule);
  border-width: 0 1px;
  background: var(--sheet);
  overflow: auto;
}

@media (width < 1000px) {
  .body {
    grid-template-columns: 120px minmax(0, 1fr) 220px;
  }
}
</style>
