import { wrap, type Remote } from 'comlink'
import type { EarWorker } from './ear.worker'

export interface EarWork {
  readonly ear: Remote<EarWorker>
  readonly end: () => void
}

/** The ear, off the page's thread. */
export function startEar(): EarWork {
  const raw = new Worker(new URL('./ear.worker.ts', import.meta.url), { type: 'module' })
  return { ear: wrap<EarWorker>(raw), end: () => raw.terminate() }
}
