<script setup lang="ts">
import dayjs from 'dayjs'
import { computed } from 'vue'

/** The month around a day, to choose another. */
const { day, today } = defineProps<{ day: string; today: Date }>()
const emit = defineEmits<{ choose: [day: string] }>()

// Weeks begin on Monday here, as they do wherever else the product draws one.
const english = dayjs.Ls.en
if (english !== undefined) english.weekStart = 1

const shown = computed({
  get: () => day,
  set: (value: string | null) => {
    if (value !== null && value !== '') emit('choose', value)
  },
})
</script>

<template>
  <el-date-picker-panel v-model="shown" value-format="YYYY-MM-DD" :default-value="today" :border="false" />
</template>

<style scoped>
:deep(.el-picker-panel__body) {
  min-width: 0;
}

:deep(.el-picker-panel__content) {
  width: auto;
  margin: 0 4px;
}

:deep(.el-date-picker__header) {
  padding: 4px 4px 0;
}

:deep(.el-date-table td) {
  height: 34px;
}
</style>
