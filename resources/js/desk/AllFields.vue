<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import type { BookObject } from '@/api'
import { kindsInWords, some } from '@/shared'
import { useDesk, useDraft } from './desk'
import { TAKES_CALLS } from './catalogue'

/**
 * Every field of an object, folded: what is rarely needed is not missing. The form is fetched when it is first opened.
 */
const props = defineProps<{ object: BookObject; removable?: boolean }>()

const FieldList = defineAsyncComponent(() => import('./FieldList.vue'))
const LedHere = defineAsyncComponent(() => import('./LedHere.vue'))

const { names } = useDesk()
const { edit } = useDraft()
const isOpen = ref(false)
const kind = computed(() => kindsInWords(props.object.kind).one.toLowerCase())

const takesCalls = computed(() => TAKES_CALLS.includes(props.object.kind))

/** What leads to it: taking it away has to wait until nothing does. */
const uses = computed(() =>
  names.value.objects.filter((other) => other.ref !== props.object.ref && other.refersTo.includes(props.object.ref)),
)

function remove(): void {
  void edit([{ op: 'delete', object: props.object.ref, path: '', value: null }])
}
</script>

<template>
  <details class="all" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>Every field of {{ object.display ?? object.label }}</summary>
    <LedHere v-if="isOpen && takesCalls" :object />
    <FieldList v-if="isOpen" :object />
    <p v-if="isOpen && removable" class="remove">
      <button type="button" class="quiet-button" :disabled="uses.length > 0" @click="remove">
        Take this {{ kind }} out of the book
      </button>
      <span v-if="uses.length > 0" class="soft"
        >{{
          some(
            uses.map((each) => each.label),
            3,
          )
        }}
        {{ uses.length === 1 ? 'leads' : 'lead' }} to it; lead them elsewhere first.</span
      >
    </p>
  </details>
</template>

<style scoped>
.all {
  margin: 18px 0;
  border-top: 1px solid var(--rule);
}

summary {
  padding: 6px 0;
  color: var(--ink-soft);
  cursor: pointer;
}

.remove {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding-top: 14px;
}
</style>
