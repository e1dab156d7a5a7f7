<script setup lang="ts">
import { type Settings } from '@/api'
import { ChoiceField, plural } from '@/shared'
import { type Trial } from './settings'
import TryOut from './TryOut.vue'

export interface SwitchSaid {
  name: string
  kind: string
  url?: string | null
  directory?: string | null
  token?: string | null
}

/** The switches there are: those of the settings file to be read, the others to be changed. */
const { settings, faults } = defineProps<{ settings: Settings; faults: Record<string, string> }>()
const said = defineModel<SwitchSaid[]>({ required: true })

const EXAMPLE = 'https://switch.example'
const kept = (name: string): Settings['switches'][number] | undefined =>
  settings.switches.find((each) => each.name === name && !each.isOfFile)
const kinds = settings.choices.kinds.map(({ code, name }) => [code, name] as const)
const wants = (kind: string, what: 'url' | 'token' | 'directory'): boolean =>
  settings.choices.kinds.find((each) => each.code === kind)?.wants.includes(what) === true
const nothing = (text: string | null | undefined): string | null =>
  text === undefined || text === null || text.trim() === '' ? null : text.trim()

function change(at: number, part: Partial<SwitchSaid>): void {
  said.value = said.value.map((each, place) => (place === at ? { ...each, ...part } : each))
}
const add = (): void => {
  said.value = [...said.value, { name: '', kind: kinds[0]?.[0] ?? '', url: null, directory: null, token: null }]
}
const take = (at: number): void => {
  said.value = said.value.filter((_, place) => place !== at)
}
const onIt = (name: string): string => {
  const customers = settings.switches.find((each) => each.name === name)?.customers ?? 0
  return customers === 0 ? 'no customer on it' : `${plural(customers, 'customer')} on it`
}
const trialOf = (each: SwitchSaid): Trial => ({
  of: each.name === '' ? 'new' : each.name,
  kind: each.kind,
  url: nothing(each.url),
  directory: nothing(each.directory),
  token: nothing(each.token),
})
const isFirst = (name: string): boolean => settings.switches[0]?.name === name
</script>

<template>
  <p v-if="settings.switches.length === 0 && said.length === 0" class="soft">
    No switch yet: customers can be taken on as soon as there is one.
  </p>
  <table v-else class="lines">
    <thead>
      <tr>
        <th scope="col">Name</th>
        <th scope="col">Kind</th>
        <th scope="col">Where</th>
        <th scope="col">Token</th>
        <td class="corner" />
      </tr>
    </thead>
    <tbody>
      <tr v-for="each in settings.switches.filter((line) => line.isOfFile)" :key="each.name">
        <td>
          {{ each.name }}
          <p class="soft small">
            {{ onIt(each.name) }}<template v-if="isFirst(each.name)"> · new customers go here</template>
          </p>
        </td>
        <td>{{ each.kind.replaceAll('-', ' ') }}</td>
        <td>
          {{ each.url ?? 'a folder of files' }}
          <p class="soft small">as the settings file says</p>
        </td>
        <td class="soft">{{ each.hasToken ? 'set' : '' }}</td>
        <td><TryOut :what="each.name" :trial="trialOf(each)" /></td>
      </tr>
      <tr v-for="(each, at) in said" :key="`said ${at}`">
        <td>
          <el-input
            v-if="kept(each.name) === undefined"
            :model-value="each.name"
            :aria-label="`Name of switch ${at + 1}`"
            name="switchName"
            placeholder="coast-switch"
            @update:model-value="change(at, { name: $event })"
          />
          <template v-else>{{ each.name }}</template>
          <p v-if="kept(each.name) !== undefined" class="soft small">
            {{ onIt(each.name) }}<template v-if="isFirst(each.name)"> · new customers go here</template>
          </p>
          <p v-if="faults[`switches/${at}/name`] !== undefined" class="fault small" role="alert">
            {{ faults[`switches/${at}/name`] }}
          </p>
        </td>
        <td>
          <ChoiceField
            v-if="kept(each.name) === undefined"
            :model-value="each.kind"
            :options="kinds"
            :aria-label="`Kind of switch ${at + 1}`"
            @update:model-value="change(at, { kind: $event })"
          />
          <template v-else>{{ each.kind.replaceAll('-', ' ') }}</template>
          <p v-if="faults[`switches/${at}/kind`] !== undefined" class="fault small" role="alert">
            {{ faults[`switches/${at}/kind`] }}
          </p>
        </td>
        <td>
          <el-input
            v-if="wants(each.kind, 'url')"
            :model-value="each.url ?? ''"
            :aria-label="`Address of switch ${at + 1}`"
            name="switchUrl"
            :placeholder="EXAMPLE"
            @update:model-value="change(at, { url: $event })"
          />
          <el-input
            v-else
            :model-value="each.directory ?? ''"
            :aria-label="`Folder of switch ${at + 1}`"
            placeholder="name of its folder"
            @update:model-value="change(at, { directory: $event })"
          />
          <p
            v-if="(faults[`switches/${at}/url`] ?? faults[`switches/${at}/directory`]) !== undefined"
            class="fault small"
            role="alert"
          >
            {{ faults[`switches/${at}/url`] ?? faults[`switches/${at}/directory`] }}
          </p>
        </td>
        <td>
          <el-input
            v-if="wants(each.kind, 'token')"
            :model-value="each.token ?? ''"
            class="concealed"
            autocomplete="off"
            :aria-label="`Token of switch ${at + 1}`"
            name="switchToken"
            :placeholder="kept(each.name)?.hasToken ? 'set; type to change' : 'token'"
            @update:model-value="change(at, { token: $event })"
          />
          <p v-if="faults[`switches/${at}/token`] !== undefined" class="fault small" role="alert">
            {{ faults[`switches/${at}/token`] }}
          </p>
        </td>
        <td>
          <span class="act">
            <TryOut :what="each.name === '' ? 'the new switch' : each.name" :trial="trialOf(each)" />
            <button type="button" class="text-button" :aria-label="`Take away: ${each.name}`" @click="take(at)">
              Take away
            </button>
          </span>
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="faults['switches'] !== undefined" class="fault" role="alert">{{ faults['switches'] }}</p>
  <p><button type="button" class="quiet-button" @click="add">Add a switch</button></p>
</template>

<style scoped>
td {
  vertical-align: top;
}

.act {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
</style>
