<script setup lang="ts">
import { computed } from 'vue'
import type { Push } from '@/api'
import { plural } from '@/shared'
import { isUnderWay, useBeside, useDesk } from './desk'

const props = defineProps<{ push: Push }>()

const { busy, mayPush } = useDesk()
const { stop } = useBeside()
const done = computed(() => props.push.steps.filter((step) => step.status === 'done').length)
const STEPS = { create: 'make', update: 'set', link: 'join up', delete: 'remove' }
const STATES = { waiting: 'waiting', sent: 'sent', done: 'done', failed: 'failed' }
</script>

<template>
  <div class="progress" data-testid="progress">
    <p role="status">
      <template v-if="push.steps.length === 0"
        >{{ push.status === 'queued' ? 'Queued' : 'Reading the switch' }} …</template
      >
      <template v-else>{{ done }} of {{ plural(push.steps.length, 'step') }} done</template>
      <button
        v-if="mayPush && isUnderWay(push)"
        type="button"
        class="quiet-button"
        :disabled="busy"
        @click="stop(push.id)"
      >
        Stop after this step
      </button>
    </p>
    <el-progress
      :percentage="(100 * done) / Math.max(1, push.steps.length)"
      :show-text="false"
      aria-label="Steps done"
    />
    <ol>
      <li v-for="step in push.steps" :key="step.position" :class="step.status">
        <span class="state">{{ STATES[step.status] }}</span><span>{{ STEPS[step.kind] }} {{ step.label }}</span>
        <span v-if="step.attempts > 1" class="soft small">{{ step.attempts }} attempts</span>
        <span v-if="step.error !== null" class="fault small">{{ step.error }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.progress p {
  display: flex;
  gap: 14px;
  align-items: center;
}

.el-progress {
  margin: 8px 0;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 10px;
  align-items: baseline;
  padding: 4px 8px;
  border-bottom: 1px solid var(--rule-soft);
}

.state {
  width: 60px;
  color: var(--ink-soft);
}

.sent .state {
  color: var(--buoy);
  font-weight: 600;
}

.failed .state {
  color: var(--red);
  font-weight: 600;
}
</style>
