export { default as AnswerForm } from './AnswerForm.vue'
export { placed } from './answers'
