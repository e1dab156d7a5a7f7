<script setup lang="ts">
import { useQueries } from '@tanstack/vue-query'
import { computed } from 'vue'
import { client, take, type Template } from '@/api'
import { MapDrawing, plural, WeekStrip } from '@/shared'

/** What to begin with: each template by what it gives, as its own examples make it. */
const { templates } = defineProps<{ templates: Template[] }>()
const emit = defineEmits<{ choose: [key: string] }>()

const samples = useQueries({
  queries: computed(() =>
    templates.map((template) => ({
      queryKey: ['sample', template.key, template.version],
      queryFn: () => take(client.GET('/templates/{template}/sample', { params: { path: { template: template.key } } })),
      staleTime: Infinity,
    })),
  ),
})
const shown = computed(() => templates.map((template, index) => ({ template, sample: samples.value[index]?.data })))
</script>

<template>
  <ol class="choices" aria-label="Templates">
    <li v-for="{ template, sample } in shown" :key="template.key" :data-testid="`template-${template.key}`">
      <div class="about">
        <h3>{{ template.name }}</h3>
        <p>{{ template.about }}</p>
        <p class="soft small">
          {{ plural(template.slots.filter((slot) => !slot.optional).length, 'question')
          }}{{ sample === undefined ? '' : `; its example makes ${plural(sample.objects, 'object')}`
          }}{{ template.version > 1 ? ` · version ${template.version}` : '' }}
        </p>
        <p>
          <button
            type="button"
            class="quiet-button"
            :aria-label="`Begin with this: ${template.name}`"
            @click="emit('choose', template.key)"
          >
            Begin with this
          </button>
        </p>
      </div>
      <div class="gives">
        <template v-if="sample !== undefined">
          <WeekStrip
            v-if="sample.strip !== null"
            :pieces="sample.strip"
            :label="`A week of ${template.name}`"
            :name="(ref) => sample.names[ref] ?? ref"
          />
          <MapDrawing
            v-if="sample.map !== null"
            :map="sample.map"
            :run="template.key"
            low
            :label="`Where calls go with ${template.name}; arrow keys move it`"
            :name="(ref) => sample.names[ref] ?? ref"
          />
        </template>
        <p v-else class="soft appears-late">drawing what it gives …</p>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.choices {
  margin: 0;
  padding: 0;
  list-style: none;
}

.choices li {
  display: grid;
  grid-template-columns: minmax(220px, 264px) minmax(0, 1fr);
  gap: 6px 28px;
  padding: 14px 0;
  border-top: 1px solid var(--rule);
}

.about {
  display: grid;
  gap: 6px;
  align-content: start;
}

.gives {
  display: grid;
  min-width: 0;
  align-content: start;
  gap: 8px;
  min-height: 120px;
}

@media (width < 800px) {
  .choices li {
    grid-template-columns: 1fr;
  }
}
</style>
