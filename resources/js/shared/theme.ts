import { ref, watch } from 'vue'

export type Theme = 'light' | 'dark'

const KEY = 'roster-theme'

function initial(): Theme {
  const kept = localStorage.getItem(KEY)
  if (kept === 'light' || kept === 'dark') return kept
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export const theme = ref<Theme>('light')

/** Puts the theme on the page, and keeps the choice in this browser. */
export function applyTheme(): void {
  theme.value = initial()
  watch(
    theme,
    (value) => {
      document.documentElement.dataset.theme = value
    },
    { immediate: true },
  )
}

export function toggleTheme(): void {
  theme.value = theme.value === 'dark' ? 'light' : 'dark'
  localStorage.setItem(KEY, theme.value)
}
