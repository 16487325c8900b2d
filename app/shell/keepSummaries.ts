import type { Engine, Job } from '@link-count/core/model'
import type { OpenWorkshop } from '../db'
import { engineSelectors } from '../domain/engines'
import { jobSelectors } from '../domain/jobs'
import { putSummary } from '../domain/notes'
import type { AppStore } from '../store'

/** What makes summaries: another version of this app makes all of them anew. */
export const MADE_BY = __BUILD__

/** So long after the last line somebody is likely to go on writing. */
const AFTER_MS = 400

/** Makes the summary of every engine that waits for one, one after the other, when nothing else is going on. Gives what ends it. */
export function keepSummaries(store: AppStore, readEngine: OpenWorkshop['readEngine']): () => void {
  let ended = false
  let going = false
  let timer: ReturnType<typeof setTimeout> | undefined
  /** Engines that could not be summed up as they stand: not tried again until something is written. */
  const failed = new Map<string, string | undefined>()
  const next = (): Engine | undefined => {
    const { engines, summaries } = store.getState()
    return engineSelectors.selectAll(engines).find(({ id }) => {
      const row = summaries.get(id)
      const isDue = !row?.summary || row.madeBy !== MADE_BY
      return isDue && !(failed.has(id) && failed.get(id) === row?.waiting)
    })
  }
  const make = async (engine: Engine) => {
    const { summariseEngine } = await import('../ui/summary/summariseEngine')
    const { summaries, opened, jobs } = store.getState()
    const waiting = summaries.get(engine.id)?.waiting
    const { sheets, entries } = opened[engine.id] ?? (await readEngine(engine.id))
    const its: Job[] = jobSelectors.selectAll(jobs).filter(({ engineId }) => engineId === engine.id)
    try {
      const summary = summariseEngine(engine, { jobs: its, sheets, entries })
      await store.dispatch(putSummary({ id: engine.id, madeBy: MADE_BY, summary }, waiting))
    } catch {
      failed.set(engine.id, waiting)
    }
  }
  const go = async () => {
    if (going) return
    going = true
    try {
      for (let engine = next(); engine && !ended; engine = next()) {
        await make(engine)
        await new Promise((resolve) => setTimeout(resolve))
      }
    } catch {
      // Storage that is closed says so elsewhere; what waits is made at the next start.
    } finally {
      going = false
    }
  }
  const soon = (ms: number) => {
    clearTimeout(timer)
    timer = setTimeout(() => void go(), ms)
  }
  let seen = store.getState().summaries
  const stop = store.subscribe(() => {
    const { summaries } = store.getState()
    if (summaries === seen) return
    seen = summaries
    if (!going) soon(AFTER_MS)
  })
  soon(0)
  return () => {
    ended = true
    stop()
    clearTimeout(timer)
  }
}
