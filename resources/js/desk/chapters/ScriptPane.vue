<script setup lang="ts">
import { computed } from 'vue'
import type { BookObject } from '@/api'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import { asText, valueAt } from '../values'

/**
 * What callers hear in a menu: its script, what of it speaks of keys that are not set, and a script written from the
 * keys.
 */
const props = defineProps<{
  holder: BookObject
  path: string
  keys: { key: string; words: string }[]
  written: string
  seconds: number
}>()

const { names } = useDesk()
const { edit, make } = useDraft()

const prompt = computed(() => names.value.as('prompt', asText(valueAt(props.holder.fields, props.path) ?? '')))
const script = computed(() => prompt.value?.fields.script ?? '')
const set = computed(() => (props.holder.kind === 'menu' ? props.holder.fields.keys : []))
const unset = computed(() => props.keys.filter((each) => !set.value.some((key) => key.item === each.key)))

/** The script cut where it speaks of a key that is not set. */
const pieces = computed(() => {
  let rest = script.value
  const all: { text: string; wrong: boolean }[] = []
  for (const each of unset.value) {
    const at = rest.indexOf(each.words)
    if (at < 0) continue
    all.push({ text: rest.slice(0, at), wrong: false }, { text: each.words, wrong: true })
    rest = rest.slice(at + each.words.length)
  }
  return [...all, { text: rest, wrong: false }]
})

async function write(): Promise<void> {
  const text = props.written
  if (prompt.value !== undefined) {
    await edit([{ object: prompt.value.ref, path: 'script', value: text }])
    return
  }
  const [ref] = await make([{ kind: 'prompt', name: `${props.holder.label} prompt`, fields: { script: text } }])
  if (ref !== undefined) await edit([{ object: props.holder.ref, path: props.path, value: ref }])
}
</script>

<template>
  <aside class="pane" aria-label="Prompt">
    <p class="soft">Prompt · <InlineField :object="holder" :path :type="{ unset: 'none' }" label="Prompt" /></p>
    <template v-if="prompt !== undefined">
      <p class="script">
        <template v-for="(piece, index) in pieces" :key="index"
          ><mark v-if="piece.wrong">{{ piece.text }}</mark
          ><template v-else>{{ piece.text }}</template></template
        >
      </p>
      <p class="soft small">
        <span class="mono">{{ seconds }} s</span>
        {{ prompt.fields.audio === null ? 'as spoken at 150 words a minute; no recording yet' : 'as recorded' }}
      </p>
      <p class="soft">
        Script: <InlineField :object="prompt" path="script" :type="{ unset: 'none yet' }" label="Script" />
      </p>
    </template>
    <p v-else class="soft">Callers hear nothing and do not know that they may choose.</p>
    <button type="button" class="quiet-button" :disabled="written === ''" @click="write">Write from the keys</button>
  </aside>
</template>

<style scoped>
.pane {
  display: grid;
  gap: 8px;
  align-content: start;
  padding-left: 18px;
  border-left: 1px solid var(--rule);
}

.script {
  font: italic 15px/1.6 var(--serif);
}

mark {
  background: color-mix(in srgb, var(--red) 18%, transparent);
  color: inherit;
}

.quiet-button {
  justify-self: start;
}
</style>
