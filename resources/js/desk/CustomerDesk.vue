<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, type Component } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { Kind } from '@/api'
import { rosterAsLeft, useNeighbours } from '@/roster'
import {
  byWeight,
  EmptyState,
  ErrorState,
  kindsInWords,
  type Severity,
  LoadingLines,
  minuteOfWeek,
  PageTop,
  stageInWords,
  timeThere,
  useCommands,
  useSayings,
  useNow,
  useShortcuts,
  useTitle,
  WeekStrip,
} from '@/shared'
import CallLine from './CallLine.vue'
import { chapterOfKind, CHAPTERS, FIRST } from './chapters'
import SheetChapter from './chapters/SheetChapter.vue'
import { provideDesk } from './desk'
import MarginNotes from './MarginNotes.vue'
import NowLine from './NowLine.vue'
import { asText, valueAt } from './values'

const props = defineProps<{ customer: string; chapter: string }>()

const router = useRouter()
const now = useNow()
const desk = provideDesk(props.customer)
const { book, names } = desk
const { faults, clashes, takeBack } = desk.draft
const { live, notPushed, changedThere, underWay } = desk.beside
const { margin, findings } = desk.margin
const route = useRoute()
const neighbours = useNeighbours(() => props.customer)

const at = computed(() => (typeof route.query['at'] === 'string' ? route.query['at'] : undefined))
const kindOf = (ref: string): string => ref.slice(0, ref.indexOf(':'))
/** Whoever names an object and no chapter means the chapter it stands in. */
const chapter = computed(() => {
  const meant = at.value === undefined ? FIRST : chapterOfKind(kindOf(at.value) as Kind)
  return CHAPTERS.find((each) => each.key === (props.chapter === '' ? meant : props.chapter))
})
const objects = computed(() => book.data.value?.objects ?? [])
const tenant = computed(() => objects.value.find((object) => object.kind === 'tenant'))
const zone = computed(() => asText(valueAt(tenant.value?.fields, 'zone') ?? 'UTC'))
const counts = computed(() => {
  const found = new Map<string, number>()
  for (const { kind } of objects.value) found.set(kind, (found.get(kind) ?? 0) + 1)
  return found
})
const count = (kinds: string[]): number => kinds.reduce((sum, kind) => sum + (counts.value.get(kind) ?? 0), 0)

/** Kinds of objects that a cell could not keep, or that somebody else changed. */
const troubled = computed(
  () =>
    new Set([...faults.keys(), ...[...clashes.value, ...changedThere.value].map((each) => each.object)].map(kindOf)),
)
/** The worst that is found of a kind. */
const worst = computed(() => {
  const found = new Map<string, Severity>()
  for (const { severity, objects } of [...findings.value].sort(byWeight).reverse())
    for (const ref of objects) found.set(kindOf(ref), severity)
  return found
})

/** How the switch stands to the book. Nothing is called the same that was not looked at. */
const pushShape = computed(() => {
  if (live.data.value === undefined) return { shape: 'none', word: live.isError.value ? 'not known' : 'being read' }
  if (!live.data.value.onSwitch) return { shape: 'none', word: 'not pushed' }
  return notPushed.value.length + live.data.value.pinsToTell.length > 0
    ? { shape: 'half', word: 'not pushed yet' }
    : { shape: 'full', word: 'the same' }
})

/** How a chapter stands: troubled where book and switch differ or a cell could not be kept. */
function mark(kinds: string[], key: string): { shape: string; word: string } {
  if (key === 'push')
    return underWay.value !== undefined
      ? { shape: 'half', word: 'under way' }
      : changedThere.value.length > 0
        ? { shape: 'trouble', word: 'changed on the switch' }
        : pushShape.value
  if (kinds.length === 0) return { shape: 'full', word: '' }
  if (key === 'proof')
    return findings.value.some((each) => each.rule === 'flow.promise-broken')
      ? { shape: 'trouble', word: 'a promise is broken' }
      : {
          shape: count(['promise']) > 0 ? 'full' : 'none',
          word: count(['promise']) > 0 ? 'promises kept' : 'no promise yet',
        }
  if (kinds.some((kind) => troubled.value.has(kind))) return { shape: 'trouble', word: 'needs a look' }
  if (margin.isError.value) return { shape: 'none', word: 'could not be looked over' }
  const found = kinds.map((kind) => worst.value.get(kind))
  if (found.includes('blocker') || found.includes('error')) return { shape: 'trouble', word: 'troubled' }
  if (found.includes('warning')) return { shape: 'half', word: 'to be looked at' }
  return count(kinds) > 0 ? { shape: 'full', word: 'sound' } : { shape: 'none', word: 'empty' }
}

