import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { DOMWrapper, flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { defineComponent, h, type Component, type DefineComponent } from 'vue'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { handleKey } from '@/shared'

const Anywhere = defineComponent({ render: () => h('p', 'another screen') })

/** A screen at an address, with queries, a router and the page's one key listener. */
export async function open(
  screen: Component,
  path: string,
  pattern = path,
): Promise<{ page: VueWrapper; router: Router }> {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: pattern, component: screen },
      { path: '/findings', name: 'findings', component: Anywhere },
      { path: '/rules', name: 'rules', component: Anywhere },
      { path: '/customers/:customer/report', name: 'report', component: Anywhere },
      { path: '/customers/:customer/:chapter?', name: 'desk', component: Anywhere },
      { path: '/:rest(.*)*', component: Anywhere },
    ],
  })
  await router.push(path)
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  const page: VueWrapper = mount(screen as DefineComponent, {
    attachTo: document.body,
    global: { plugins: [router, [VueQueryPlugin, { queryClient: client }]] },
  })
  document.addEventListener('keydown', handleKey)
  await settle()
  return { page, router }
}

/** Kept from before a test puts false timers in its place. */
const later = globalThis.setTimeout

export async function settle(): Promise<void> {
  for (let i = 0; i < 5; i++) {
    await flushPromises()
    // A timer of no time at all may come after many promises.
    await new Promise((over) => {
      later(over)
    })
  }
}

export function close(page: VueWrapper): void {
  document.removeEventListener('keydown', handleKey)
  page.unmount()
  sessionStorage.clear()
  document.body.innerHTML = ''
}

export async function key(name: string, target: Element = document.body, more: KeyboardEventInit = {}): Promise<void> {
  target.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...more }))
  await settle()
}

/** Chooses by what is said, in the list of that name; what drops down is drawn at the end of the document. */
export async function choose(page: VueWrapper, list: string, said: string): Promise<void> {
  await page.get(list).trigger('click')
  await settle()
  const dropped = `#${page.get(list).attributes('aria-controls') ?? ''} .el-select-dropdown__item`
  const find = (): Element | undefined =>
    [...document.querySelectorAll(dropped)].find((each) => each.textContent.trim() === said)
  // Of a long list only what is in view is drawn: it is looked for by typing.
  if (find() === undefined) {
    await page.get(list).setValue(said)
    await settle()
  }
  const option = find()
  if (option === undefined) throw new Error(`${list} offers no ${said}.`)
  await new DOMWrapper(option).trigger('click')
  await settle()
}
