<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref, watch, type WritableComputedRef } from 'vue'
import { client, take, type SettingsSaid } from '@/api'
import {
  ChoiceField,
  ErrorState,
  FieldRow,
  LoadingLines,
  PageTop,
  readTime,
  TextRow,
  useAttempt,
  useTitle,
} from '@/shared'
import ConnectionFields from './ConnectionFields.vue'
import { asSaid, settingsQuery, useKeeping } from './settings'
import SwitchLines from './SwitchLines.vue'

/** What holds for the whole house: for leads. Each part is kept by itself, and can be put back. */
const settings = useQuery(settingsQuery)
const keepAtServer = useKeeping()
const { busy, faults, attempt } = useAttempt()
const outcome = ref('')
const before = ref<SettingsSaid>()

const said = reactive<Partial<Required<SettingsSaid>>>({})
const kept = computed(() => (settings.data.value === undefined ? undefined : asSaid(settings.data.value)))
// What is half typed in one part stays while another is kept.
watch(
  kept,
  (now, then) => {
    if (now === undefined) return
    for (const key of Object.keys(now) as (keyof SettingsSaid)[]) {
      if (then === undefined || JSON.stringify(then[key]) !== JSON.stringify(now[key]))
        Object.assign(said, { [key]: structuredClone(now[key]) })
    }
  },
  { immediate: true },
)

const PARTS = {
  house: ['reseller', 'region', 'zone'],
  papers: ['colour', 'letterhead', 'languages'],
  nights: ['nightlyAt', 'nightlyAs', 'lettersAt', 'mailFrom'],
  reach: ['switches', 'carrier', 'studio'],
  guard: ['secondFactorFor', 'pushWithBlockers'],
  numbers: ['restDays', 'orderLimitCents'],
  time: ['retention'],
} as const satisfies Record<string, readonly (keyof SettingsSaid)[]>
type Part = keyof typeof PARTS

const differs = (part: Part): boolean =>
  PARTS[part].some((key) => JSON.stringify(said[key]) !== JSON.stringify(kept.value?.[key]))

const asTyped = (key: keyof SettingsSaid): unknown => {
  const value = said[key]
  if ((key === 'nightlyAt' || key === 'lettersAt') && typeof value === 'string') return readTime(value) ?? value
  if (key === 'mailFrom') return typeof value === 'string' && value.trim() !== '' ? value.trim() : null
  return value
}

async function keep(part: Part): Promise<void> {
  const was = Object.fromEntries(PARTS[part].map((key) => [key, structuredClone(kept.value?.[key])]))
  const now = Object.fromEntries(PARTS[part].map((key) => [key, asTyped(key)]))
  outcome.value = ''
  before.value = undefined
  await attempt(async () => {
    await keepAtServer(now)
    for (const key of PARTS[part]) Object.assign(said, { [key]: structuredClone(kept.value?.[key]) })
    // A token that was changed is nowhere to be put back from.
    before.value = part === 'reach' ? undefined : was
    outcome.value = 'Kept, and in the log with what it was before.'
  })
}

async function putBack(): Promise<void> {
  const was = before.value
  if (was === undefined) return
  before.value = undefined
  await attempt(async () => {
    await keepAtServer(was)
    outcome.value = 'As it was before.'
  })
}

async function sendLetter(): Promise<void> {
  outcome.value = ''
  before.value = undefined
  await attempt(async () => {
    await take(client.POST('/settings/letter'))
    outcome.value = 'A letter is on its way to you.'
  })
}

const zones = Intl.supportedValuesOf('timeZone').map((zone) => [zone, zone.replaceAll('_', ' ')] as const)
const regions = computed(() =>
  (settings.data.value?.choices.regions ?? []).map(({ code, name }) => [code, name] as const),
)
const people = computed(() => [
  ['', 'nobody: no nightly audit'] as const,
  ...(settings.data.value?.choices.people ?? []).map(({ code, name }) => [code, name] as const),
])
const nightlyAs = computed({
  get: () => said.nightlyAs ?? '',
  set: (who) => (said.nightlyAs = who === '' ? null : who),
})
const mailFrom = computed({
  get: () => said.mailFrom ?? '',
  set: (address) => (said.mailFrom = address === '' ? null : address),
})

const ABILITIES = [
  ['read', 'looking at customers'],
  ['edit', 'changing books'],
  ['push', 'pushing to switches'],
  ['bill', 'ordering what costs'],
  ['lead', 'what leads do'],
] as const
const GATES = [
  ['open', 'is let through, and the findings stand beside it'],
  ['leads', 'is for leads alone'],
  ['shut', 'is refused until they are mended or waived'],
] as const
const KEPT: Record<string, { label: string; help: string }> = {
  readings: {
    label: 'Readings of switches',
    help: 'Only those in which something was otherwise than in the one before are kept at all.',
  },
  calls: { label: 'Call records', help: 'Callers’ numbers are in them.' },
  recordings: { label: 'Recordings nobody uses', help: 'Older versions that no book has named since.' },
  papers: { label: 'Papers', help: 'Kept answers, dropped drafts, and what runs of audits looked at.' },
  logs: { label: 'Logs', help: 'Faults and requests of this machine.' },
  backups: { label: 'Backups', help: 'How long you keep them elsewhere: what a purge says it cannot reach before.' },
}
const days = (name: string): WritableComputedRef<string> =>
  computed({
    get: () => String(said.retention?.[name] ?? ''),
    set: (text) => {
      if (said.retention === undefined) return
      // What is no number goes to the server as it is, which says what was wanted.
      said.retention[name] = /^\d+$/.test(text.trim()) ? Number(text.trim()) : (text as unknown as number)
    },
  })
