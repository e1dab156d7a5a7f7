import { createI18n, type Composer } from 'vue-i18n'

/** The pages that customers read, in each language: one file of messages for each, and nothing else to be done. */
const files = import.meta.glob<Record<string, unknown>>('./messages/*.json', { eager: true, import: 'default' })

export const MESSAGES = Object.fromEntries(
  Object.entries(files).map(([file, messages]) => [file.replace(/^.*\/|\.json$/g, ''), messages]),
)

/** Says the page's own words. Where a language lacks one, English says it; a test finds which. */
export function useLetters(): Composer {
  const made = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: MESSAGES as never })
  return made.global
}
