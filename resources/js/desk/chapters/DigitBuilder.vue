<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { client, detailOf, take } from '@/api'
import { useDesk } from '../desk'

/** A digit map ticked together in plain words, or typed; with a name, a new route. */
const { named } = defineProps<{ named?: boolean }>()
const emit = defineEmits<{
  made: [route: { name: string; digits: string; strip: number; class: string; emergency: boolean }]
  left: []
}>()

const { customer } = useDesk()
const prefix = ref<string>()
const picked = ref<string[]>([])
const typed = ref('')
const name = ref('')

const choices = useQuery({
  queryKey: computed(() => ['computed', customer, 'choices', prefix.value ?? null]),
  queryFn: () =>
    take(
      client.GET('/customers/{customer}/outbound/choices', {
        params: { path: { customer }, query: prefix.value === undefined ? {} : { prefix: prefix.value } },
      }),
    ),
  placeholderData: keepPreviousData,
  retry: false,
})

const WIDTH = ['internal', 'local', 'national', 'international']
const chosen = computed(() => (choices.data.value?.choices ?? []).filter((each) => picked.value.includes(each.key)))
const digits = computed(() =>
  typed.value.trim() !== '' ? typed.value.trim() : chosen.value.map((each) => each.digits).join('|'),
)
/** The prefix is the same for all that are ticked but for help, which has none: those are not mixed. */
const isMixed = computed(() => new Set(chosen.value.map((each) => each.strip)).size > 1)
const usual = computed(
  () =>
    chosen.value.map((each) => each.class).sort((one, other) => WIDTH.indexOf(other) - WIDTH.indexOf(one))[0] ??
    'national',
)

function make(): void {
  emit('made', {
    name: name.value.trim(),
    digits: digits.value,
    strip: typed.value.trim() === '' ? (chosen.value[0]?.strip ?? 0) : 0,
    class: usual.value,
    emergency: chosen.value.length === 1 && picked.value.includes('emergency'),
  })
}
</script>

<template>
  <form class="builder" @submit.prevent="make">
    <p v-if="named">
      <span
        >Name
        <el-input
          v-model="name"
          class="lined"
          autocomplete="off"
          aria-label="Name of the route"
          placeholder="such as National"
      /></span>
    </p>
    <p v-if="choices.error.value !== null" class="fault" role="alert">{{ detailOf(choices.error.value) }}</p>
    <p>
      <span
        >Numbers after
        <el-input
          :model-value="prefix ?? choices.data.value?.prefix ?? ''"
          class="lined mono prefix"
          aria-label="Prefix dialled first"
          placeholder="none"
          autocomplete="off"
          @input="prefix = $event.trim()"
        />
        that are</span
      >
    </p>
    <p v-if="choices.data.value?.choices.length === 0" class="soft">
      The book does not say which country the customer is in; type a digit map.
    </p>
    <el-checkbox-group v-model="picked" class="choices" aria-label="Numbers it is for" size="small">
      <el-checkbox v-for="each in choices.data.value?.choices" :key="each.key" :value="each.key">{{
        each.said
      }}</el-checkbox>
    </el-checkbox-group>
    <p>
      <span
        >or typed
        <el-input
          v-model="typed"
          class="lined mono wide"
          autocomplete="off"
          aria-label="Digit map"
          placeholder="9[2-9]xxxxxxxxx|9011x.T"
      /></span>
      {{ ' ' }}
      <span class="soft small">x any digit, [2-9] one of these, . the one before again or not, | or, T the timer</span>
    </p>
    <p v-if="isMixed" class="fault" role="alert">
      Emergency numbers are dialled without a prefix: give them a route of their own.
    </p>
    <p class="acts">
      <span class="mono" aria-live="polite" data-testid="built">{{ digits }}</span>
    </p>
    <p class="acts">
      <button
        type="submit"
        class="quiet-button"
        :disabled="digits === '' || isMixed || (named === true && name.trim() === '')"
      >
        {{ named === true ? 'Make the route' : 'Set these digits' }}
      </button>
      <button v-if="named" type="button" class="text-button" @click="emit('left')">Not now</button>
    </p>
  </form>
</template>

<style scoped>
.builder {
  display: grid;
  gap: 8px;
  margin-top: 10px;
  padding: 10px 12px;
  background: var(--shade);
}

.choices {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
}

.el-input {
  width: 200px;
}

.el-input.prefix {
  width: 60px;
}

.el-input.wide {
  width: 300px;
}

.acts {
  display: flex;
  gap: 12px;
  overflow-wrap: anywhere;
}
</style>
