<script setup lang="ts">
import { ref } from 'vue'
import { client, take, type SiteView } from '@/api'
import { ChoiceField, dateIn, FieldRow, now, readFigure, readTime, TextRow, timeIn, useAttempt } from '@/shared'
import { useDesk } from '../desk'
import WhenRow from './WhenRow.vue'

/** What was measured of a site's line; what nobody measured stays empty. */
const { site, zone } = defineProps<{ site: SiteView; zone: string }>()
const emit = defineEmits<{ done: [sites: SiteView[]]; close: [] }>()

const { customer } = useDesk()
const { busy, faults, attempt } = useAttempt()
const at = now()
const FIGURES = [
  ['down', 'Comes down', 'Mbit/s'],
  ['up', 'Goes up', 'Mbit/s'],
  ['roundTrip', 'There and back', 'Milliseconds to the switch and back again.'],
  ['jitter', 'Jitter', 'Milliseconds'],
  ['loss', 'Loss', 'Packets in a hundred.'],
] as const
type Figure = (typeof FIGURES)[number][0] | 'calls'
const figures = ref<Record<Figure, string>>({ down: '', up: '', roundTrip: '', jitter: '', loss: '', calls: '' })
interface Form {
  day: string
  time: string
  coding: (typeof CODINGS)[number][0]
  ownNetwork: Answer
  backup: Answer
  note: string
}
const form = ref<Form>({
  day: dateIn(at, zone),
  time: timeIn(at, zone),
  coding: 'g711 20',
  ownNetwork: '',
  backup: '',
  note: '',
})
const CODINGS = [
  ['g711 20', 'G.711, 20 ms in a packet'],
  ['g711 30', 'G.711, 30 ms in a packet'],
  ['g729 20', 'G.729, 20 ms in a packet'],
  ['g729 30', 'G.729, 30 ms in a packet'],
] as const
type Answer = '' | 'yes' | 'no'
const ANSWERS = [
  ['', 'not looked at'],
  ['yes', 'yes'],
  ['no', 'no'],
] as const
const bool = (answer: Answer): boolean | null => (answer === '' ? null : answer === 'yes')

const send = (): Promise<void> =>
  attempt(async () => {
    const { day, time, coding, ownNetwork, backup, note } = form.value
    const [codec, packetMs] = coding.split(' ') as ['g711' | 'g729', '20' | '30']
    // What is no number goes as it was typed: it is refused where it stands.
    const figure = (of: Figure): number | null => readFigure(figures.value[of]) as number | null
    const { sites } = await take(
      client.POST('/customers/{customer}/sites/{site}/line', {
        params: { path: { customer, site: site.key } },
        body: {
          at: `${day}T${readTime(time) ?? time}`,
          down: figure('down'),
          up: figure('up'),
          roundTrip: figure('roundTrip'),
          jitter: figure('jitter'),
          loss: figure('loss'),
          calls: figure('calls'),
          ownNetwork: bool(ownNetwork),
          backup: bool(backup),
          codec,
          packetMs: packetMs === '20' ? 20 : 30,
          note: note === '' ? null : note,
        },
      }),
    )
    emit('done', sites)
    emit('close')
  })
</script>

<template>
  <form novalidate data-testid="line-form" @submit.prevent="send">
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <WhenRow
      v-model:day="form.day"
      v-model:time="form.time"
      label="Measured on"
      what="measurement"
      :zone
      :fault="faults['at']"
    />
    <TextRow
      v-for="[name, label, unit] in FIGURES"
      :key="name"
      v-model="figures[name]"
      :label
      :help="unit"
      :fault="faults[name]"
      :name
      inputmode="decimal"
      autocomplete="off"
    />
    <TextRow
      v-model="figures.calls"
      label="Calls at once"
      help="If more are expected than are known; as many as are of one group here count anyway."
      :fault="faults['calls']"
      name="calls"
      inputmode="numeric"
      autocomplete="off"
    />
    <FieldRow v-slot="field" label="Telephones code in" :fault="faults['codec'] ?? faults['packetMs']">
      <ChoiceField :id="field.id" v-model="form.coding" :options="CODINGS" />
    </FieldRow>
    <FieldRow v-slot="field" label="Network of its own" help="For telephones alone." :fault="faults['ownNetwork']">
      <ChoiceField :id="field.id" v-model="form.ownNetwork" :options="ANSWERS" />
    </FieldRow>
    <FieldRow v-slot="field" label="Goes on without mains" :fault="faults['backup']">
      <ChoiceField :id="field.id" v-model="form.backup" :options="ANSWERS" />
    </FieldRow>
    <TextRow v-model="form.note" label="Note" :fault="faults['note']" name="note" autocomplete="off" />
    <p class="acts">
      <el-button type="primary" native-type="submit" :disabled="busy">Keep it</el-button>
      <button type="button" class="quiet-button" @click="emit('close')">Not now</button>
    </p>
  </form>
</template>

<style scoped>
form {
  max-width: 700px;
  padding-top: 8px;
}

.acts {
  display: flex;
  gap: 12px;
  padding-top: 10px;
}
</style>
