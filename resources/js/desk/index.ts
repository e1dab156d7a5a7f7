export { chapterOfKind } from './chapters'
export { default as ChangeLine } from './ChangeLine.vue'
