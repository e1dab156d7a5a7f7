import { defineComponent, h, shallowRef, type Component } from 'vue'

type Drawing = (typeof import('./MapDrawing.vue'))['default']

const loaded = shallowRef<Component>()

/** It comes with what lays graphs out: asked for beside the graph, a page is drawn with it and does not jump. */
export async function loadMapDrawing(): Promise<void> {
  loaded.value ??= (await import('./MapDrawing.vue')).default
}

/** The drawing, as soon as it is there. */
export const MapDrawing = defineComponent({
  inheritAttrs: false,
  setup: (_, { attrs }) => {
    void loadMapDrawing()
    return () => (loaded.value === undefined ? null : h(loaded.value, attrs))
  },
}) as unknown as Drawing
