<script setup lang="ts">
import { computed } from 'vue'
import type { Impact } from '@/api'
import { plural, some } from '@/shared'
import { withNames } from './calls'
import { useCallLine, useDesk } from './desk'

/**
 * What callers notice of a difference, before and after the arrow, each with the shortest call that shows it; and what
 * users get who dial. What stands in it comes before that, and not where nobody notices anything.
 */
const props = defineProps<{ impact: NonNullable<Impact['impact']>; nothing: string }>()

const { names } = useDesk()
const { sentence, asked } = useCallLine()

const more = computed(() => props.impact.count - props.impact.contrasts.length)
const isNone = computed(() => props.impact.count === 0 && props.impact.dialling.length === 0)

function called(ref: string): string {
  return ref.startsWith('extension:') ? `extension ${ref.slice('extension:'.length)}` : names.value.of(ref)
}

/** What is alike at several numbers and extensions stands once, with a call to the first. */
const lines = computed(() => {
  const byWords = new Map<string, { contrast: (typeof props.impact.contrasts)[number]; called: string[] }>()
  for (const contrast of props.impact.contrasts) {
    const key = `${contrast.words} ${contrast.when}`
    const line = byWords.get(key) ?? { contrast, called: [] }
    line.called.push(called(contrast.called))
    byWords.set(key, line)
  }
  return [...byWords.values()]
})

const few = (refs: string[]): string => some(refs.map((each) => names.value.of(each)))

function call(text: string): void {
  sentence.value = text
  asked.value++
}
</script>

<template>
  <p v-if="isNone && !impact.isComplete" class="soft" data-testid="unknown-who-notices">
    Unknown: calls go more ways than were followed, and no difference was found in those.
  </p>
  <p v-else-if="isNone" class="soft" data-testid="nobody-notices">{{ nothing }}</p>
  <template v-else>
    <slot />
    <table v-if="impact.contrasts.length > 0" data-testid="callers-notice">
      <thead>
        <tr>
          <th scope="col" class="whom">Called</th>
          <th scope="col">Callers</th>
          <th scope="col" class="when">When</th>
          <th scope="col" class="call">A call that shows it</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ contrast: each, called: all } in lines" :key="`${each.called} ${each.words}`">
          <td>
            <template v-for="(one, place) in all" :key="one">
              <span class="called">{{ one }}{{ place < all.length - 1 ? ',' : '' }}</span
              >{{ ' ' }}
            </template>
          </td>
          <td>{{ withNames(each.words, names) }}</td>
          <td>{{ each.when }}</td>
          <td>
            <button v-if="each.sentence !== null" type="button" class="text-button mono" @click="call(each.sentence)">
              {{ each.sentence }}</button><span v-else class="soft"
              >only if somebody’s state changes during the call</span
            >
          </td>
        </tr>
      </tbody>
    </table>
    <table v-if="impact.dialling.length > 0" data-testid="dialling">
      <thead>
        <tr>
          <th scope="col">Dialled</th>
          <th scope="col">By</th>
          <th scope="col">Before</th>
          <th scope="col">After</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in impact.dialling" :key="`${each.digits} ${each.who[0]}`">
          <td class="mono called">{{ each.digits }}</td>
          <td>{{ few(each.who) }}</td>
          <td>{{ each.before }}</td>
          <td>{{ each.after }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="more > 0" class="soft">and {{ plural(more, 'place') }} more</p>
    <p v-if="impact.noLongerReached.length > 0">
      No longer reached: {{ impact.noLongerReached.map((each) => names.of(each)).join(', ') }}
    </p>
    <p v-if="impact.newlyReached.length > 0">
      Newly reached: {{ impact.newlyReached.map((each) => names.of(each)).join(', ') }}
    </p>
  </template>
</template>

<style scoped>
td {
  vertical-align: top;
}

/* However many are called: what callers get has the room. */
.whom {
  width: 22%;
}

.when {
  width: 20%;
}

.call {
  width: 19%;
}

[data-testid='callers-notice'] {
  table-layout: fixed;
}

.called {
  white-space: nowrap;
}
</style>
