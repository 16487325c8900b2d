import type { UnknownAction } from '@reduxjs/toolkit'
import { draftsSlice } from '../domain/drafts'
import { enginesSlice } from '../domain/engines'
import { entriesSlice } from '../domain/entries'
import type { Env } from '../domain/env'
import { jobsSlice } from '../domain/jobs'
import { metaSlice } from '../domain/meta'
import { sheetsSlice } from '../domain/sheets'
import { WorkshopDatabase, type WorkshopKind } from './database'

export interface OpenWorkshop {
  readonly env: Env
  /** What fills the state at the start. */
  readonly actions: readonly UnknownAction[]
  /** The one subscription to what other tabs write. */
  readonly listen: (dispatch: (action: UnknownAction) => void) => () => void
  /** Puts the demo back as it was made; what it gives back undoes that. */
  readonly reset: () => Promise<() => Promise<void>>
}

/** Opens a workshop: its database, filled with the demo the first time, and everything in it. */
export async function openWorkshop(kind: WorkshopKind): Promise<OpenWorkshop> {
  const db = new WorkshopDatabase(kind)
  if (kind === 'demo' && (await db.engines.count()) === 0) await seedDemo(db)
  const [engines, sheets, jobs, entries, drafts, meta] = await Promise.all([
    db.engines.toArray(),
    db.sheets.toArray(),
    db.jobs.toArray(),
    db.entries.toArray(),
    db.drafts.toArray(),
    db.meta.toArray(),
  ])
  const device = meta.find(({ id }) => id === 'device')?.value ?? (await nameDevice(db))
  const channel = new BroadcastChannel(`link-count-${kind}`)
  const env: Env = {
    engines: db.engines,
    sheets: db.sheets,
    jobs: db.jobs,
    entries: db.entries,
    drafts: db.drafts,
    pictures: db.pictures,
    meta: db.meta,
    atomically: (records, pictures) => db.atomically(records, pictures),
    now: () => new Date().toISOString(),
    newId: () => crypto.randomUUID(),
    device,
    publish: (action) => channel.postMessage(action),
  }
  return {
    env,
    actions: [
      enginesSlice.actions.put(engines),
      sheetsSlice.actions.put(sheets),
      jobsSlice.actions.put(jobs),
      entriesSlice.actions.put(entries),
      draftsSlice.actions.loaded(drafts),
      metaSlice.actions.put(meta),
    ],
    listen: (dispatch) => {
      channel.onmessage = ({ data }) => dispatch(data as UnknownAction)
      return () => {
        channel.close()
        db.close()
      }
    },
    reset: async () => {
      const before = await everything(db)
      await seedDemo(db)
      return () => putBack(kind, before)
    },
  }
}

async function nameDevice(db: WorkshopDatabase): Promise<string> {
  const device = `d-${crypto.randomUUID().slice(0, 8)}`
  await db.meta.put({ id: 'device', value: device })
  return device
}

/** Puts the demo's records back as they were made; what was tried out in it goes. */
export async function seedDemo(db: WorkshopDatabase): Promise<void> {
  const { demoRecords } = await import('../demo/demoRecords')
  await db.transaction('rw', [db.engines, db.sheets, db.jobs, db.entries, db.drafts, db.pictures], async () => {
    await Promise.all(
      [db.engines, db.sheets, db.jobs, db.entries, db.drafts, db.pictures].map((table) => table.clear()),
    )
    await db.engines.bulkPut([...demoRecords.engines])
    await db.sheets.bulkPut([...demoRecords.sheets])
    await db.jobs.bulkPut([...demoRecords.jobs])
    await db.entries.bulkPut([...demoRecords.entries])
  })
}

const TABLES = ['engines', 'sheets', 'jobs', 'entries', 'drafts', 'pictures'] as const
type Everything = readonly (readonly unknown[])[]

const everything = (db: WorkshopDatabase): Promise<Everything> =>
  Promise.all(TABLES.map((name) => db.table<unknown>(name).toArray()))

/** Everything as it was, all or nothing; the workshop may have been opened anew since. */
async function putBack(kind: WorkshopKind, before: Everything): Promise<void> {
  const db = new WorkshopDatabase(kind)
  await db.transaction('rw', [...TABLES], async () => {
    for (const [i, name] of TABLES.entries()) {
      await db.table<unknown>(name).clear()
      await db.table<unknown>(name).bulkPut([...(before[i] ?? [])])
    }
  })
  db.close()
}
