<script setup lang="ts">
import { computed, defineAsyncComponent, ref, useId, watch } from 'vue'
import { now } from '../clock'
import { readDay } from '../days'
import { dayInWords } from '../manner'

/**
 * A day, typed as people type days or chosen in a calendar, and said as the product says days. What cannot be read
 * stays as it was typed, with the reason under it; the holder gets it as typed, so that it is refused and not lost.
 */
defineOptions({ inheritAttrs: false })
const { zone = Intl.DateTimeFormat().resolvedOptions().timeZone, past } = defineProps<{
  zone?: string
  /** Of something that was: a day without its year is the last one. */
  past?: boolean
}>()
const toward = computed(() => (past ? 'last' : 'next'))
/** Left, or chosen: what there is to act on. What cannot be read is not told. */
const emit = defineEmits<{ keep: [day: string] }>()
/** As the book writes days, `2026-12-24`; empty for none. */
const day = defineModel<string>({ required: true })

/** The calendar comes when somebody opens it: most days are typed. */
const Calendar = defineAsyncComponent(() => import('./DayCalendar.vue'))

const inWords = (day: string): string => (/^\d{4}-\d{2}-\d{2}$/.test(day) ? dayInWords(day) : day)

const id = useId()
const typed = ref(inWords(day.value))
const isOpen = ref(false)
const isFaulty = ref(false)
let own = day.value
let kept = day.value
watch(day, (value) => {
  if (value === own) return
  own = value
  kept = value
  typed.value = inWords(value)
  isFaulty.value = false
})

const read = (text: string): string =>
  text.trim() === '' ? '' : (readDay(text, zone, now(), toward.value) ?? text.trim())
const isDay = computed(() => /^\d{4}-\d{2}-\d{2}$/.test(day.value))

function take(text: string): void {
  own = read(text)
  day.value = own
  isFaulty.value = false
}

function keep(): void {
  take(typed.value)
  typed.value = inWords(own)
  isFaulty.value = own !== '' && readDay(own, zone, now(), toward.value) === undefined
  if (isFaulty.value || own === kept) return
  kept = own
  emit('keep', own)
}

function choose(chosen: string): void {
  typed.value = chosen
  isOpen.value = false
  keep()
}
</script>

<template>
  <span class="day">
    <el-input
      v-model="typed"
      v-bind="$attrs"
      size="small"
      autocomplete="off"
      :placeholder="past ? '20 Nov, fri, 2 weeks ago' : '24 Dec, fri, in 2 weeks'"
      :aria-invalid="isFaulty"
      :aria-errormessage="isFaulty ? id : undefined"
      @input="take"
      @change="keep"
    >
      <template #suffix>
        <el-popover v-model:visible="isOpen" trigger="click" placement="bottom-end" width="auto" :persistent="false">
          <template #reference>
            <button type="button" class="opens" aria-label="Calendar" :aria-expanded="isOpen">▾</button>
          </template>
          <div class="room"><Calendar :day="isDay ? day : ''" :today="now()" @choose="choose" /></div>
        </el-popover>
      </template>
    </el-input>
    <span v-if="isFaulty" :id class="fault small" role="alert"
      >“{{ typed }}” is no day that can be read; 24 Dec 2026 or 2026-12-24 is.</span
    >
  </span>
</template>

<style scoped>
.day {
  display: inline-block;
  width: 190px;
}

.opens {
  min-width: 24px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--ink-soft);
  cursor: pointer;
}

.room {
  /* As large as the calendar will be, so that it is placed where it fits before it comes. */
  width: 296px;
  height: 310px;
}

.fault {
  display: block;
}
</style>
