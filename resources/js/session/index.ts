export { sessionQuery, useSession } from './session'
