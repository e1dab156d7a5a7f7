<script setup lang="ts">
import { computed, reactive } from 'vue'
import { detailOf, type BookObject, type Clash, type Difference, type Finding } from '@/api'
import { age, byWeight, dateThere, dayInWords, plural, SeverityBars, useNow } from '@/shared'
import { cellKey, useBeside, useDesk, useDraft, useMargin } from './desk'
import FindingNote from './FindingNote.vue'
import { fieldInWords, valueInWords } from './words'

/**
 * @param selected the object in view, whose findings come first
 * @param about what the sheet is about: objects of its kinds, the whole customer, or what differs on the switch
 */
const props = defineProps<{
  title: string
  kinds: BookObject['kind'][]
  zone: string
  selected?: string | undefined
  about?: 'kinds' | 'whole' | 'drift' | undefined
}>()

const { names, busy, book, mayPush } = useDesk()
const { faults, clashes, edit } = useDraft()
const { notPushed, changedThere, live, impact, push, underWay } = useBeside()
const { findings, driftFindings, margin, standAgain } = useMargin()
const now = useNow()

/** A few tell what it is about; Push has them all. */
const MOST_TOLD = 4
const MOST_ALIKE = 4
const MORE_ALIKE = 25

function inView(ref: string): boolean {
  return props.kinds.length === 0 || props.kinds.some((kind) => ref.startsWith(`${kind}:`))
}

// Under Push they stand in the sheet itself.
const theirs = computed(() =>
  props.kinds.length === 0 ? [] : changedThere.value.filter((each) => inView(each.object)),
)
/** What differs of a sheet that is about no kind: it tells no difference by itself, and must not deny it either. */
const apart = computed(() => (props.kinds.length === 0 ? changedThere.value.length + notPushed.value.length : 0))
const waiting = computed(() => (props.kinds.length === 0 ? [] : notPushed.value.filter((each) => inView(each.object))))
const all = computed(() => [...findings.value, ...driftFindings.value].sort(byWeight))
const found = computed(() =>
  all.value.filter(
    (each) =>
      props.about === 'whole' ||
      (props.about === 'drift'
        ? driftFindings.value.includes(each)
        : each.objects.some((ref) => props.kinds.some((kind) => ref.startsWith(`${kind}:`)))),
  ),
)
/** Lines of the book in order, as the sheet has them. */
const places = computed(() => new Map((book.data.value?.objects ?? []).map((object, place) => [object.ref, place])))
const byObject = computed(() => {
  const of = new Map<string, Finding[]>()
  for (const each of found.value) for (const ref of each.objects) of.set(ref, [...(of.get(ref) ?? []), each])
  return of
})
const ofSelected = computed(() => (props.selected === undefined ? [] : (byObject.value.get(props.selected) ?? [])))
/** How many of one rule are told; what is alike in thousands of lines is not drawn thousands of times. */
const told = reactive(new Map<string, number>())
const groups = computed(() => {
  const byRule = new Map<string, Finding[]>()
  for (const each of found.value) {
    const alike = byRule.get(each.rule)
    if (alike === undefined) byRule.set(each.rule, [each])
    else alike.push(each)
  }
  const place = (each: Finding): number => places.value.get(each.objects[0] ?? '') ?? Infinity
  return [...byRule].map(([rule, findings]) => {
    const most = told.get(rule) ?? MOST_ALIKE
    return {
      rule,
      shown: findings
        .sort((one, other) => place(one) - place(other))
        .slice(0, findings.length > most + 1 ? most : findings.length),
      more: findings.length > most + 1 ? findings.length - most : 0,
    }
  })
})
const others = computed(() =>
  groups.value.map((group) => ({ ...group, shown: group.shown.filter((each) => !ofSelected.value.includes(each)) })),
)

function tellMore(rule: string): void {
  told.set(rule, (told.get(rule) ?? MOST_ALIKE) + MORE_ALIKE)
}
const waived = computed(() =>
  (margin.data.value?.waived ?? []).filter(
    (each) =>
      props.about === 'whole' ||
      each.finding.objects.some((ref) => props.kinds.some((kind) => ref.startsWith(`${kind}:`))),
  ),
)
const elsewhere = computed(() => all.value.length - found.value.length)
/** What is found of drift comes after the rest, and would push down what stands below it. */
const isWhole = computed(
  () =>
    props.about !== 'drift' ||
    (changedThere.value.length === 0 ? live.data.value !== undefined : impact.data.value !== undefined),
)
const clashing = computed(() => clashes.value.filter((each) => inView(each.object)))
const unread = computed(() =>
  [...faults]
    .filter(([key]) => inView(key))
    .map(([key, fault]) => {
      const [object = '', path = ''] = key.split(' ')
      return { key, object, path, ...fault }
    }),
)
const empty = computed(
  () =>
    theirs.value.length + waiting.value.length + clashing.value.length + unread.value.length + found.value.length === 0,
)

