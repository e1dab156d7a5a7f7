<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useAttempt } from '@/shared'
import { fieldAt } from '../catalogue'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import { whatIsMeant } from '../meant'
import { freeItem } from '../stepped'

/** What is dialled for each feature, beside what the switch takes; and speed dials. */
const { customer, names, queries, mayEdit } = useDesk()
const { edit } = useDraft()
const { busy, faults, attempt } = useAttempt()

const tenant = computed(() => names.value.all('tenant')[0])
const features = computed(() => tenant.value?.fields.features)
const telephones = useQuery(queries.telephones)
const theirs = computed((): Record<string, string | undefined> => telephones.data.value?.codes ?? {})
type Code = keyof NonNullable<typeof features.value>['codes']
const codes = computed(() =>
  (Object.keys(features.value?.codes ?? {}) as Code[]).map((name) => ({
    name,
    title: fieldAt('tenant', `features/codes/${name}`)?.title ?? name,
    ours: features.value?.codes[name] ?? null,
    theirs: theirs.value[name],
  })),
)
const other = computed(() => codes.value.filter((each) => each.theirs !== undefined && each.ours !== each.theirs))

function takeTheirs(): void {
  const { ref: object } = tenant.value ?? { ref: '' }
  void edit(other.value.map((each) => ({ object, path: `features/codes/${each.name}`, value: each.theirs ?? null })))
}

const dials = computed(() => features.value?.speedDials ?? [])
const EMPTY = { digits: '', name: '', number: '' }
const typed = ref({ ...EMPTY })
const wrong = ref('')
const add = (): Promise<void> =>
  attempt(async () => {
    const { digits, name, number } = typed.value
    const [meant] = await whatIsMeant(customer, [number], [], true)
    const read = /:(\+\d+)$/.exec(meant?.value ?? '')?.[1]
    wrong.value = !/^\d{1,4}$/.test(digits.trim())
      ? `A speed dial is one to four digits, not “${digits}”.`
      : dials.value.some((each) => each.digits === digits.trim())
        ? `${digits.trim()} is taken.`
        : read === undefined
          ? (meant?.fault ?? `“${number}” is no telephone number.`)
          : ''
    if (wrong.value !== '' || read === undefined || tenant.value === undefined) return
    const item = freeItem(dials.value, 'dial')
    await edit([
      {
        object: tenant.value.ref,
        path: 'features/speedDials',
        value: [
          ...dials.value,
          { item, digits: digits.trim(), name: name.trim() === '' ? item : name.trim(), number: read },
        ],
      },
    ])
    typed.value = { ...EMPTY }
  })
const remove = (item: string): Promise<void> =>
  edit([
    {
      object: tenant.value?.ref ?? '',
      path: 'features/speedDials',
      value: dials.value.filter((each) => each.item !== item),
    },
  ])
</script>

<template>
  <section v-if="tenant !== undefined && features !== undefined" data-testid="codes">
    <h2>Codes</h2>
    <table class="lines">
      <thead>
        <tr>
          <th scope="col">For</th>
          <th scope="col">Dialled here</th>
          <th scope="col">The switch takes</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in codes" :key="each.name">
          <td>{{ each.title }}</td>
          <td>
            <InlineField
              :object="tenant"
              :path="`features/codes/${each.name}`"
              :type="{ unset: 'cannot be dialled' }"
              :label="each.title"
            />
          </td>
          <td
            class="mono"
            :class="{ bad: each.ours !== null && telephones.isSuccess.value && each.ours !== each.theirs }"
          >
            {{
              telephones.isSuccess.value
                ? (each.theirs ?? 'no such code')
                : telephones.isError.value
                  ? 'not known'
                  : '…'
            }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="mayEdit && other.length > 0">
      <button type="button" class="text-button" @click="takeTheirs">Use the switch’s codes</button>
    </p>
    <h3>Speed dials</h3>
    <p v-if="dials.length === 0" class="soft">None: everybody dials numbers in full.</p>
    <table v-else class="lines">
      <thead>
        <tr>
          <th scope="col">Dialled</th>
          <th scope="col">Name</th>
          <th scope="col">Number</th>
          <th v-if="mayEdit" scope="col"><span class="visually-hidden">Away</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="dial in dials" :key="dial.item">
          <td class="mono">
            {{ features.codes.speedDial ?? ''
            }}<InlineField
              :object="tenant"
              :path="`features/speedDials/${dial.item}/digits`"
              :label="`Digits of ${dial.name}`"
            />
          </td>
          <td>
            <InlineField
              :object="tenant"
              :path="`features/speedDials/${dial.item}/name`"
              :label="`Name of ${dial.name}`"
            />
          </td>
          <td>
            <InlineField
              :object="tenant"
              :path="`features/speedDials/${dial.item}/number`"
              :label="`Number of ${dial.name}`"
            />
          </td>
          <td v-if="mayEdit">
            <button type="button" class="text-button" :aria-label="`take out ${dial.name}`" @click="remove(dial.item)">
              take out
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form v-if="mayEdit" class="new" novalidate @submit.prevent="add">
      <el-input
        v-model="typed.digits"
        size="small"
        class="digits"
        placeholder="12"
        aria-label="Digits of a speed dial"
        autocomplete="off"
      />
      <el-input
        v-model="typed.name"
        size="small"
        placeholder="whom it calls"
        aria-label="Name of a speed dial"
        autocomplete="off"
      />
      <el-input
        v-model="typed.number"
        size="small"
        placeholder="902 555 0181"
        aria-label="Number of a speed dial"
        autocomplete="off"
      />
      <button type="submit" class="text-button" :disabled="busy">add</button>
    </form>
    <p v-if="wrong !== '' || faults[''] !== undefined" class="fault" role="alert">{{ wrong || faults[''] }}</p>
  </section>
</template>

<style scoped>
.new {
  display: flex;
  gap: 8px;
  max-width: 560px;
  margin-top: 6px;
}

.new .digits {
  flex: 0 0 80px;
}

.bad {
  color: var(--red);
}
</style>
