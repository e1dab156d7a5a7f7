export { isOver, portInWords } from './ports'
