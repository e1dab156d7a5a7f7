<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Difference } from '@/api'
import { dateThere, FieldRow, plural } from '@/shared'
import { useBeside, useDesk } from './desk'
import { fieldInWords, valueInWords } from './words'

/** What differs and is no drift: waived, left to the customer, and what was entered since the customer signed. */
defineProps<{ zone: string }>()

const { book, names, busy } = useDesk()
const { live, takeWaiverBack, sign } = useBeside()

const left = computed(() => live.data.value?.left ?? [])
const waived = computed(() => live.data.value?.waived ?? [])
const signed = computed(() => live.data.value?.signed ?? null)
const signing = ref<{ by: string }>()

function said(difference: Difference, value: unknown): string {
  return difference.path === null ? '' : valueInWords(difference.object, difference.path, value, names.value)
}

function field(difference: Difference): string {
  return difference.path === null
    ? difference.what === 'unknown'
      ? 'new'
      : 'gone'
    : fieldInWords(difference.object, difference.path)
}

async function put(): Promise<void> {
  if (signing.value === undefined || signing.value.by.trim() === '') return
  await sign(book.data.value?.revision ?? 0, signing.value.by.trim())
  signing.value = undefined
}
const signedLine = computed(() => {
  if (signed.value === null) return 'the customer has signed no revision'
  const { revision, by, on, since } = signed.value
  const entered = since.length === 0 ? 'the book is as signed' : `${plural(since.length, 'field')} entered since`
  return `revision ${revision}, by ${by} on ${on} · ${entered}`
})
</script>

<template>
  <section v-if="waived.length > 0" class="part">
    <h2>Waived</h2>
    <table data-testid="waived">
      <thead>
        <tr>
          <th scope="col">Object</th>
          <th scope="col">Field</th>
          <th scope="col">Book</th>
          <th scope="col">Live, and left so</th>
          <th scope="col">Why</th>
          <th scope="col">Until</th>
          <td class="corner" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in waived" :key="each.id">
          <td>{{ each.difference.label }}</td>
          <td>{{ field(each.difference) }}</td>
          <td>{{ said(each.difference, each.difference.book) }}</td>
          <td>{{ said(each.difference, each.difference.live) }}</td>
          <td>
            {{ each.reason }} <span class="soft">· {{ each.by }}</span>
          </td>
          <td>{{ each.until ?? 'no end' }}</td>
          <td>
            <button type="button" class="quiet-button" :disabled="busy" @click="takeWaiverBack(each.id)">
              Take back
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
  <section v-if="left.length > 0" class="part">
    <h2>Left to the customer</h2>
    <p class="soft">Changed on the switch by whoever may; taken over as it is there, and no drift.</p>
    <table data-testid="left">
      <thead>
        <tr>
          <th scope="col">Object</th>
          <th scope="col">Field</th>
          <th scope="col">Book</th>
          <th scope="col">Live</th>
          <th scope="col">Since, by</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in left" :key="`${each.object} ${each.path ?? ''}`">
          <td>{{ each.label }}</td>
          <td>{{ field(each) }}</td>
          <td>{{ said(each, each.book) }}</td>
          <td>{{ said(each, each.live) }}</td>
          <td class="soft">
            {{ each.since === null ? 'the switch does not say' : `${dateThere(each.since, zone)}, ${each.by ?? ''}` }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
  <section class="part">
    <div class="head">
      <h2>Signed</h2>
      <span class="soft" data-testid="signed">{{ signedLine }}</span>
      <button v-if="signing === undefined" type="button" class="quiet-button right" @click="signing = { by: '' }">
        Note a signature
      </button>
    </div>
    <form v-if="signing !== undefined" class="signing" novalidate @submit.prevent="put">
      <FieldRow
        v-slot="row"
        label="Signed by"
        :help="`Revision ${book.data.value?.revision}, as the book stands, becomes what was signed, today.`"
        ><el-input :id="row.id" v-model="signing.by" name="signedBy" maxlength="120"
      /></FieldRow>
      <p class="act">
        <el-button type="primary" native-type="submit" :disabled="busy || signing.by.trim() === ''">Note it</el-button>
        {{ ' ' }}
        <button type="button" class="quiet-button" @click="signing = undefined">Leave it</button>
      </p>
    </form>
    <table v-if="signed !== null && signed.since.length > 0" data-testid="since-signed">
      <thead>
        <tr>
          <th scope="col">Object</th>
          <th scope="col">Field</th>
          <th scope="col">Signed</th>
          <th scope="col">Book</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in signed.since" :key="`${each.object} ${each.path ?? ''}`">
          <td>{{ each.label }}</td>
          <td>{{ field(each) }}</td>
          <td>{{ said(each, each.book) }}</td>
          <td>{{ said(each, each.live) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.part {
  margin-bottom: 26px;
}

.head {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding-bottom: 6px;
}

.right {
  margin-left: auto;
}

.signing {
  max-width: 560px;
}

.act {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding: 10px 0;
}
</style>
