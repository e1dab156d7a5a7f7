<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'

/**
 * A sheet over the page: Element Plus' dialog, which keeps the focus inside, and makes the rest modal. Its content is
 * made anew each time it opens; the element marked data-takes-keys takes the keys, else the sheet itself does. Nothing
 * is animated, so that no key is lost to what is fading. In a section: else the dialog's own header would pass for a
 * second banner of the page.
 */
defineOptions({ inheritAttrs: false })
withDefaults(defineProps<{ title: string; width?: 'narrow' | 'middle' | 'wide'; closable?: boolean }>(), {
  width: 'middle',
  closable: true,
})
const open = defineModel<boolean>({ required: true })

const WIDTHS = { narrow: 460, middle: 580, wide: 780 }
/** At once, and by no class of a transition. */
const AT_ONCE = { name: 'sheet', css: false }

const inside = ref<HTMLElement>()
let before: Element | null = null

watch(
  open,
  (isOpen) => {
    if (isOpen) {
      before = document.activeElement
      return
    }
    // What was in the sheet is gone, and the keys with it: back to where they came from.
    void nextTick(() => {
      if (document.activeElement === document.body && before instanceof HTMLElement) before.focus()
    })
  },
  { flush: 'sync' },
)

function close(): void {
  open.value = false
}

/** The dialog takes the keys itself in the next moment; they are given on in the one after. */
async function focusWhatIsMarked(): Promise<void> {
  await nextTick()
  await nextTick()
  const marked = inside.value?.querySelector<HTMLElement>('[data-takes-keys]')
  const field =
    marked?.matches('input, textarea, button, [tabindex]') === true ? marked : marked?.querySelector('input')
  field?.focus()
}
</script>

<template>
  <section>
    <el-dialog
      v-bind="$attrs"
      :model-value="open"
      :width="WIDTHS[width]"
      top="12vh"
      :lock-scroll="false"
      :show-close="false"
      :transition="AT_ONCE"
      :before-close="close"
      :data-open="open"
      @open-auto-focus="focusWhatIsMarked"
    >
      <template #header="{ titleId }">
        <div v-if="open" class="head">
          <h2 :id="titleId">{{ title }}</h2>
          <button v-if="closable" type="button" class="close" aria-label="Close" @click="open = false">×</button>
        </div>
      </template>
      <div v-if="open" ref="inside"><slot /></div>
    </el-dialog>
  </section>
</template>

<style scoped>
section {
  display: contents;
}

.head {
  display: flex;
  justify-content: space-between;
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
