<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import type { UploadFile } from 'element-plus'
import { computed, onBeforeUnmount, ref } from 'vue'
import { client, detailOf, take, type ObjectOf, type Recording } from '@/api'
import { age, useNow } from '@/shared'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import { beginTake, type Take } from '../sound'

/** A prompt: its script, what it sounds like, and every version of that. */
const { prompt } = defineProps<{ prompt: ObjectOf<'prompt'> }>()

const { customer, queries, names } = useDesk()
const queryClient = useQueryClient()
const now = useNow()
const path = computed(() => ({ customer, prompt: prompt.key }))
const queryKey = computed(() => ['computed', customer, 'recordings', prompt.key])
const { data, error } = useQuery({
  queryKey,
  queryFn: async () =>
    (await take(client.GET('/customers/{customer}/prompts/{prompt}/recordings', { params: { path: path.value } })))
      .recordings,
})

const ORIGINS = { upload: 'from a file', microphone: 'recorded here', studio: 'stand-in voice' } as const

const fault = ref<string>()
const isBusy = ref(false)
const recording = ref<Take>()
const isOver = ref(false)

const { changes } = useDraft()
/** What sounds here is the draft's: not in the book before it is entered. */
const isPending = computed(() =>
  changes.value.some((change) => change.object === prompt.ref && (change.path ?? 'audio').split('/')[0] === 'audio'),
)
const audio = computed(() => prompt.fields.audio)
const script = computed(() => prompt.fields.script ?? '')
const users = computed(() => names.value.objects.filter((object) => object.refersTo.includes(prompt.ref)))
/** Words at 150 a minute, as long as nothing is recorded. */
const length = computed(() => {
  if (audio.value === null) {
    return `${Math.ceil(((script.value.match(/\S+/g)?.length ?? 0) * 60) / 150)} s as spoken at 150 words a minute`
  }
  const { seconds, peakDb } = audio.value
  return `${seconds.toFixed(1)} s, ${peakDb === null ? 'silent' : `${peakDb} dB at its loudest`}`
})

async function attempt(work: () => Promise<unknown>): Promise<void> {
  isBusy.value = true
  fault.value = undefined
  try {
    await work()
    await queryClient.invalidateQueries({ queryKey: queries.desk.queryKey })
    await queryClient.invalidateQueries({ queryKey: queryKey.value })
  } catch (error) {
    fault.value = detailOf(error)
  } finally {
    isBusy.value = false
  }
}

function send(sound: ArrayBuffer, origin: 'upload' | 'microphone'): Promise<void> {
  return attempt(() =>
    take(
      client.POST('/customers/{customer}/prompts/{prompt}/recordings', {
        params: { path: path.value, query: { origin } },
        headers: { 'Content-Type': 'audio/wav' },
        body: '' as never,
        bodySerializer: () => new Blob([sound], { type: 'audio/wav' }),
      }),
    ),
  )
}

async function upload(chosen: File | undefined): Promise<void> {
  isOver.value = false
  if (chosen !== undefined) await send(await chosen.arrayBuffer(), 'upload')
}

async function record(): Promise<void> {
  fault.value = undefined
  const running = recording.value
  try {
    if (running === undefined) {
      recording.value = await beginTake()
      return
    }
    recording.value = undefined
    await send(await running.stop(), 'microphone')
  } catch {
    recording.value = undefined
    fault.value = 'The browser gave no sound: it may need leave to use the microphone, or there is none.'
  }
}

const speak = (): Promise<void> =>
  attempt(() =>
    take(client.POST('/customers/{customer}/prompts/{prompt}/recordings/speech', { params: { path: path.value } })),
  )

const useAgain = (no: number): Promise<void> =>
  attempt(() =>
    take(
      client.POST('/customers/{customer}/prompts/{prompt}/recordings/{no}/use', {
        params: { path: { ...path.value, no } },
      }),
    ),
  )

function address(no: number, kind = ''): string {
  return `/api/customers/${customer}/prompts/${prompt.key}/recordings/${no}/audio${kind}`
}

function outline(waveform: number[]): string {
  return waveform
    .map((size, place) => `M${place} ${20 - Math.max(0.5, size / 5)}V${20 + Math.max(0.5, size / 5)}`)
    .join('')
}

function remarks(each: Recording): string {
  return [...each.remarks, ...(each.isOfThisScript ? [] : ['the script was another then'])].join('; ')
}

onBeforeUnmount(() => {
  recording.value?.drop()
})

function dropRecording(): void {
  recording.value?.drop()
  recording.value = undefined
}
</script>

