export { choose, close, key, open, settle } from './page'
export { bookObject, type Some } from './objects'
export { fakeServer, Refused } from './server'
export { LENA, NOTHING_LIVE, PRACTICE, SESSION } from './answers'
