<script setup lang="ts">
import { computed, ref } from 'vue'
import { detailOf, type FindingLine, type Findings } from '@/api'
import { age, ChoiceField, DayField, inManner, SeverityBars, useNow } from '@/shared'
import { useCare } from './care'
import { isDue, keyOf } from './sorting'

/** All that is known of one finding: since when, by which revision, who sees to it until when, and what can be done. */
const props = defineProps<{ line: FindingLine; technicians: Findings['technicians']; name?: string | undefined }>()
const emit = defineEmits<{ open: []; mend: [] }>()

const { note, readAnew } = useCare()
const now = useNow()
const fault = ref('')

async function care(assignee: string | null, due: string | null): Promise<void> {
  fault.value = ''
  try {
    await note(props.line, assignee, due)
    await readAnew()
  } catch (error) {
    fault.value = detailOf(error)
  }
}

const whoever = computed(() => [
  ['', 'nobody'] as const,
  ...props.technicians.map((each) => [each.id, each.name] as const),
])
</script>

<template>
  <aside class="about" aria-label="The finding">
    <p class="soft small">
      <router-link :to="{ name: 'desk', params: { customer: line.customer } }">{{ line.name }}</router-link>
    </p>
    <h2><SeverityBars :severity="line.severity" /> {{ inManner(line.title) }}</h2>
    <p>{{ inManner(line.detail) }}</p>
    <p class="act">
      <button type="button" class="quiet-button" @click="emit('open')">Open it</button>
      <button v-if="line.fix !== null && !line.waived" type="button" class="quiet-button" @click="emit('mend')">
        {{ line.fix }}
      </button>
    </p>
    <dl>
      <dt>First seen</dt>
      <dd>{{ age(line.firstSeen, now) }}</dd>
      <template v-if="!line.rule.startsWith('drift.')">
        <dt>Came by</dt>
        <dd>
          <router-link
            v-if="line.revision !== null"
            :to="{ name: 'desk', params: { customer: line.customer, chapter: 'history' } }"
            >revision {{ line.revision }}</router-link
          ><span v-else class="soft">not looked for yet</span>
        </dd>
      </template>
      <dt>Last seen</dt>
      <dd>{{ age(line.lastSeen, now) }}</dd>
      <dt><label for="sees-to">Seen to by</label></dt>
      <dd>
        <ChoiceField
          id="sees-to"
          :model-value="line.assignee ?? ''"
          :options="whoever"
          @update:model-value="care($event || null, line.due)"
        />
      </dd>
      <dt><label for="due-on">By</label></dt>
      <dd>
        <DayField
          id="due-on"
          :key="keyOf(line)"
          :model-value="line.due ?? ''"
          :class="{ late: isDue(line, now) }"
          @keep="care(line.assignee, $event || null)"
        />
      </dd>
      <dt>Rule</dt>
      <dd>
        {{ name }}
        <router-link :to="{ name: 'rules', query: { rule: line.rule } }" class="mono">{{ line.rule }}</router-link>
      </dd>
    </dl>
    <p v-if="line.count > 1" class="soft">It counts {{ line.count }} places.</p>
    <p v-if="fault !== ''" class="fault" role="alert">{{ fault }}</p>
  </aside>
</template>

<style scoped>
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.act .quiet-button {
  text-align: left;
  white-space: normal;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 12px;
  align-items: baseline;
  margin: 0;
  padding-top: 8px;
  border-top: 1px solid var(--rule-soft);
}

dt {
  color: var(--ink-soft);
}

dd {
  margin: 0;
  overflow-wrap: anywhere;
}

.late {
  border-color: var(--red);
}
</style>
