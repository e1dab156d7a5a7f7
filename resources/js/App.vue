<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, onMounted, onUnmounted, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { client, isProblem, take, type Kind } from '@/api'
import { findCustomers, rosterAsLeft } from '@/roster'
import { rulesQuery } from '@/rules'
import { sessionQuery, useSession } from '@/session'
import {
  CommandBox,
  handleKey,
  KeyHelp,
  kindsInWords,
  LoadingLines,
  toggleTheme,
  useCommands,
  useFinder,
  useShortcuts,
} from '@/shared'

const { session, technician, signOut } = useSession()
const queryClient = useQueryClient()
const router = useRouter()
const route = useRoute()

/** Until the first page is there, nothing is known of it: also not whether a stranger may see it. */
const isPlaced = computed(() => route.matched.length > 0)
const open = computed(() => route.meta.open === true)
const ready = computed(() => session.value !== undefined && (open.value || technician.value !== null))

watch(
  [session, isPlaced, () => route.fullPath],
  () => {
    if (isPlaced.value && session.value !== undefined && technician.value === null && !open.value)
      void router.replace({ name: 'sign-in', query: { to: route.fullPath } })
  },
  { immediate: true },
)

// A session that ran out while the page stood open: whatever query finds it out sends the page to sign-in and back.
queryClient.getQueryCache().subscribe((event) => {
  const error: unknown = event.query.state.error
  if (event.type === 'updated' && isProblem(error) && error.problem.status === 401 && technician.value !== null) {
    void queryClient.query({ ...sessionQuery, staleTime: 0 })
  }
})

useShortcuts([{ keys: 'D', label: 'light or dark', scope: 'everywhere', run: toggleTheme }])
useCommands(() =>
  technician.value === null
    ? []
    : [
        { label: 'Roster', kind: 'screen', run: () => void router.push(rosterAsLeft()) },
        { label: 'Findings', kind: 'screen', run: () => void router.push('/findings') },
        { label: 'What was done', kind: 'screen', run: () => void router.push('/activity') },
        { label: 'Rules', kind: 'screen', run: () => void router.push('/rules') },
        ...(technician.value.mayTakeOn
          ? [
              { label: 'Take on a customer', kind: 'screen', run: () => void router.push('/taking-on') },
              { label: 'Numbers', kind: 'screen', run: () => void router.push('/numbers') },
              { label: 'Ports', kind: 'screen', run: () => void router.push('/ports') },
            ]
          : []),
        ...(technician.value.lead
          ? [
              { label: 'People', kind: 'screen', run: () => void router.push('/people') },
              { label: 'Health', kind: 'screen', run: () => void router.push('/health') },
              { label: 'Settings', kind: 'screen', run: () => void router.push('/settings') },
            ]
          : []),
        { label: 'Break the glass', kind: 'screen', run: () => void router.push('/break-glass') },
        { label: 'Tokens for programs', kind: 'screen', run: () => void router.push('/tokens') },
        { label: 'Dates, times and numbers', kind: 'setting', run: () => void router.push('/manner') },
        { label: 'Second factor', kind: 'screen', run: () => void router.push('/second-factor') },
        { label: 'Light or dark', kind: 'setting', run: toggleTheme },
        { label: 'Sign out', kind: 'session', run: () => void signOut() },
      ],
)

/** Whoever comes to another page by the keyboard goes on from its top, and a reader hears where that is. */
router.afterEach((to, from) => {
  if (from.matched.length === 0 || to.name === from.name) return
  void nextTick(() => {
    requestAnimationFrame(() => {
      const active = document.activeElement
      if (active !== null && active !== document.body) return
      const main = document.querySelector<HTMLElement>('main')
      if (main === null) return
      main.tabIndex = -1
      main.focus({ preventScroll: true })
    })
  })
})

/** Customers, their objects, and rules by what they find. */
useFinder(async (typed) => {
  if (technician.value === null) return []
  const [lines, { found }, { rules }] = await Promise.all([
    findCustomers(typed),
    take(client.GET('/find', { params: { query: { words: typed } } })),
    queryClient.query(rulesQuery),
  ])
  const words = typed.toLowerCase().split(/\s+/)
  return [
    ...lines.map((line) => ({
      label: line.mainNumber === null || !/\d/.test(typed) ? line.name : `${line.mainNumber} ${line.name}`,
      kind: line.place === null ? 'customer' : `customer · ${line.place}`,
      run: () => void router.push({ name: 'desk', params: { customer: line.key } }),
    })),
    ...found.map((each) => ({
      label: [each.extension, each.number ?? each.label].filter((part) => part !== null).join(' '),
      kind: `${kindsInWords(each.kind as Kind).one.toLowerCase()} · ${each.name}`,
      run: () => void router.push({ name: 'desk', params: { customer: each.customer }, query: { at: each.ref } }),
    })),
    ...rules
      .filter((rule) => words.every((word) => `${rule.id} ${rule.name} ${rule.what}`.toLowerCase().includes(word)))
      .map((rule) => ({
        label: rule.name,
        kind: `rule · ${rule.id}`,
        run: () => void router.push({ name: 'rules', query: { rule: rule.id } }),
      })),
  ]
})

onMounted(() => {
  document.addEventListener('keydown', handleKey)
})
onUnmounted(() => {
  document.removeEventListener('keydown', handleKey)
})
</script>

<template>
  <el-config-provider size="small">
    <router-view v-if="ready" />
    <LoadingLines v-else what="who you are" />
    <CommandBox />
    <KeyHelp />
  </el-config-provider>
</template>
