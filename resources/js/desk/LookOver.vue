<script setup lang="ts">
import { ref, watch } from 'vue'
import { ModalSheet, plural } from '@/shared'
import ChangesTable from './ChangesTable.vue'
import { useDesk } from './desk'

const open = defineModel<boolean>({ required: true })

const { changes, clashes, faults, busy, enter, drop } = useDesk()
const note = ref('')

watch(changes, (now) => {
  if (now.length + clashes.value.length === 0) open.value = false
})

async function enterAndClose(): Promise<void> {
  if (clashes.value.length > 0) return
  await enter(note.value)
  note.value = ''
}
</script>

<template>
  <ModalSheet v-model="open" :title="`${plural(changes.length, 'change')} to the book`" width="wide">
    <ChangesTable :changes="changes" />
    <p v-if="clashes.length > 0" class="fault stop" role="alert">{{ plural(clashes.length, 'field') }} changed by somebody else meanwhile: decide in the margin first.</p>
    <p v-if="faults.size > 0" class="soft stop">{{ plural(faults.size, 'cell') }} could not be kept and {{ faults.size === 1 ? 'is' : 'are' }} not among these.</p>
    <form @submit.prevent="enterAndClose">
      <label for="why" class="soft">Why, for whoever reads the history (may be left empty)</label>
      <el-input id="why" v-model="note" name="note" autofocus autocomplete="off" maxlength="1000" />
      <div class="act">
        <el-button type="primary" native-type="submit" :disabled="busy || clashes.length > 0" data-testid="enter-changes">Enter in the book</el-button>
        <span class="soft">Only the book changes; the switch does when you push.</span>
        <button type="button" class="quiet-button drop" :disabled="busy" @click="drop">Drop all of them</button>
      </div>
    </form>
  </ModalSheet>
</template>

<style scoped>
.stop {
  margin-top: 10px;
}

form {
  display: grid;
  gap: 6px;
  margin-top: 18px;
}

.act {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 10px;
}

.drop {
  margin-left: auto;
}
</style>
