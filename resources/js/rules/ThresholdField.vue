<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { detailOf, type Threshold } from '@/api'

/** What counts as too much: as delivered, as set for every customer, and as set for one. */
const props = defineProps<{
  threshold: Threshold
  isOwn: boolean
  mayChange: boolean
  set: (name: string, value: number | null) => Promise<void>
}>()

const id = useId()
const known = computed(() => (props.isOwn ? (props.threshold.own ?? props.threshold.forAll) : props.threshold.forAll))
const isSet = computed(() =>
  props.isOwn ? props.threshold.own !== null : props.threshold.forAll !== props.threshold.standard,
)
const typed = ref(String(known.value))
const fault = ref('')
const busy = ref(false)
watch(known, (value) => (typed.value = String(value)))

async function change(value: number | null): Promise<void> {
  if (busy.value || value === known.value) return
  busy.value = true
  fault.value = ''
  try {
    await props.set(props.threshold.name, value)
    typed.value = String(known.value)
  } catch (error) {
    fault.value = detailOf(error)
  }
  busy.value = false
}

function enter(): void {
  const text = typed.value.trim()
  if (/^-?\d{1,6}$/.test(text)) void change(Number(text))
  else fault.value = `“${text}” is not a whole number.`
}

function leaveAsItWas(): void {
  typed.value = String(known.value)
  fault.value = ''
}
</script>

<template>
  <div class="threshold">
    <label :for="id">{{ threshold.what }}</label>
    <p class="value">
      <el-input
        :id="id"
        v-model="typed"
        size="small"
        inputmode="numeric"
        :disabled="!mayChange || busy"
        :aria-invalid="fault !== ''"
        :aria-describedby="`${id}-said`"
        @keydown.enter="enter"
        @keydown.esc.stop="leaveAsItWas"
        @change="enter"
        ><template #suffix>{{ threshold.unit }}</template></el-input
      >
      <button v-if="isSet && mayChange" type="button" class="text-button" :disabled="busy" @click="change(null)">
        {{ isOwn ? `as for every customer: ${threshold.forAll}` : `as delivered: ${threshold.standard}` }}
      </button>
    </p>
    <p :id="`${id}-said`" class="soft small">
      {{ threshold.reason }} {{ threshold.least }} to {{ threshold.most }}; common practice is {{ threshold.standard }}.
    </p>
    <p v-if="fault !== ''" class="fault" role="alert">{{ fault }}</p>
    <p v-if="!mayChange" class="soft small">Only who looks after every customer sets this.</p>
  </div>
</template>

<style scoped>
.threshold {
  display: grid;
  gap: 3px;
}

.value {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: baseline;
}

.el-input {
  width: 150px;
}
</style>
