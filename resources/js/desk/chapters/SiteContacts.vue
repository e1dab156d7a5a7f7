<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ObjectOf, SiteView } from '@/api'
import { dayThere, OfferField, useAttempt, useNow } from '@/shared'
import { useDesk, useDraft } from '../desk'
import InlineField from '../InlineField.vue'
import { whatIsMeant } from '../meant'
import { freeItem } from '../stepped'

/** Whom to ask at a site, and when they are there. */
const { site, object, zone } = defineProps<{ site: SiteView; object: ObjectOf<'site'>; zone: string }>()

const { customer, names, mayEdit } = useDesk()
const { edit } = useDraft()
const now = useNow()
const { busy, attempt } = useAttempt()

const contacts = computed(() => object.fields.contacts)
function there(item: string): string {
  const found = site.contacts.find((each) => each.item === item)
  if (found === undefined) return ''
  if (found.next === null) return 'not within a fortnight'
  return Date.parse(found.next) <= now.value.getTime() ? 'there now' : `from ${dayThere(found.next, zone, now.value)}`
}

const EMPTY = { name: '', role: '', phone: '', hours: '' }
const typed = ref({ ...EMPTY })
const wrong = ref('')
const hours = (text: string): string[] =>
  names.value.objects
    .filter((each) => each.kind === 'schedule' && each.label.toLowerCase().includes(text.trim().toLowerCase()))
    .map((each) => each.label)

const add = (): Promise<void> =>
  attempt(async () => {
    const { name, role, phone, hours: said } = typed.value
    wrong.value = name.trim() === '' ? 'Say who it is.' : ''
    const [number] = await whatIsMeant(customer, [phone], [], true)
    const digits = /:(\+\d+)$/.exec(number?.value ?? '')?.[1]
    if (digits === undefined) wrong.value ||= number?.fault ?? `“${phone}” is no telephone number.`
    const [schedule] = said.trim() === '' ? [] : await whatIsMeant(customer, [said], ['schedule'], false)
    if (schedule?.value === null) wrong.value ||= schedule.fault ?? `No hours here are called “${said}”.`
    if (wrong.value !== '') return
    await edit([
      {
        object: site.ref,
        path: 'contacts',
        value: [
          ...contacts.value,
          {
            item: freeItem(contacts.value, 'contact'),
            name: name.trim(),
            role: role.trim() === '' ? null : role.trim(),
            phone: digits,
            hours: schedule?.value ?? null,
          },
        ],
      },
    ])
    typed.value = { ...EMPTY }
  })
const remove = (item: string): Promise<void> =>
  edit([{ object: site.ref, path: 'contacts', value: contacts.value.filter((each) => each.item !== item) }])
</script>

<template>
  <section data-testid="contacts">
    <h3>Contacts</h3>
    <p v-if="contacts.length === 0" class="soft">Nobody is known there: whoever comes stands before a door.</p>
    <table v-else class="lines">
      <thead>
        <tr>
          <th scope="col">Who</th>
          <th scope="col">Role</th>
          <th scope="col">Number</th>
          <th scope="col">Hours</th>
          <th scope="col">There</th>
          <th v-if="mayEdit" scope="col"><span class="visually-hidden">Away</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in contacts" :key="each.item">
          <td v-for="field in ['name', 'role', 'phone', 'hours'] as const" :key="field">
            <InlineField
              :object
              :path="`contacts/${each.item}/${field}`"
              :label="`${field} of ${each.name}`"
              :type="field === 'hours' ? { unset: 'any hour' } : {}"
            />
          </td>
          <td>{{ there(each.item) }}</td>
          <td v-if="mayEdit">
            <button type="button" class="text-button" :aria-label="`${each.name} away`" @click="remove(each.item)">
              take away
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form v-if="mayEdit" class="row" novalidate @submit.prevent="add">
      <el-input
        v-model="typed.name"
        size="small"
        placeholder="name"
        aria-label="Name of a contact"
        autocomplete="off"
      />
      <el-input
        v-model="typed.role"
        size="small"
        placeholder="role, such as keys"
        aria-label="Role of the contact"
        autocomplete="off"
      />
      <el-input
        v-model="typed.phone"
        size="small"
        placeholder="902 555 0123"
        aria-label="Number of the contact"
        autocomplete="off"
      />
      <OfferField v-model="typed.hours" :offers="hours" placeholder="any hour" aria-label="Hours of the contact" />
      <button type="submit" class="quiet-button" :disabled="busy">Add</button>
    </form>
    <p v-if="wrong !== ''" class="fault" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
h3 {
  margin: 18px 0 4px;
}

.lines {
  width: 100%;
}

.row {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
}
</style>