const kinds = computed(() =>
  (settings.data.value?.choices.retention ?? []).map((each) => ({
    ...each,
    days: days(each.name),
    ...KEPT[each.name],
  })),
)

const RESTS = [
  ['local', 'Local numbers rest'],
  ['tollFree', 'Toll-free numbers rest'],
  ['mobile', 'Mobile numbers rest'],
] as const
const rest = (kind: (typeof RESTS)[number][0]): WritableComputedRef<string> =>
  computed({
    get: () => String(said.restDays?.[kind] ?? ''),
    set: (text) => {
      if (said.restDays === undefined) return
      said.restDays[kind] = /^\d+$/.test(text.trim()) ? Number(text.trim()) : (text as unknown as number)
    },
  })
const rests = RESTS.map(([kind, label]) => ({ kind, label, days: rest(kind) }))
/** Typed as an amount, kept in cents; what is no amount goes to the server as it is, which says what was wanted. */
const limit = ref('')
watch(
  () => kept.value?.orderLimitCents,
  (cents) => (limit.value = cents === null || cents === undefined ? '' : String(cents / 100)),
  { immediate: true },
)
watch(limit, (text) => {
  const amount = text.trim().replaceAll(/[ $]/g, '').replace(',', '.')
  const cents = /^\d+(\.\d{0,2})?$/.test(amount) ? Math.round(Number(amount) * 100) : (text as unknown as number)
  said.orderLimitCents = amount === '' ? null : cents
})

useTitle(() => ['Settings'])
</script>

