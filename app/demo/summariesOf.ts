import type { Records } from '@link-count/core/model'
import type { EngineSummary } from '../domain/summaries'
import { summariseEngine } from '../ui/summary/summariseEngine'

/** What the list of engines shows of each engine of a workshop, by engine. */
export const summariesOf = ({ engines, jobs, sheets, entries }: Records): Record<string, EngineSummary> =>
  Object.fromEntries(
    engines.map((engine) => {
      const own = jobs.filter(({ engineId }) => engineId === engine.id)
      const ids = new Set(own.map(({ id }) => id))
      const work = {
        jobs: own,
        sheets: sheets.filter(({ engineId }) => engineId === engine.id),
        entries: entries.filter(({ jobId }) => ids.has(jobId)),
      }
      return [engine.id, summariseEngine(engine, work)]
    }),
  )
