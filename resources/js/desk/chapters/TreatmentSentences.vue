<script setup lang="ts">
import { computed } from 'vue'
import type { ObjectOf, Ruler } from '@/api'
import { fieldAt } from '../catalogue'
import { useDesk, useDraft } from '../desk'
import TimingRuler from '../drawings/TimingRuler.vue'
import InlineField from '../InlineField.vue'
import { sidesOf, withSide, type Sides } from '../treatments'

/** What becomes of a user's calls in one state of their hours, as sentences, with who rings when. */
const props = defineProps<{ user: ObjectOf<'user'>; state: 'open' | 'closed' | 'holiday'; ruler: Ruler | undefined }>()

const { names } = useDesk()
const { edit } = useDraft()

const AS = { open: '', closed: 'as in open hours', holiday: 'as while closed' }
const CONDITIONS = ['always', 'doNotDisturb', 'unreachable', 'onACall', 'busy', 'noAnswer'] as const

type Condition = (typeof CONDITIONS)[number]

const path = computed(() => `handling/${props.state}`)
const titleOf = (field: string): string => fieldAt('user', field)?.title ?? field
/** Titled as every other screen titles them. */
const conditions = computed(() =>
  CONDITIONS.map((condition) => ({ condition, words: titleOf(`${path.value}/${condition}`) })),
)
const handling = computed(() => props.user.fields.handling[props.state])

/** What holds where a user sets nothing: the site's default, the customer's, the mailbox. */
function inherited(condition: Condition): string {
  if (condition === 'always' || condition === 'onACall')
    return condition === 'always' ? 'rings' : 'the second line rings'
  const tenant = names.value.all('tenant')[0]
  const site = names.value.as('site', props.user.fields.site)
  for (const [holder, word] of [
    [site, 'the site’s default'],
    [tenant, 'the customer’s default'],
  ] as const) {
    const set = holder?.fields.defaults[condition] ?? null
    if (set !== null) return `${said(set)}, ${word}`
  }
  const { mailbox } = props.user.fields
  return mailbox === null ? 'nowhere: the call is cut off' : names.value.of(mailbox)
}

function said(treatment: unknown): string {
  const { outside, inside } = sidesOf(treatment)
  return [...new Set([outside, inside].flatMap((each) => (each === null ? [] : [names.value.of(each)])))].join(' or ')
}

function sides(condition: Condition): Sides {
  return sidesOf(handling.value?.[condition])
}

function take(condition: Condition, side: 'outside' | 'inside' | 'both', to: unknown): void {
  void edit([
    {
      object: props.user.ref,
      path: `${path.value}/${condition}`,
      value: side === 'both' ? to : withSide(handling.value?.[condition], side, to),
    },
  ])
}

function setOwn(): void {
  void edit([{ object: props.user.ref, path: path.value, value: handling.value === null ? {} : null }])
}
</script>

<template>
  <h3 class="state">
    {{ titleOf(path) }}
    <button v-if="state !== 'open'" type="button" class="text-button small" @click="setOwn">
      {{ handling === null ? `${AS[state]}; set apart` : 'make it as before' }}
    </button>
  </h3>
  <template v-if="handling !== null">
    <TimingRuler
      v-if="ruler !== undefined && ruler.bars.length > 0"
      :ruler
      :label="`Which phone of ${user.label} rings when`"
    />
    <p v-else class="soft">Nothing rings for {{ user.label }}.</p>
    <p class="soft">
      Phones ring
      <InlineField
        :object="user"
        :path="`${path}/ring`"
        :type="{ choices: { together: 'together', inOrder: 'one after the other' } }"
        label="How phones ring"
      />: <InlineField :object="user" :path="`${path}/legs`" :type="{ unset: 'all' }" label="Which phones ring" />.
    </p>
    <ul class="sentences">
      <li v-for="{ condition, words } in conditions" :key="condition">
        <span class="when">{{ words }}</span>
        <span v-if="sides(condition).outside === sides(condition).inside">
          <InlineField
            :object="user"
            :path="`${path}/${condition}`"
            :type="{ unset: inherited(condition) }"
            :label="`${words}, all calls`"
            :value="sides(condition).outside"
            holds
            @take="take(condition, 'both', $event)"
          />
          <button
            v-if="sides(condition).outside !== null"
            type="button"
            class="text-button small apart"
            @click="take(condition, 'inside', null)"
          >
            colleagues otherwise
          </button>
        </span>
        <span v-else>
          from outside:
          <InlineField
            :object="user"
            :path="`${path}/${condition}/outside`"
            :type="{ unset: inherited(condition) }"
            :label="`${words}, from outside`"
            :value="sides(condition).outside"
            holds
            @take="take(condition, 'outside', $event)"
          />; from colleagues:
          <InlineField
            :object="user"
            :path="`${path}/${condition}/inside`"
            :type="{ unset: inherited(condition) }"
            :label="`${words}, from colleagues`"
            :value="sides(condition).inside"
            holds
            @take="take(condition, 'inside', $event)"
          />
        </span>
      </li>
    </ul>
  </template>
</template>

<style scoped>
.state {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin-top: 14px;
}

.state button {
  font-weight: 400;
}

.sentences {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

.sentences li {
  display: grid;
  grid-template-columns: 240px 1fr;
  gap: 12px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule-soft);
}

.when {
  color: var(--ink-soft);
}

.apart {
  margin-left: 10px;
}
</style>