function go(key: string, at?: string): void {
  void router.push({
    name: 'desk',
    params: { customer: props.customer, chapter: key },
    query: at === undefined ? {} : { at },
  })
}

/** Chapters with a screen of their own, each fetched when it is first opened; the others are sheets of one kind. */
const SCREENS: Record<string, Component> = {
  sites: defineAsyncComponent(() => import('./chapters/SitesChapter.vue')),
  hours: defineAsyncComponent(() => import('./chapters/HoursChapter.vue')),
  telephones: defineAsyncComponent(() => import('./chapters/TelephonesChapter.vue')),
  features: defineAsyncComponent(() => import('./chapters/FeaturesChapter.vue')),
  groups: defineAsyncComponent(() => import('./chapters/GroupsChapter.vue')),
  menus: defineAsyncComponent(() => import('./chapters/MenusChapter.vue')),
  forwarding: defineAsyncComponent(() => import('./chapters/ForwardingChapter.vue')),
  outbound: defineAsyncComponent(() => import('./chapters/OutboundChapter.vue')),
  proof: defineAsyncComponent(() => import('./chapters/ProofChapter.vue')),
}
const HistoryChapter = defineAsyncComponent(() => import('./HistoryChapter.vue'))
const IntakeChapter = defineAsyncComponent(() => import('./IntakeChapter.vue'))
const PushChapter = defineAsyncComponent(() => import('./PushChapter.vue'))
const screen = computed(() => SCREENS[chapter.value?.key ?? ''])

function turnTo(customer: string | undefined): void {
  if (customer !== undefined) void router.push({ name: 'desk', params: { customer, chapter: props.chapter } })
}

const sheet = ref<HTMLElement>()
const callLine = ref<InstanceType<typeof CallLine>>()

/** Into the sheet, where its caret stands; in a chapter without one, to its first control. */
function intoSheet(): void {
  const first = ['[role=grid] td[tabindex="0"]', 'input, button, select, textarea, a[href], [tabindex="0"]']
    .map((which) => sheet.value?.querySelector<HTMLElement>(which))
    .find((found) => found !== null && found !== undefined)
  ;(first ?? sheet.value)?.focus()
}

/** To the line under a list in which a name makes an object of the kind. */
function make(kind: Kind): void {
  go(chapterOfKind(kind))
  focusSoon('form.new input')
}

/** To the push of what was entered, ready to be pressed. */
function toPush(): void {
  go('push')
  focusSoon('[data-testid=push]')
}

/** A chapter is fetched when it is first opened: what is looked for there comes a little later. */
function focusSoon(which: string): void {
  let tries = 40
  const focus = (): void => {
    const found = sheet.value?.querySelector<HTMLElement>(which)
    if (found !== null && found !== undefined) found.focus()
    else if (--tries > 0) setTimeout(focus, 50)
    else sheet.value?.focus()
  }
  void nextTick(focus)
}

function step(by: number): void {
  const at = CHAPTERS.findIndex((each) => each.key === chapter.value?.key)
  const to = CHAPTERS[at + by]
  if (to !== undefined) go(to.key)
}