<template>
  <PageTop
    ><router-link to="/">‹ Roster</router-link>
    <h1 class="title">Settings</h1>
    <span class="soft">what holds for the whole house</span></PageTop
  >
  <main class="settings">
    <p class="outcome" :class="{ said: outcome !== '' }" role="status">
      {{ outcome }}
      <button v-if="before !== undefined" type="button" class="quiet-button" @click="putBack">Put it back</button>
    </p>
    <p v-if="faults[''] !== undefined" class="fault" role="alert">{{ faults[''] }}</p>
    <LoadingLines v-if="settings.isPending.value" what="settings" />
    <ErrorState
      v-else-if="settings.data.value === undefined"
      :error="settings.error.value"
      @again="settings.refetch()"
    />
    <template v-else>
      <form novalidate @submit.prevent="keep('house')">
        <h2>Whose house it is</h2>
        <TextRow v-model="said.reseller!" label="Reseller" :fault="faults['reseller']" name="reseller" maxlength="80" />
        <FieldRow
          v-slot="field"
          label="Region"
          help="Whose national numbers are meant where a list says none of its own."
          :fault="faults['region']"
        >
          <ChoiceField :id="field.id" v-model="said.region!" :options="regions" placeholder="Choose" />
        </FieldRow>
        <FieldRow v-slot="field" label="Time zone" help="In which the times below are meant." :fault="faults['zone']">
          <ChoiceField :id="field.id" v-model="said.zone!" :options="zones" />
        </FieldRow>
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="busy || !differs('house')">Keep</el-button>
        </p>
      </form>

      <form novalidate @submit.prevent="keep('reach')">
        <h2>Switches, carrier and studio</h2>
        <SwitchLines v-model="said.switches!" :settings="settings.data.value" :faults />
        <ConnectionFields
          v-model="said.carrier!"
          of="carrier"
          label="Carrier"
          help="Numbers are ordered and brought over there."
          :kept="settings.data.value.carrier"
          :faults
        />
        <ConnectionFields
          v-model="said.studio!"
          of="studio"
          label="Studio"
          help="Speaks scripts of prompts; without one they are uploaded or recorded."
          :kept="settings.data.value.studio"
          :faults
        />
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="busy || !differs('reach')">Keep</el-button>
        </p>
      </form>

      <form novalidate @submit.prevent="keep('nights')">
        <h2>Nights and letters</h2>
        <TextRow
          v-model="said.nightlyAt!"
          label="Everything is audited at"
          :fault="faults['nightlyAt']"
          name="nightlyAt"
        />
        <FieldRow
          v-slot="field"
          label="In whose name"
          help="What they are granted is what is looked at."
          :fault="faults['nightlyAs']"
        >
          <ChoiceField :id="field.id" v-model="nightlyAs" :options="people" />
        </FieldRow>
        <TextRow
          v-model="said.lettersAt!"
          label="Letters go out at"
          help="About what is new, to whoever wants one (Findings)."
          :fault="faults['lettersAt']"
          name="lettersAt"
        />
        <TextRow
          v-model="mailFrom"
          label="From"
          :help="`Left empty: ${settings.data.value.mailFromFile}, as the settings file says.`"
          :fault="faults['mailFrom']"
          name="mailFrom"
          type="email"
        />
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="busy || !differs('nights')">Keep</el-button>
          <button type="button" class="quiet-button" :disabled="busy" @click="sendLetter">
            Send me a letter to try
          </button>
        </p>
      </form>

      <form novalidate @submit.prevent="keep('guard')">
        <h2>Second factor, and what may be pushed</h2>
        <FieldRow
          v-slot="field"
          label="A second factor is required for"
          help="Whoever has none may do the rest until they switch one on."
          :fault="faults['secondFactorFor']"
        >
          <el-checkbox-group :id="field.id" v-model="said.secondFactorFor!" :aria-label="'Second factor required for'">
            <el-checkbox v-for="[value, label] in ABILITIES" :key="value" :value :label />
          </el-checkbox-group>
        </FieldRow>
        <FieldRow v-slot="field" label="A push while blockers stand" :fault="faults['pushWithBlockers']">
          <ChoiceField :id="field.id" v-model="said.pushWithBlockers!" :options="GATES" />
        </FieldRow>
        <p class="soft small">
          What counts as too much, for every customer and for one, is on the page of
          <router-link to="/rules">rules</router-link>.
        </p>
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="busy || !differs('guard')">Keep</el-button>
        </p>
      </form>

      <form novalidate @submit.prevent="keep('numbers')">
        <h2>Numbers</h2>
        <p class="soft">A number that served rests once its customer lets it go, until callers have forgotten it.</p>
        <TextRow
          v-for="each in rests"
          :key="each.kind"
          v-model="each.days.value"
          :label="each.label"
          help="Days."
          :fault="faults[`restDays/${each.kind}`]"
          :name="`rest-${each.kind}`"
          inputmode="numeric"
        />
        <TextRow
          v-model="limit"
          label="A lead confirms orders above"
          help="Once and a month together. Left empty, whoever may order what costs orders any."
          :fault="faults['orderLimitCents']"
          name="orderLimit"
          inputmode="decimal"
        />
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="busy || !differs('numbers')">Keep</el-button>
        </p>
      </form>

      <form novalidate @submit.prevent="keep('papers')">
        <h2>Papers</h2>
        <TextRow
          v-model="said.colour!"
          label="Colour of their head"
          help="# and six digits; white letters have to be readable on it."
          :fault="faults['colour']"
          name="colour"
          maxlength="7"
        />
        <FieldRow v-slot="field" label="Below the name" :fault="faults['letterhead']">
          <el-input
            :id="field.id"
            v-model="said.letterhead!"
            type="textarea"
            :autosize="{ minRows: 2, maxRows: 6 }"
            placeholder="Street, town, telephone"
          />
        </FieldRow>
        <FieldRow v-slot="field" label="Languages offered" :fault="faults['languages']">
          <el-checkbox-group :id="field.id" v-model="said.languages!" :aria-label="'Languages offered'">
            <el-checkbox
              v-for="each in settings.data.value.choices.languages"
              :key="each.code"
              :value="each.code"
              :label="each.name"
            />
          </el-checkbox-group>
        </FieldRow>
        <div class="paper" :style="{ background: said.colour }" aria-label="How the head of a paper looks">
          <strong>{{ said.reseller }}</strong>
          <p>{{ said.letterhead }}</p>
        </div>
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="busy || !differs('papers')">Keep</el-button>
        </p>
      </form>

      <form novalidate @submit.prevent="keep('time')">
        <h2>How long things are kept</h2>
        <p class="soft">
          Books, revisions, pushes and the log of what was done stay as long as the customer does. In days:
        </p>
        <TextRow
          v-for="each in kinds"
          :key="each.name"
          v-model="each.days.value"
          :label="each.label ?? each.name"
          :help="`${each.help ?? ''} ${each.least} to ${each.most}; as it comes: ${each.usual}.`"
          :fault="faults[`retention/${each.name}`]"
          :name="`retention-${each.name}`"
          inputmode="numeric"
        />
        <p class="send">
          <el-button type="primary" native-type="submit" :disabled="busy || !differs('time')">Keep</el-button>
        </p>
      </form>
    </template>
  </main>
</template>

<style scoped>
.title {
  font-size: 18px;
}

.settings {
  display: grid;
  gap: 12px;
  max-width: 1000px;
  padding: 14px 22px 60px;
}

form {
  display: grid;
  gap: 4px;
  padding-bottom: 18px;
}

.outcome {
  position: sticky;
  top: 0;
  z-index: 2;
}

.outcome.said {
  padding: 8px 12px;
  border-left: 3px solid var(--buoy);
  background: var(--sheet);
}

.send {
  display: flex;
  gap: 14px;
  padding-top: 12px;
}

.paper {
  max-width: 420px;
  padding: 14px 18px;
  color: white;
}

.paper p {
  font-size: 12px;
  white-space: pre-line;
}
</style>
