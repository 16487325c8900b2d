import { wrap, type Remote } from 'comlink'
import type { WorkshopKind } from '../db'
import type { EngineSummary } from '../domain/summaries'
import type { SummaryWorker } from './summary.worker'

export interface Summariser {
  readonly summarise: (
    engineId: string,
  ) => Promise<{ readonly summary: EngineSummary; readonly waiting: string | undefined } | undefined>
  readonly end: () => void
}

/** Sums up engines of a workshop off the page's thread, from what is stored. */
export function startSummariser(kind: WorkshopKind): Summariser {
  const raw = new Worker(new URL('./summary.worker.ts', import.meta.url), { type: 'module' })
  const worker: Remote<SummaryWorker> = wrap<SummaryWorker>(raw)
  const broken = new Promise<never>((_resolve, reject) =>
    raw.addEventListener('error', ({ message }) => reject(new Error(message || 'the worker did not start'))),
  )
  broken.catch(() => undefined)
  return {
    summarise: (engineId) => Promise.race([worker.summarise(kind, engineId), broken]),
    end: () => raw.terminate(),
  }
}
