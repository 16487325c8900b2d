import type { CDPSession, Page } from '@playwright/test'

interface TraceEvent {
  readonly name: string
  readonly ph: string
  readonly pid: number
  readonly tid: number
  readonly dur?: number
  readonly args: { readonly name?: string }
}

/** The tasks that ran on the page's main thread while something was done, ms each, the shortest first: by the browser's own tracer. */
export async function tasksOf(page: Page, work: () => Promise<void>): Promise<number[]> {
  const client = await page.context().newCDPSession(page)
  const events: TraceEvent[] = []
  client.on('Tracing.dataCollected', ({ value }) => events.push(...(value as unknown as TraceEvent[])))
  const categories = 'disabled-by-default-devtools.timeline,devtools.timeline,toplevel'
  await client.send('Tracing.start', { transferMode: 'ReportEvents', categories })
  await work()
  const ended = new Promise((resolve) => client.once('Tracing.tracingComplete', resolve))
  await client.send('Tracing.end')
  await ended
  await client.detach()
  const main = mainThreadOf(events)
  return events
    .filter(({ name, pid, tid }) => /RunTask$/.test(name) && `${pid} ${tid}` === main)
    .map(({ dur = 0 }) => dur / 1000)
    .sort((a, b) => a - b)
}

/** Of all renderers the one that did most. */
function mainThreadOf(events: readonly TraceEvent[]): string {
  const names = events.filter(
    ({ ph, name, args }) => ph === 'M' && name === 'thread_name' && args.name === 'CrRendererMain',
  )
  const busy = (pid: number, tid: number) =>
    events.reduce((sum, one) => sum + (one.pid === pid && one.tid === tid ? (one.dur ?? 0) : 0), 0)
  const [most] = names
    .map(({ pid, tid }) => ({ key: `${pid} ${tid}`, busy: busy(pid, tid) }))
    .sort((a, b) => b.busy - a.busy)
  return most?.key ?? ''
}

export const percentile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0

/** The page's own work on its main thread so far, ms: script, styles and layout. Painting is the machine's, which here does it in software. */
export async function workSoFar(client: CDPSession): Promise<number> {
  const { metrics } = await client.send('Performance.getMetrics')
  const own = ['ScriptDuration', 'RecalcStyleDuration', 'LayoutDuration']
  return 1000 * metrics.reduce((sum, { name, value }) => sum + (own.includes(name) ? value : 0), 0)
}
