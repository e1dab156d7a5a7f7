<script setup lang="ts">
import { computed } from 'vue'
import type { Telling } from '@/api'
import { outcomeInWords } from '@/shared'
import { useDesk } from './desk'

/** What becomes of a call, as people tell it: what is heard, who rings and for how long, how it ends. */
const props = defineProps<{ telling: Telling; brief?: boolean }>()

const { names } = useDesk()

const VERBS = { hears: 'hears', rings: 'rings', waits: 'waits in' }

const parts = computed(() =>
  (props.brief ? props.telling.parts.slice(-1) : props.telling.parts).map((part) => ({
    ...part,
    name: names.value.of(part.object),
    isLast: part.object === props.telling.target,
  })),
)
/** A mailbox or person at the end has its name; a call that ends where it last was has said it already. */
const end = computed(() => {
  const words = outcomeInWords(props.telling.outcome)
  const name = names.value.of(props.telling.target)
  const isNamed = ['person', 'mailbox', 'outside'].includes(props.telling.sort)
  return isNamed ? { name, words } : { name: '', words }
})
</script>

<template>
  <span>
    <template v-for="(part, index) in parts" :key="`${part.object} ${index}`">
      <template v-if="part.what === 'rings'"
        ><strong>{{ part.name }}</strong> rings<template v-if="part.seconds > 0"> for {{ part.seconds }} s</template>,
        then
      </template>
      <template v-else
        >{{ VERBS[part.what] }} <strong>{{ part.name }}</strong><template
          v-if="part.what === 'hears' && index < parts.length - 1 && !brief"
          >; pressing nothing, </template
        ><template v-else>, then </template></template
      >
    </template>
    <strong v-if="end.name !== ''">{{ end.name }}</strong>{{ end.name === '' ? '' : ' '
    }}<span :class="{ lost: telling.sort === 'lost' }">{{ end.words }}</span>
  </span>
</template>

<style scoped>
.lost {
  color: var(--red);
  font-weight: 600;
}
</style>
