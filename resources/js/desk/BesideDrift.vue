<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Difference } from '@/api'
import { dateThere, dayInWords, FieldRow, plural } from '@/shared'
import { useBeside, useDesk } from './desk'
import { driftLines, type DriftLine } from './driftLines'

/** What differs and is no drift: waived, left to the customer, and what was entered since the customer signed. */
defineProps<{ zone: string }>()

const { book, names, busy, mayEdit } = useDesk()
const { live, takeWaiverBack, sign } = useBeside()

const left = computed(() => live.data.value?.left ?? [])
const waived = computed(() => live.data.value?.waived ?? [])
const signed = computed(() => live.data.value?.signed ?? null)
const signing = ref<{ by: string }>()

const lines = (differences: Difference[], of: 'switch' | 'signed'): DriftLine[] =>
  driftLines(differences, of, names.value)
/** What the book came to say since, against what was signed. */
const sinceSigned = computed(() => lines(signed.value?.since ?? [], 'signed'))

function sayOf(line: DriftLine): string {
  return line.against === '' ? line.says : `${line.says}; ${line.against}`
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
  return `revision ${revision}, by ${by} on ${dayInWords(on)} · ${entered}`
})
</script>

<template>
  <section v-if="waived.length > 0" class="part">
    <h2>Waived</h2>
    <table data-testid="waived">
      <thead>
        <tr>
          <th scope="col">What the switch says, and is left to say</th>
          <th scope="col">Why</th>
          <th scope="col">Until</th>
          <td class="corner" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in waived" :key="each.id">
          <td>
            <template v-for="line in lines([each.difference], 'switch')" :key="line.key"
              ><strong>{{ line.subject }}</strong
              >: {{ sayOf(line) }}</template
            >
          </td>
          <td>
            {{ each.reason }} <span class="soft">· {{ each.by }}</span>
          </td>
          <td>{{ each.until === null ? 'no end' : dayInWords(each.until) }}</td>
          <td>
            <button v-if="mayEdit" type="button" class="quiet-button" :disabled="busy" @click="takeWaiverBack(each.id)">
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
          <th scope="col">What the switch says</th>
          <th scope="col">Since, by</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in left" :key="`${each.object} ${each.path ?? ''}`">
          <td>
            <template v-for="line in lines([each], 'switch')" :key="line.key"
              ><strong>{{ line.subject }}</strong
              >: {{ sayOf(line) }}</template
            >
          </td>
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
      <button
        v-if="mayEdit && signing === undefined"
        type="button"
        class="quiet-button right"
        @click="signing = { by: '' }"
      >
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
          <th scope="col">What the book says now</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in sinceSigned" :key="line.key">
          <td>
            <strong>{{ line.subject }}</strong>: {{ sayOf(line) }}
          </td>
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
