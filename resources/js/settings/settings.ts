import { queryOptions, useQueryClient } from '@tanstack/vue-query'
import { client, take, type Settings, type SettingsSaid } from '@/api'

export const settingsQuery = queryOptions({
  queryKey: ['settings'],
  queryFn: (): Promise<Settings> => take(client.GET('/settings')),
})

/** What can be changed on the page, as it is sent: tokens are left as they are unless one is typed. */
export function asSaid(settings: Settings): Required<SettingsSaid> {
  return {
    reseller: settings.reseller,
    region: settings.region,
    zone: settings.zone,
    colour: settings.colour,
    letterhead: settings.letterhead,
    languages: [...settings.languages],
    nightlyAt: settings.nightlyAt,
    nightlyAs: settings.nightlyAs,
    lettersAt: settings.lettersAt,
    mailFrom: settings.mailFrom,
    secondFactorFor: [...settings.secondFactorFor],
    pushWithBlockers: settings.pushWithBlockers,
    retention: { ...settings.retention },
    restDays: { ...settings.restDays },
    orderLimitCents: settings.orderLimitCents,
    switches: settings.switches
      .filter((each) => !each.isOfFile)
      .map(({ name, kind, url, directory }) => ({ name, kind, url, directory, token: null })),
    carrier: settings.carrier.isOfFile || settings.carrier.url === null ? null : { url: settings.carrier.url },
    studio: settings.studio.isOfFile || settings.studio.url === null ? null : { url: settings.studio.url },
  }
}

export function useKeeping(): (said: SettingsSaid) => Promise<void> {
  const queryClient = useQueryClient()
  return async (said) => {
    const settings = await take(client.PUT('/settings', { body: said }))
    queryClient.setQueryData(settingsQuery.queryKey, settings)
    // The name on every page is one of them.
    await queryClient.invalidateQueries({ queryKey: ['session'] })
  }
}

export interface Trial {
  of: string
  kind?: string | null
  url?: string | null
  directory?: string | null
  token?: string | null
}

/** What is wrong with a connection as it stands on the page; null where it answers as it should. */
export async function tryOut(trial: Trial): Promise<string | null> {
  return (await take(client.POST('/settings/connections/try', { body: trial }))).trouble
}
