<script setup lang="ts">
import { computed } from 'vue'
import type { ObjectOf } from '@/api'
import { ChoiceField } from '@/shared'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'

type Answer = ObjectOf<'attendant'>['fields']['answers'][number]

/** An attendant's answers by the state of its hours, side by side, so that a missing one is an empty column. */
const props = defineProps<{ attendant: ObjectOf<'attendant'> }>()
const emit = defineEmits<{ open: [ref: string] }>()

const { names } = useDesk()
const { edit } = useDraft()

const answers = computed(() => props.attendant.fields.answers)
const schedule = computed(() => names.value.as('schedule', props.attendant.fields.schedule))

/** The three states there always are, then each period and holiday that has an answer of its own or could have one. */
const states = computed(() => {
  const periods = (schedule.value?.fields.periods ?? []).map((each) => ({
    when: `period:${each.item}`,
    title: each.name,
  }))
  const own = answers.value
    .filter((each) => each.when.startsWith('holiday:'))
    .map((each) => ({ when: each.when, title: each.when.slice('holiday:'.length).replaceAll('-', ' ') }))
  return [
    { when: 'open', title: 'Open' },
    { when: 'closed', title: 'Closed' },
    { when: 'holiday', title: 'Holiday' },
    ...periods,
    ...own,
  ]
})

function answer(when: string): Answer | undefined {
  return answers.value.find((each) => each.when === when)
}

function missing(when: string): string {
  if (when === 'open' || when === 'closed') return 'No answer: callers are cut off'
  return when.startsWith('period:') ? 'As open' : 'As closed'
}

function write(when: string): void {
  void edit([
    { object: props.attendant.ref, path: 'answers', value: [...answers.value, { when, greeting: null, then: null }] },
  ])
}

function drop(item: string): void {
  void edit([
    { object: props.attendant.ref, path: 'answers', value: answers.value.filter((each) => each.item !== item) },
  ])
}

function script(prompt: string | null): string {
  return names.value.as('prompt', prompt)?.fields.script ?? ''
}

function holidays(): { item: string; name: string }[] {
  const calendars = (schedule.value?.fields.calendars ?? []).flatMap((ref) => names.value.as('calendar', ref) ?? [])
  return calendars
    .flatMap((calendar) => calendar.fields.holidays)
    .filter((each) => answer(`holiday:${each.item}`) === undefined)
}
</script>

<template>
  <p class="soft goes">
    Goes by
    <InlineField :object="attendant" path="schedule" :type="{ unset: 'no hours: always open' }" label="Hours" /> · site
    <InlineField :object="attendant" path="site" label="Site" /> · extension
    <InlineField :object="attendant" path="extension" label="Extension" />
  </p>
  <div class="answers" data-testid="answers">
    <section
      v-for="state in states"
      :key="state.when"
      :aria-label="state.title"
      :class="{ empty: answer(state.when) === undefined }"
    >
      <h3>{{ state.title }}</h3>
      <template v-if="answer(state.when) !== undefined">
        <p>
          <span class="soft">Greets with</span><br /><InlineField
            :object="attendant"
            :path="`answers/${answer(state.when)?.item}/greeting`"
            :type="{ unset: 'nothing' }"
            :label="`Greeting while ${state.title.toLowerCase()}`"
          />
        </p>
        <p v-if="script(answer(state.when)?.greeting ?? null) !== ''" class="script">
          “{{ script(answer(state.when)?.greeting ?? null) }}”
        </p>
        <p>
          <span class="soft">then leads to</span><br /><InlineField
            :object="attendant"
            :path="`answers/${answer(state.when)?.item}/then`"
            :label="`Leads to while ${state.title.toLowerCase()}`"
          />
        </p>
        <p class="act">
          <button
            v-if="names.get(answer(state.when)?.then ?? '')?.kind === 'menu'"
            type="button"
            class="text-button small"
            @click="emit('open', answer(state.when)?.then ?? '')"
          >
            open it
          </button>
          <button
            v-if="state.when !== 'open' && state.when !== 'closed'"
            type="button"
            class="text-button small"
            @click="drop(answer(state.when)?.item ?? '')"
          >
            take this answer out
          </button>
        </p>
      </template>
      <template v-else>
        <p class="soft">{{ missing(state.when) }}</p>
        <button type="button" class="quiet-button" @click="write(state.when)">Write an answer</button>
      </template>
    </section>
    <section v-if="holidays().length > 0" class="more">
      <h3 class="soft">One holiday of its own</h3>
      <ChoiceField
        model-value=""
        in-sentence
        placeholder="choose a holiday"
        aria-label="A holiday with an answer of its own"
        :options="holidays().map((each) => [each.item, each.name ?? each.item] as const)"
        @update:model-value="write(`holiday:${$event}`)"
      />
    </section>
  </div>
</template>

<style scoped>
.goes {
  margin-top: 6px;
}

.answers {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 0;
  margin-top: 12px;
  border-top: 1px solid var(--ink);
}

section {
  display: grid;
  gap: 8px;
  align-content: start;
  padding: 8px 12px 12px;
  border-right: 1px solid var(--rule-soft);
}

section:last-child {
  border-right: 0;
}

.empty {
  background: repeating-linear-gradient(135deg, var(--shade) 0 6px, transparent 6px 12px);
}

.script {
  font: italic 14px/1.5 var(--serif);
}

.act {
  display: flex;
  gap: 10px;
}

.quiet-button {
  justify-self: start;
}
</style>
