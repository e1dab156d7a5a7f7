<script setup lang="ts">
import { ref, useId, watch } from 'vue'

/**
 * A sheet over the page. The browser's own dialog: it keeps the focus inside, gives it back when closed, makes the rest
 * inert and closes on Escape. Its content is made anew each time it opens; the element marked autofocus takes the keys.
 */
withDefaults(defineProps<{ title: string; width?: 'narrow' | 'middle' | 'wide'; closable?: boolean }>(), {
  width: 'middle',
  closable: true,
})
const open = defineModel<boolean>({ required: true })

const dialog = ref<HTMLDialogElement>()
const id = useId()

watch(
  open,
  (isOpen) => {
    if (isOpen && dialog.value?.open === false) {
      dialog.value.showModal()
      // Where nothing else takes the keys the browser gives them to ×: Enter would close what has just been opened.
      if (document.activeElement?.getAttribute('aria-label') === 'Close') dialog.value.focus()
    }
    if (!isOpen) dialog.value?.close()
  },
  { flush: 'post' },
)

function closeFromOutside(event: MouseEvent): void {
  if (event.target === dialog.value) open.value = false
}
</script>

<template>
  <!-- A click on the veil closes; the keyboard has Escape. -->
  <!-- eslint-disable vuejs-accessibility/click-events-have-key-events -->
  <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
  <!-- eslint-disable vuejs-accessibility/no-noninteractive-element-interactions -->
  <dialog
    ref="dialog"
    tabindex="-1"
    :class="width"
    :aria-labelledby="id"
    @close="open = false"
    @mousedown="closeFromOutside"
  >
    <div v-if="open" class="inside">
      <header>
        <h2 :id="id">{{ title }}</h2>
        <button v-if="closable" type="button" class="close" aria-label="Close" @click="open = false">×</button>
      </header>
      <slot />
    </div>
  </dialog>
</template>

<style scoped>
dialog {
  max-width: calc(100vw - 40px);
  max-height: min(84vh, 760px);
  margin-top: 14vh;
  padding: 0;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--sheet);
  color: var(--ink);
}

dialog::backdrop {
  background: rgb(0 0 0 / 40%);
}

.narrow {
  width: 460px;
}

.middle {
  width: 580px;
}

.wide {
  width: 780px;
}

.inside {
  padding: 16px 18px;
}

header {
  display: flex;
  justify-content: space-between;
  padding-bottom: 10px;
}

.close {
  padding: 0 6px;
  border: 0;
  background: none;
  font-size: 18px;
  line-height: 1;
  cursor: pointer;
}
</style>