useTitle(() => [chapter.value?.title, tenant.value?.label ?? neighbours.value.mine?.name])
useShortcuts([
  {
    keys: '[',
    label: 'customer before',
    scope: 'Desk',
    run: () => {
      turnTo(neighbours.value.previous?.key)
    },
  },
  {
    keys: ']',
    label: 'next customer',
    scope: 'Desk',
    run: () => {
      turnTo(neighbours.value.next?.key)
    },
  },
  {
    keys: 'j',
    label: 'next chapter',
    scope: 'Desk',
    run: () => {
      step(1)
    },
  },
  {
    keys: 'k',
    label: 'chapter before',
    scope: 'Desk',
    run: () => {
      step(-1)
    },
  },
  { keys: 's', label: 'into the sheet', scope: 'Desk', run: intoSheet },
  { keys: 'p', label: 'to the push', scope: 'Desk', run: toPush },
  { keys: 'ctrl+z', label: 'take the last edit back', scope: 'Desk', run: () => void takeBack() },
  { keys: 'r', label: 'back to the Roster', scope: 'Desk', run: () => void router.push(rosterAsLeft(props.customer)) },
])
useSayings((typed) => {
  const call = /^call\s+(.+)$/i.exec(typed)?.[1]
  return call === undefined
    ? []
    : [
        {
          label: `Call ${call}`,
          kind: 'on the call line',
          run: () => {
            desk.callLine.sentence.value = call
            desk.callLine.asked.value++
          },
        },
      ]
})
useCommands(() => [
  { label: 'Push', kind: 'to the switch', run: toPush },
  {
    label: 'Look over and enter',
    kind: 'what is pending',
    run: () => {
      callLine.value?.look()
    },
  },
  { label: 'Read the switch again', kind: 'this customer', run: () => void desk.beside.readAgain() },
  { label: 'Take the last edit back', kind: 'this customer', run: () => void takeBack() },
  {
    label: 'Report for the customer',
    kind: 'this customer',
    run: () => void router.push({ name: 'report', params: { customer: props.customer } }),
  },
  ...['user', 'group', 'mailbox'].map((kind) => ({
    label: `New ${kind}`,
    kind: 'this customer',
    run: () => {
      make(kind as Kind)
    },
  })),
  ...CHAPTERS.map((each) => ({
    label: `${each.title} of ${tenant.value?.label ?? ''}`,
    kind: 'chapter',
    run: () => {
      go(each.key)
    },
  })),
  ...objects.value
    .filter((object) => object.kind !== 'tenant' && CHAPTERS.some((chapter) => chapter.kinds.includes(object.kind)))
    .map((object) => ({
      label: [object.extension, object.display ?? object.label].filter((each) => each !== null).join(' '),
      kind: kindsInWords(object.kind).one.toLowerCase(),
      run: () => {
        go(chapterOfKind(object.kind), object.ref)
      },
    })),
])
</script>

