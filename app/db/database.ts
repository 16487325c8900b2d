import Dexie, { type Table } from 'dexie'
import type { BuildSheet, Engine, Entry, Job, Records } from '@link-count/core/model'
import type { DraftRow, MetaRow, PictureRow } from '../domain/env'
import { storeVersions } from './migrations'

export type WorkshopKind = 'demo' | 'own'

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
    super(`link-count-${kind}`)
    for (const { version, stores, up } of storeVersions) {
      this.version(version)
        .stores({ ...stores })
        .upgrade(async (transaction) => {
          for (const [name, raise] of Object.entries(up)) {
            const rows: Record<string, unknown>[] = await transaction.table(name).toArray()
            await transaction.table(name).bulkPut(rows.map(raise))
          }
        })
    }
  }

  /** Adds records, all or nothing. */
  async atomically(records: Records, pictures: readonly PictureRow[]): Promise<void> {
    await this.transaction('rw', [this.engines, this.sheets, this.jobs, this.entries, this.pictures], async () => {
      await this.engines.bulkAdd([...records.engines])
      await this.sheets.bulkAdd([...records.sheets])
      await this.jobs.bulkAdd([...records.jobs])
      await this.entries.bulkAdd([...records.entries])
      await this.pictures.bulkPut([...pictures])
    })
  }
}
