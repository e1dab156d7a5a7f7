export { chapterOfFinding } from './chapters'
export { default as ChangeLine } from './ChangeLine.vue'
export { fieldInWords } from './words'
