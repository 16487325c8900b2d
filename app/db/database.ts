import Dexie, { type Table } from 'dexie'
import type { BuildSheet, Engine, Entry, Job } from '@link-count/core/model'
import {
  RECORD_TABLES,
  TABLES,
  type Batch,
  type DraftRow,
  type MetaRow,
  type PictureRow,
  type Rows,
} from '../domain/env'
import { storeVersions } from './migrations'

export type WorkshopKind = 'demo' | 'own'

/** The meta row that counts the batches ever written to this workshop, by any tab. */
export const REVISION = 'revision'

/** One workshop's database. The demo is another database than the mechanic's own. */
export class WorkshopDatabase extends Dexie {
  declare engines: Table<Engine, string>
  declare sheets: Table<BuildSheet, string>
  declare jobs: Table<Job, string>
  declare entries: Table<Entry, string>
  declare drafts: Table<DraftRow, string>
  declare pictures: Table<PictureRow, string>
  declare meta: Table<MetaRow, string>

  constructor(kind: WorkshopKind) {
    super(databaseName(kind))
    for (const { version, stores, up } of storeVersions) {
      this.version(version)
        .stores({ ...stores })
        .upgrade(async (transaction) => {
          for (const [name, raise] of Object.entries(up)) {
            const rows: Record<string, unknown>[] = await transaction.table(name).toArray()
            await transaction.table(name).bulkPut(rows.map((row) => raised(row, raise)))
          }
        })
    }
  }

  /** Every transaction that writes covers all tables: browsers have lost whole databases where two that overlap on different tables were cut off. */
  inOne<T>(work: () => Promise<T>): Promise<T> {
    return this.transaction('rw', [...TABLES], work)
  }

  /** Writes a batch as one, and the number of the batch; or nothing, when another tab wrote since. */
  write(batch: Batch, after: number): Promise<'written' | 'behind'> {
    return this.inOne(async () => {
      if ((await this.revision()) !== after) return 'behind'
      for (const name of TABLES) {
        const [put, drop] = [batch.put?.[name], batch.drop?.[name]]
        if (put && put.length > 0) await this.table<unknown>(name).bulkPut([...put])
        if (drop && drop.length > 0) await this.table(name).bulkDelete([...drop])
      }
      await this.meta.put({ id: REVISION, value: String(after + 1) })
      return 'written'
    })
  }

  async revision(): Promise<number> {
    return Number((await this.meta.get(REVISION))?.value ?? 0)
  }

  /** Everything but the pictures, as it stood at one moment. */
  everything(): Promise<Rows> {
    return this.transaction('r', [...TABLES], async () => ({
      engines: await this.engines.toArray(),
      sheets: await this.sheets.toArray(),
      jobs: await this.jobs.toArray(),
      entries: await this.entries.toArray(),
      drafts: await this.drafts.toArray(),
      meta: await this.meta.toArray(),
    }))
  }
}

/** A row that no version ever wrote stays as it is: it fails alone where it is read, and not the whole workshop here. */
function raised(row: Record<string, unknown>, raise: (row: Record<string, unknown>) => Record<string, unknown>) {
  try {
    return raise(row)
  } catch {
    return row
  }
}

export const databaseName = (kind: WorkshopKind) => `link-count-${kind}`

/** How many records there are in all. */
export const countRecords = (rows: Rows) => RECORD_TABLES.reduce((sum, name) => sum + (rows[name]?.length ?? 0), 0)
