import { expose } from 'comlink'
import { WorkshopDatabase, type WorkshopKind } from '../db/database'
import type { EngineSummary } from '../domain/summaries'
import { summariseEngine } from '../ui/summary/summariseEngine'

let db: WorkshopDatabase | undefined

const api = {
  /** The summary of an engine as it is stored, and what it was waiting for by then. Undefined where there is no such engine. */
  async summarise(
    kind: WorkshopKind,
    engineId: string,
  ): Promise<{ readonly summary: EngineSummary; readonly waiting: string | undefined } | undefined> {
    if (!db) {
      db = new WorkshopDatabase(kind)
      // A page that deletes or upgrades it does not wait for this one.
      db.on('versionchange', () => db?.close())
      await db.open()
    }
    const found = await db.engineAsStored(engineId)
    if (!found) return undefined
    const { engine, jobs, sheets, entries, waiting } = found
    return { summary: summariseEngine(engine, { jobs, sheets, entries }), waiting }
  },
}

export type SummaryWorker = typeof api
expose(api)
