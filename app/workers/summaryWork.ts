import { wrap, type Remote } from 'comlink'
import type { WorkshopKind } from '../db'
import type { EngineSummary } from '../domain/summaries'
import { orBroken } from './orBroken'
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
  const answer = orBroken(raw)
  return {
    summarise: (engineId) => answer(worker.summarise(kind, engineId)),
    end: () => raw.terminate(),
  }
}
