export { rulesQuery } from './rulesQuery'
