import { sheetsOf } from './workbook'

/** Somebody's file is taken apart where nothing else runs: a page stays alive whatever is in it. */
self.addEventListener('message', (event: MessageEvent<ArrayBuffer>) => {
  sheetsOf(event.data).then(
    (sheets) => {
      self.postMessage({ sheets })
    },
    () => {
      self.postMessage({ sheets: null })
    },
  )
})
