<script setup lang="ts">
import { computed } from 'vue'
import type { Change } from '@/api'
import { Names } from './names'
import { said } from './sentences'

/** One change as a sentence: whom, what from now on, what before. */
const props = defineProps<{ change: Change; names?: Names }>()

/** Away from the desk no book is at hand: what a value points at is said by its key. */
const NOTHING_KNOWN = new Names([])
const sentence = computed(() => said(props.change, props.names ?? NOTHING_KNOWN))
</script>

<template>
  <span
    >{{ change.label }}: {{ sentence.says
    }}<span v-if="sentence.was !== ''" class="soft">, {{ sentence.was }}</span></span
  >
</template>
