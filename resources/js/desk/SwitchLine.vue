<script setup lang="ts">
import { computed, ref } from 'vue'
import { FieldRow, ModalSheet, plural } from '@/shared'
import { useBeside, useDesk } from './desk'
import { fieldInWords } from './words'

/** Which switch the customer is on, what of the book it has no place for, and the way to another one. */
const { busy, mayPush } = useDesk()
const { live, underWay, moveTo } = useBeside()

const at = computed(() => live.data.value?.switch)
const isMoving = ref(false)
const to = ref('')

function begin(): void {
  to.value = at.value?.others[0]?.name ?? ''
  isMoving.value = true
}

async function move(): Promise<void> {
  if (to.value === '' || busy.value) return
  await moveTo(to.value)
  isMoving.value = false
}

const others = computed(() => at.value?.others ?? [])
const titleOf = computed(() => others.value.find((each) => each.name === to.value)?.title ?? '')
</script>

<template>
  <template v-if="at !== undefined">
    <p class="line">
      <span>On the {{ at.title }}.</span>
      {{ ' ' }}
      <span v-if="!at.takesPins" class="soft">PINs cannot be told to it; they are set there by hand.</span>
      <button
        v-if="mayPush && others.length > 0"
        type="button"
        class="text-button right"
        :disabled="busy || underWay !== undefined"
        :title="underWay === undefined ? '' : 'a push is under way'"
        data-testid="move-switch"
        @click="begin"
      >
        Move to another switch …
      </button>
    </p>
    <table v-if="at.unsupported.length > 0" data-testid="unsupported">
      <caption class="soft">
        Not supported there:
        {{
          plural(at.unsupported.length, 'thing')
        }}
        of the book
      </caption>
      <thead>
        <tr>
          <th scope="col">Object</th>
          <th scope="col">Field</th>
          <th scope="col">Why</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="each in at.unsupported" :key="`${each.object} ${each.path ?? ''}`">
          <td>{{ each.label }}</td>
          <td>{{ each.path === null ? 'the whole of it' : fieldInWords(each.object, each.path) }}</td>
          <td>{{ each.why }}</td>
        </tr>
      </tbody>
    </table>
    <ModalSheet v-model="isMoving" title="Move to another switch">
      <form v-if="isMoving" novalidate @submit.prevent="move">
        <p class="soft">
          The book is read from, compared with and pushed to the switch chosen here from now on; nothing of it is there
          yet, unless it was on it before. What the {{ at.title }} holds stays there and goes on working until somebody
          removes it. Waived differences end, and PINs are told anew.
        </p>
        <FieldRow v-slot="field" label="Switch">
          <el-select :id="field.id" v-model="to" name="switch" data-takes-keys>
            <el-option v-for="each in others" :key="each.name" :value="each.name" :label="each.title" />
          </el-select>
        </FieldRow>
        <p class="act">
          <el-button type="primary" native-type="submit" :disabled="busy || to === ''">
            Move to the {{ titleOf }}
          </el-button>
        </p>
      </form>
    </ModalSheet>
  </template>
</template>

<style scoped>
.line {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin: 0 0 8px;
}
.right {
  margin-left: auto;
}
.act {
  padding-top: 12px;
}
</style>
