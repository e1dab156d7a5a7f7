import { queryOptions } from '@tanstack/vue-query'
import {
  client,
  take,
  type CalledBack,
  type PersonElsewhere,
  type Desk,
  type Impact,
  type Live,
  type Margin,
  type Now,
  type Push,
  type Revision,
  type SiteView,
  type Telephones,
} from '@/api'

const POLL_PUSH_EVERY = 700

export const isUnderWay = (push: Push): boolean => push.status === 'queued' || push.status === 'running'

/** What a desk asks of the server, each under its key. */
export function queriesOf(customer: string) {
  const params = { path: { customer } }
  return {
    desk: queryOptions({
      queryKey: ['desk', customer],
      queryFn: (): Promise<Desk> => take(client.GET('/customers/{customer}/desk', { params })),
    }),
    live: queryOptions({
      queryKey: ['live', customer],
      queryFn: (): Promise<Live> => take(client.GET('/customers/{customer}/live', { params })),
    }),
    // Under the key of what it is about, so that both are looked at anew together.
    impact: queryOptions({
      queryKey: ['live', customer, 'impact'],
      queryFn: (): Promise<Impact> => take(client.GET('/customers/{customer}/live/impact', { params })),
    }),
    // Whatever is computed from the edited book, under one key: an edit makes all of it old.
    margin: queryOptions({
      queryKey: ['computed', customer, 'margin'],
      queryFn: (): Promise<Margin> => take(client.GET('/customers/{customer}/margin', { params })),
    }),
    sites: queryOptions({
      queryKey: ['computed', customer, 'sites'],
      queryFn: async (): Promise<SiteView[]> =>
        (await take(client.GET('/customers/{customer}/sites', { params }))).sites,
    }),
    elsewhere: queryOptions({
      queryKey: ['computed', customer, 'elsewhere'],
      queryFn: async (): Promise<PersonElsewhere[]> =>
        (await take(client.GET('/customers/{customer}/elsewhere', { params }))).people,
    }),
    telephones: queryOptions({
      queryKey: ['telephones', customer],
      queryFn: (): Promise<Telephones> => take(client.GET('/customers/{customer}/telephones', { params })),
    }),
    callbacks: queryOptions({
      queryKey: ['computed', customer, 'callbacks'],
      queryFn: async (): Promise<CalledBack[]> =>
        (await take(client.GET('/customers/{customer}/sites/callbacks', { params }))).callbacks,
    }),
    now: queryOptions({
      queryKey: ['live', customer, 'now'],
      queryFn: (): Promise<Now> => take(client.GET('/customers/{customer}/now', { params })),
    }),
    pushes: queryOptions({
      queryKey: ['pushes', customer],
      queryFn: async (): Promise<Push[]> => (await take(client.GET('/customers/{customer}/pushes', { params }))).pushes,
      refetchInterval: (query) => (query.state.data?.some(isUnderWay) === true ? POLL_PUSH_EVERY : false),
    }),
    revisions: queryOptions({
      queryKey: ['revisions', customer],
      queryFn: async (): Promise<Revision[]> =>
        (await take(client.GET('/customers/{customer}/revisions', { params }))).revisions,
    }),
  }
}

export type DeskQueries = ReturnType<typeof queriesOf>
