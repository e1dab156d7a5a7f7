<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { client, take, type BookObject } from '@/api'
import { OfferField, plural, useAttempt } from '@/shared'
import { useDesk, useDraft } from './desk'
import InlineField from './InlineField.vue'
import { whatIsMeant } from './meant'
import { TAKES_CALLS } from './catalogue'
import { placesLike } from './places'

/** Which numbers lead to an object, each by its way; those that lead there at once can be led elsewhere. */
const { object } = defineProps<{ object: BookObject }>()

const { customer, names, mayEdit } = useDesk()
const { edit } = useDraft()
const ways = useQuery({
  queryKey: computed(() => ['computed', customer, 'leads', object.ref]),
  queryFn: () =>
    take(client.GET('/customers/{customer}/leads', { params: { path: { customer }, query: { object: object.ref } } })),
})
const lines = computed(() =>
  (ways.data.value?.numbers ?? []).flatMap((way) => {
    const number = names.value.as('number', way.number)
    return number === undefined ? [] : [{ ...way, object: number }]
  }),
)
const direct = computed(() => lines.value.filter((each) => each.by === 'destination' && each.through.length === 0))
const to = ref('')
const wrong = ref('')
const { busy, faults, attempt } = useAttempt()
watch(
  () => object.ref,
  () => (to.value = wrong.value = ''),
)
const places = (text: string): string[] => placesLike(names.value, text, object.ref)

const lead = (): Promise<void> =>
  attempt(async () => {
    const [place] = await whatIsMeant(customer, [to.value], TAKES_CALLS, true)
    wrong.value = place?.value === null ? (place.fault ?? 'nothing here is called so') : ''
    const value = place?.value ?? null
    if (value === null) return
    await edit(direct.value.map((each) => ({ object: each.number, path: 'destination', value })))
    to.value = ''
  })
</script>

<template>
  <section class="led" aria-label="Numbers that lead here" data-testid="led-here">
    <h3>Numbers that lead here</h3>
    <p v-if="ways.isPending.value" class="soft">…</p>
    <p v-else-if="ways.data.value === undefined" class="fault">Not known: the server could not say.</p>
    <p v-else-if="lines.length === 0" class="soft">None.</p>
    <ul v-else>
      <li v-for="each in lines" :key="each.number">
        <span class="mono">{{ each.object.display }}</span>
        <template v-if="each.through.length > 0">
          → {{ each.through.map((step) => names.of(step)).join(' → ') }} → here</template
        >
        <template v-else-if="each.by === 'destination'">
          → <InlineField :object="each.object" path="destination" :label="`Where ${each.object.display} leads`"
        /></template>
        <span v-else class="soft"> for some of its callers</span>
      </li>
    </ul>
    <form v-if="mayEdit && direct.length > 0" class="elsewhere" novalidate @submit.prevent="lead">
      <span>Lead {{ direct.length === 1 ? 'it' : `all ${plural(direct.length, 'number')}` }} to</span>
      <OfferField v-model="to" :offers="places" aria-label="Where they are to lead" />
      <button type="submit" class="quiet-button" :disabled="busy || to.trim() === ''">Lead elsewhere</button>
      <span v-if="wrong !== '' || faults[''] !== undefined" class="fault" role="alert">{{ wrong || faults[''] }}</span>
    </form>
  </section>
</template>

<style scoped>
.led {
  min-height: 54px;
}

ul {
  margin: 2px 0;
  padding: 0;
  list-style: none;
}

.elsewhere {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
}
</style>