function labelOf(ref: string): string {
  const object = book.data.value?.objects.find((each) => each.ref === ref)
  return object?.display ?? object?.label ?? ref
}

function said(object: string, path: string | null, value: unknown): string {
  return path === null ? '' : valueInWords(object, path, value, names.value)
}

function decide(clash: Clash, value: unknown): void {
  if (clash.path !== null) void edit([{ object: clash.object, path: clash.path, value }])
}

function putBack(difference: Difference): void {
  void push([{ object: difference.object, field: difference.path?.split('/')[0] ?? null }])
}

function headline(difference: Difference): string {
  if (difference.what === 'missing') return `${difference.label} is not on the switch`
  if (difference.what === 'unknown') return `${difference.label} is only on the switch`
  const field = `${difference.label}: ${fieldInWords(difference.object, difference.path ?? '')}`
  return difference.whose === 'both'
    ? `${field} was changed on the switch, and otherwise here`
    : `${field} was changed on the switch`
}

function waitingLine(difference: Difference): string {
  if (difference.what === 'missing') return `${difference.label} is not on the switch yet`
  if (difference.what === 'unknown') return `${difference.label} is still on the switch`
  const { label, object, path, book, live } = difference
  const field = fieldInWords(object, path ?? '')
  return `${label}: ${field} ${said(object, path, book)}; the switch has ${said(object, path, live)}`
}
</script>

