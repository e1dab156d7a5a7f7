export { useAttempt } from './attempt'
export { now, setClock, useNow } from './clock'
export {
  age,
  asSentence,
  dateIn,
  dateThere,
  dayThere,
  kindsInWords,
  minuteOfWeek,
  plural,
  some,
  stageInWords,
  timeIn,
  timeThere,
} from './format'
export {
  count,
  dayInWords,
  figure,
  hourInWords,
  inManner,
  readFigure,
  readHours,
  readTime,
  setManner,
  timeInWords,
  USUAL as USUAL_MANNER,
  type Manner,
} from './manner'
export { default as CommandBox } from './keys/CommandBox.vue'
export { useCommands, useFinder, useSayings, type Command } from './keys/commands'
export { default as KeyHelp } from './keys/KeyHelp.vue'
export { useAddressed } from './address'
export { own, setWho } from './own'
export { useTitle } from './title'
export { handleKey, useKeysTold, useShortcuts } from './keys/registry'
export { default as EmptyState } from './components/EmptyState.vue'
export { default as ErrorState } from './components/ErrorState.vue'
export { default as FieldRow } from './components/FieldRow.vue'
export { default as TableFile } from './components/TableFile.vue'
export { default as TextRow } from './components/TextRow.vue'
export { default as LoadingLines } from './components/LoadingLines.vue'
export { default as ModalSheet } from './components/ModalSheet.vue'
export { default as ChoiceField } from './components/ChoiceField.vue'
export { default as OfferField } from './components/OfferField.vue'
export { default as DayField } from './components/DayField.vue'
export { readDay } from './days'
export { default as PageTop } from './components/PageTop.vue'
export { theme, toggleTheme } from './theme'
export { default as GetsSwatch } from './components/GetsSwatch.vue'
export { useLongList } from './longList'
export { byWeight, SEVERITIES, type Severity } from './severity'
export { default as SeverityBars } from './components/SeverityBars.vue'
export { default as WaiveSheet } from './components/WaiveSheet.vue'
export { default as WeekStrip } from './components/WeekStrip.vue'
export { GETS, outcomeInWords, type Gets } from './outcomes'
export { loadMapDrawing, MapDrawing } from './components/mapDrawing'
