import '@fontsource/ibm-plex-mono/latin-400.css'
import '@fontsource/ibm-plex-mono/latin-ext-400.css'
import '@fontsource/ibm-plex-sans/latin-400.css'
import '@fontsource/ibm-plex-sans/latin-ext-400.css'
import '@fontsource/ibm-plex-sans/latin-600.css'
import '@fontsource/ibm-plex-sans/latin-ext-600.css'
import '@fontsource/ibm-plex-serif/latin-400.css'
import '@fontsource/ibm-plex-serif/latin-ext-400.css'
import 'element-plus/theme-chalk/base.css'
import './styles/tokens.css'
import './styles/base.css'
import './styles/print.css'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import { isProblem } from '@/api'
import App from './App.vue'
import { queriesOf } from './desk/queries'
import { applyTheme } from './shared/theme'
import { router } from './router'

applyTheme()

const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      // What the server refused it will refuse again; only a lost connection is worth another try.
      retry: (failures, error) => failures < 2 && !isProblem(error),
      staleTime: 2_000,
    },
  },
})

// The book is on its way while the code of the desk still is.
router.beforeEach((to, from) => {
  const customer = to.params['customer']
  if (to.name !== 'desk' || typeof customer !== 'string' || customer === from.params['customer']) return
  if (from.matched.length > 0 && from.meta['open'] !== true)
    // What went wrong the desk is told once more, and says.
    queryClient.query(queriesOf(customer).desk).catch(() => undefined)
})

createApp(App).use(VueQueryPlugin, { queryClient }).use(router).mount('#roster')
