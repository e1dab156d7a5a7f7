export { default as AnswerForm } from './AnswerForm.vue'
export { placed } from './answers'
export { default as TableField } from './TableField.vue'
