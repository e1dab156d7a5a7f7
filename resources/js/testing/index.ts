export { close, key, open, settle } from './page'
export { fakeServer, Refused } from './server'