<template>
  <!-- The button takes a file by keyboard. -->
  <!-- eslint-disable-next-line vuejs-accessibility/no-static-element-interactions -->
  <section
    class="prompt"
    :aria-label="`Prompt ${prompt.label}`"
    @dragover.prevent="isOver = true"
    @dragleave="isOver = false"
    @drop.prevent="upload($event.dataTransfer?.files[0])"
  >
    <p class="script">
      “<InlineField :object="prompt" path="script" :type="{ unset: 'no script yet' }" label="Script" />”
    </p>
    <p class="soft">
      In <InlineField :object="prompt" path="language" label="Language" /> · <span class="mono">{{ length }}</span>
      <template v-if="prompt.fields.standIn"> · <strong>spoken by a stand-in voice</strong></template>
      · {{ users.length === 0 ? 'heard nowhere' : `heard at ${users.map((each) => each.label).join(', ')}` }}
    </p>
    <p class="acts">
      <el-upload
        :auto-upload="false"
        :show-file-list="false"
        accept="audio/wav,.wav"
        :disabled="isBusy"
        :on-change="(chosen: UploadFile) => void upload(chosen.raw)"
        ><span class="quiet-button">Take a WAV file</span></el-upload
      >
      <button
        type="button"
        class="quiet-button"
        :class="{ live: recording !== undefined }"
        :disabled="isBusy"
        :aria-pressed="recording !== undefined"
        @click="record"
      >
        {{ recording === undefined ? 'Record it here' : 'Stop, and keep it' }}
      </button>
      <button v-if="recording !== undefined" type="button" class="text-button" @click="dropRecording">drop it</button>
      <button type="button" class="quiet-button" :disabled="isBusy || script.trim() === ''" @click="speak">
        Have it spoken for now
      </button>
      <span class="soft small">{{
        isOver ? 'Let go to take the file.' : 'or drop a file here; it is made 8 kHz mono, as telephones play it'
      }}</span>
    </p>
    <p v-if="fault !== undefined" class="fault" role="alert">{{ fault }}</p>
    <p v-if="error !== null" class="fault" role="alert">{{ detailOf(error) }}</p>
    <table v-if="data !== undefined && data.length > 0" data-testid="recordings">
      <thead>
        <tr>
          <th scope="col">No.</th>
          <th scope="col">Sound</th>
          <th scope="col">Length</th>
          <th scope="col">From</th>
          <th scope="col">By</th>
          <td class="corner" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in data" :key="each.no" :class="{ used: each.isUsed }">
          <td class="mono">{{ each.no }}</td>
          <td>
            <svg
              class="wave"
              :viewBox="`0 0 ${Math.max(1, each.waveform.length)} 40`"
              preserveAspectRatio="none"
              role="img"
              :aria-label="`Loudness over ${each.seconds.toFixed(1)} s`"
            >
              <path :d="outline(each.waveform)" />
            </svg>
            <!-- eslint-disable-next-line vuejs-accessibility/media-has-caption -- the script above says it in words -->
            <audio controls preload="none" :src="address(each.no, '?as=pcm')" />
          </td>
          <td class="mono">{{ each.seconds.toFixed(1) }} s</td>
          <td>
            {{ ORIGINS[each.origin] }} <span class="soft small">{{ each.cameAs }}</span><span
              v-if="remarks(each) !== ''"
              class="remark small"
              >{{ remarks(each) }}</span
            >
          </td>
          <td class="soft">{{ each.by }}, {{ age(each.at, now) }}</td>
          <td class="hands">
            <span v-if="each.isUsed" class="soft">{{ isPending ? 'chosen, pending' : 'in the book' }}</span><button
              v-else
              type="button"
              class="text-button"
              :disabled="isBusy"
              @click="useAgain(each.no)"
            >
              use it
            </button>
            {{ ' ' }}
            <a :href="address(each.no)" :download="`${prompt.key}-${each.no}.wav`">WAV</a>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.prompt {
  display: grid;
  gap: 10px;
  margin-top: 12px;
}

.script {
  max-width: 46em;
  font: italic 15px/1.6 var(--serif);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: baseline;
}

.live {
  border-color: var(--red);
  color: var(--red);
}

.wave {
  display: block;
  width: 220px;
  height: 34px;
}

.wave path {
  fill: none;
  stroke: var(--teal);
  vector-effect: non-scaling-stroke;
}

audio {
  display: block;
  width: 220px;
  height: 28px;
}

.used td {
  background: var(--shade);
}

.remark {
  display: block;
  color: var(--red);
}

.hands {
  white-space: nowrap;
}
</style>
