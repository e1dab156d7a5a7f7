export { chapterOfKind } from './chapters'