<template>
  <aside class="margin" aria-label="In the margin">
    <h2 class="head">In the margin · {{ title }}</h2>
    <section v-if="margin.isError.value" class="note" role="alert" data-testid="not-looked">
      <h3><SeverityBars class="bars" severity="error" />This could not be looked over</h3>
      <p class="soft">{{ detailOf(margin.error.value) }}</p>
      <p v-if="margin.data.value !== undefined" class="soft">
        What stands below is of {{ age(new Date(margin.dataUpdatedAt.value).toISOString(), now) }}, before the last
        edits.
      </p>
      <p class="act"><button type="button" class="quiet-button" @click="margin.refetch()">Look again</button></p>
    </section>
    <section v-for="fault in unread" :key="fault.key" class="note">
      <h3>
        <SeverityBars class="bars" severity="blocker" />{{ labelOf(fault.object) }}:
        {{ fieldInWords(fault.object, fault.path) }} is not kept
      </h3>
      <p class="soft">You typed “{{ fault.typed }}”: {{ fault.detail }}.</p>
      <p class="act">
        <button type="button" class="quiet-button" @click="faults.delete(fault.key)">Leave it as it was</button>
      </p>
    </section>
    <section v-for="clash in clashing" :key="cellKey(clash.object, clash.path ?? '')" class="note" data-testid="clash">
      <h3>
        <SeverityBars class="bars" severity="error" />{{ labelOf(clash.object) }}:
        {{ fieldInWords(clash.object, clash.path ?? '') }} was changed by somebody else meanwhile
      </h3>
      <p class="soft">
        It was {{ said(clash.object, clash.path, clash.base) }}. You want
        {{ said(clash.object, clash.path, clash.ours) }}; the book now says
        {{ said(clash.object, clash.path, clash.theirs) }}.
      </p>
      <p v-if="clash.path !== null" class="act">
        <button type="button" class="quiet-button" @click="decide(clash, clash.ours)">Keep mine</button>
        <button type="button" class="quiet-button" @click="decide(clash, clash.theirs)">Take theirs</button>
      </p>
    </section>
    <FindingNote v-for="finding in ofSelected" :key="finding.fingerprint" :finding is-here />
    <template v-for="group in others" :key="group.rule">
      <FindingNote v-for="finding in group.shown" :key="finding.fingerprint" :finding />
      <p v-if="group.more > 0" class="more">
        <button type="button" class="text-button" @click="tellMore(group.rule)">
          {{ group.more }} more like {{ group.shown.length > 0 ? 'these' : 'this' }}
        </button>
      </p>
    </template>
    <section v-if="waiting.length > 0" class="note" data-testid="not-pushed">
      <h3><SeverityBars class="bars" severity="note" />{{ plural(waiting.length, 'change') }} here not pushed yet</h3>
      <p
        v-for="difference in waiting.slice(0, MOST_TOLD)"
        :key="cellKey(difference.object, difference.path ?? difference.what)"
        class="soft"
      >
        {{ waitingLine(difference) }}.
      </p>
      <p v-if="waiting.length > MOST_TOLD" class="soft">And {{ waiting.length - MOST_TOLD }} more.</p>
      <p class="soft">A push carries it to the switch.</p>
    </section>
    <section
      v-for="difference in theirs"
      :key="cellKey(difference.object, difference.path ?? difference.what)"
      class="note"
      data-testid="drift"
    >
      <h3>
        <SeverityBars class="bars" :severity="difference.what === 'field' ? 'warning' : 'error'" />{{
          headline(difference)
        }}
      </h3>
      <p v-if="difference.what === 'field'" class="soft">
        Book {{ said(difference.object, difference.path, difference.book) }}, live
        {{ said(difference.object, difference.path, difference.live) }}.
      </p>
      <p v-if="difference.since !== null" class="soft">
        Since {{ dateThere(difference.since, zone) }}, by {{ difference.by }}.
      </p>
      <p v-if="difference.what !== 'unknown' && mayPush" class="act">
        <button
          type="button"
          class="quiet-button"
          :disabled="busy || underWay !== undefined"
          @click="putBack(difference)"
        >
          Put back
        </button>
      </p>
      <p v-else-if="difference.what === 'unknown'" class="soft">
        A push of the whole book removes it; look over the run sheet under Push.
      </p>
    </section>
    <p v-if="empty" class="soft quiet">
      <template v-if="margin.isError.value" />
      <template v-else-if="margin.data.value === undefined">Looking it over …</template>
      <template v-else-if="live.isError.value && live.data.value === undefined"
        >Nothing to say of the book. What the switch holds could not be asked.</template
      >
      <template v-else-if="apart > 0"
        >Nothing else to say; Push lists the {{ plural(apart, 'place') }} where book and switch differ.</template
      >
      <template v-else-if="live.data.value?.readAt"
        >Nothing to say: book and switch agree here{{
          live.data.value.waived.length > 0 ? ' but for what was waived' : ''
        }}, as read {{ age(live.data.value.readAt, now) }}.</template
      >
      <template v-else>Nothing to say here. The switch has not been read for this customer.</template>
    </p>
    <details v-if="waived.length > 0" class="soft small waived" data-testid="waived-findings">
      <summary>{{ plural(waived.length, 'finding') }} waived</summary>
      <p v-for="each in waived" :key="each.id">
        {{ each.finding.title }}: {{ each.reason }} · {{ each.by
        }}{{ each.until === null ? '' : `, until ${dayInWords(each.until)}` }}
        <button type="button" class="text-button" :disabled="busy" @click="standAgain(each.id)">take back</button>
      </p>
    </details>
    <p v-if="isWhole && elsewhere > 0" class="soft quiet small">
      {{ elsewhere === 1 ? '1 finding' : `${elsewhere} findings` }} in other chapters; Proof lists them all.
    </p>
  </aside>
</template>

<style scoped>
.margin {
  position: relative;
  overflow-wrap: anywhere;
  padding: 12px 16px;
  overflow-y: auto;
}

.head {
  padding-bottom: 6px;
  border-bottom: 1px solid var(--rule);
  color: var(--ink-soft);
  font: 13px/1.5 var(--sans);
}

.note {
  display: grid;
  gap: 3px;
  padding: 10px 0 10px 20px;
  border-bottom: 1px solid var(--rule);
}

.note h3 {
  position: relative;
}

.bars {
  position: absolute;
  top: 4px;
  left: -20px;
}

.act {
  display: flex;
  gap: 8px;
  padding-top: 4px;
}

.quiet {
  padding: 12px 0;
}

.more {
  padding: 8px 0 8px 20px;
  border-bottom: 1px solid var(--rule);
}

.waived {
  padding: 8px 0;
}

.waived p {
  padding: 4px 0;
}
</style>
