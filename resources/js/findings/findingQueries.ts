import { queryOptions } from '@tanstack/vue-query'
import { client, take, type AuditRun, type FindingLine, type Findings } from '@/api'

export const findingsQuery = queryOptions({
  queryKey: ['findings'],
  queryFn: async (): Promise<Findings> => await take(client.GET('/findings')),
})

const WHILE_RUNNING = 1000
const OTHERWISE = 30_000

export const auditQuery = queryOptions({
  queryKey: ['audits'],
  queryFn: async (): Promise<AuditRun | null> => (await take(client.GET('/audits/latest'))).run,
})

/** Asked again and again: three numbers, however many customers there are. */
export const progressQuery = queryOptions({
  queryKey: ['audits', 'progress'],
  queryFn: async () => (await take(client.GET('/audits/latest/progress'))).progress,
  refetchInterval: ({ state }) => (state.data?.state === 'running' ? WHILE_RUNNING : OTHERWISE),
})

export const FORMATS = { csv: 'CSV', json: 'JSON', sarif: 'SARIF', junit: 'JUnit' } as const

const NAMES = { csv: 'findings.csv', json: 'findings.json', sarif: 'findings.sarif', junit: 'findings.xml' }

/** Fetches the lines as a file and hands it to the browser, which keeps it. */
export async function saveAs(format: keyof typeof FORMATS, lines: FindingLine[]): Promise<void> {
  const text = await take(
    client.POST('/findings/export', {
      body: { format, of: lines.map(({ customer, fingerprint }) => ({ customer, fingerprint })) },
      parseAs: 'text',
    }),
  )
  const address = URL.createObjectURL(new Blob([text]))
  const link = document.createElement('a')
  link.href = address
  link.download = NAMES[format]
  link.click()
  URL.revokeObjectURL(address)
}