<template>
  <div class="page">
    <nav class="skips" aria-label="Skip to">
      <button type="button" @click="intoSheet">To the sheet</button>
      <button type="button" @click="callLine?.look()">Look over and enter</button>
      <button type="button" @click="toPush">To the push</button>
      <button type="button" @click="callLine?.focus()">To the call line</button>
    </nav>
    <PageTop>
      <router-link :to="rosterAsLeft(customer)">‹ Roster</router-link>
      <h1 class="title">{{ tenant?.label ?? neighbours.mine?.name ?? '' }}</h1>
      <span v-if="tenant !== undefined" class="soft"
        >{{ stageInWords(neighbours.mine?.stage ?? '') }} · {{ timeThere(now, zone) }} there<template
          v-if="!desk.mayEdit.value"
        >
          · you may read it</template
        ></span
      >
      <template #hand>
        <button
          type="button"
          class="turn"
          :disabled="neighbours.previous === undefined"
          :title="neighbours.previous?.name"
          aria-label="Customer before"
          @click="turnTo(neighbours.previous?.key)"
        >
          <kbd>[</kbd>
        </button>
        <button
          type="button"
          class="turn"
          :disabled="neighbours.next === undefined"
          :title="neighbours.next?.name"
          aria-label="Next customer"
          @click="turnTo(neighbours.next?.key)"
        >
          <kbd>]</kbd>
        </button>
        <kbd>Ctrl K</kbd>
      </template>
    </PageTop>
    <main v-if="book.error.value !== null && book.data.value === undefined">
      <ErrorState :error="book.error.value" @again="book.refetch()" />
    </main>
    <main v-else-if="book.data.value === undefined"><LoadingLines what="the book" /></main>
    <template v-else>
      <NowLine :zone />
      <div class="body">
        <nav class="chapters" aria-label="Chapters">
          <router-link
            v-for="each in CHAPTERS"
            :key="each.key"
            :to="{ name: 'desk', params: { customer, chapter: each.key } }"
            :class="{ here: each.key === chapter?.key }"
            :aria-current="each.key === chapter?.key ? 'page' : undefined"
          >
            <i :class="mark(each.kinds, each.key).shape" aria-hidden="true" />
            <span>{{ each.title }}</span><span class="visually-hidden">, {{ mark(each.kinds, each.key).word }}</span>
            <span v-if="each.kinds.length > 0 && each.key !== 'intake'" class="mono soft count">{{
              count(each.counts ?? each.kinds)
            }}</span>
            <span
              v-else-if="each.key === 'push' && changedThere.length + notPushed.length > 0"
              class="mono soft count"
              >{{ changedThere.length + notPushed.length }}</span
            >
          </router-link>
          <div v-if="margin.data.value?.strip" class="week">
            <p class="soft small">
              A caller to the main number this week, by the book<template v-if="notPushed.length > 0">
                once it is pushed</template
              >
            </p>
            <p v-if="margin.isError.value" class="fault small" role="alert">
              Out of date: the last edits could not be looked over.
            </p>
            <WeekStrip
              :pieces="margin.data.value.strip"
              :now="minuteOfWeek(now, zone)"
              slim
              label="The week of the main number"
              :name="(ref) => names.of(ref)"
            />
          </div>
        </nav>
        <main ref="sheet" class="sheet" tabindex="-1">
          <EmptyState v-if="chapter === undefined" title="There is no such chapter"
            ><router-link :to="{ name: 'desk', params: { customer, chapter: FIRST } }"
              >Go to Numbers</router-link
            ></EmptyState
          >
          <IntakeChapter v-else-if="chapter.key === 'intake'" :zone="zone" />
          <PushChapter v-else-if="chapter.key === 'push'" :zone="zone" />
          <HistoryChapter v-else-if="chapter.key === 'history'" :zone="zone" />
          <component :is="screen" v-else-if="screen !== undefined" />
          <SheetChapter v-else :key="chapter.key" :chapter :zone />
        </main>
        <MarginNotes
          v-if="chapter !== undefined"
          :title="chapter.title"
          :kinds="chapter.kinds"
          :zone
          :selected="at"
          :about="chapter.key === 'proof' ? 'whole' : chapter.key === 'push' ? 'drift' : 'kinds'"
        />
      </div>
      <CallLine ref="callLine" />
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-rows: auto auto 1fr auto;
  height: 100%;
}

/* Seen once the keyboard is on it. */
.skips {
  position: absolute;
  z-index: 10;
  display: flex;
  gap: 4px;
}

.skips button {
  position: absolute;
  top: 6px;
  left: 12px;
  padding: 6px 12px;
  border: 2px solid var(--focus);
  background: var(--sheet);
  white-space: nowrap;
  clip-path: inset(50%);
}

.skips button:focus {
  clip-path: none;
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

.body {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) 290px;
  min-height: 0;
}

.chapters {
  position: relative;
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
  flex: none;
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

.week {
  padding: 14px 12px 8px 18px;
}

.count {
  margin-left: auto;
}

.sheet {
  position: relative;
  padding: 12px 18px;
  border: solid var(--rule);
  border-width: 0 1px;
  background: var(--sheet);
  overflow: auto;
}

@media (width < 1100px) {
  .body {
    grid-template-columns: 128px minmax(0, 1fr) 220px;
  }

  .chapters a {
    gap: 6px;
    padding: 4px 8px 4px 14px;
  }
}

/* As narrow as a window at twice the size: one thing under another, and one scroll bar. */
@media (width < 820px) {
  .page {
    display: block;
    height: auto;
  }

  .body {
    display: block;
  }

  .chapters {
    display: flex;
    flex-wrap: wrap;
    padding: 4px 8px;
    overflow: visible;
  }

  .chapters .count {
    margin-left: 0;
  }

  .week {
    flex-basis: 100%;
    padding: 6px 8px;
  }

  .sheet {
    min-height: 60vh;
    padding: 12px;
    border-width: 1px 0;
  }
}
</style>
