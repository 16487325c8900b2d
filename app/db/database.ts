import Dexie, { type Table } from 'dexie'
import type { BuildSheet, Engine, Entry, Job } from '@link-count/core/model'
import type { SummaryRow } from '../domain/summaries'
import type { EngineRows } from '../domain/written'
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
/** Meta rows that count the records and the lines there are, and say when the first was written. */
export const RECORDS = 'records'
export const ENTRIES = 'entries'
export const FIRST_AT = 'firstAt'

/** One workshop's database. The demo is another database than the mechanic's own. */
export class WorkshopDatabase extends Dexie {
  declare engines: Table<Engine, string>
  declare sheets: Table<BuildSheet, string>
  declare jobs: Table<Job, string>
  declare entries: Table<Entry, string>
  declare drafts: Table<DraftRow, string>
  declare pictures: Table<PictureRow, string>
  declare meta: Table<MetaRow, string>
  declare summaries: Table<SummaryRow, string>

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

  /** Writes a batch as one, and the number of the batch; or nothing, when another tab wrote since. Gives the notes that were counted along with it. */
  write(batch: Batch, after: number): Promise<readonly MetaRow[] | 'behind'> {
    return this.inOne(async () => {
      if ((await this.revision()) !== after) return 'behind'
      const counted = await this.countWith(batch)
      for (const name of TABLES) {
        const [put, drop] = [batch.put?.[name], batch.drop?.[name]]
        if (put && put.length > 0) await this.table<unknown>(name).bulkPut([...put])
        if (drop && drop.length > 0) await this.table(name).bulkDelete([...drop])
      }
      await this.meta.bulkPut([...counted, { id: REVISION, value: String(after + 1) }])
      return counted
    })
  }

  /** How many records and lines there are with a batch on top, and when the first was written, from what was noted before it. */
  private async countWith({ put, drop }: Batch): Promise<MetaRow[]> {
    const touched = RECORD_TABLES.filter((name) => (put?.[name]?.length ?? 0) + (drop?.[name]?.length ?? 0) > 0)
    if (touched.length === 0) return []
    const before = await this.counts()
    let [records, entries] = [before.records, before.entries]
    for (const name of touched) {
      const ids = [...new Set((put?.[name] ?? []).map(({ id }) => id))]
      const there = (some: readonly string[]) => countThere(this.table(name), some)
      const more = ids.length - (await there(ids)) - (await there(drop?.[name] ?? []))
      records += more
      if (name === 'entries') entries += more
    }
    const times = (put?.entries ?? []).map(({ at }) => at)
    const firstAt = before.firstAt ?? times.reduce<string | undefined>((a, b) => (a && a < b ? a : b), undefined)
    return [
      { id: RECORDS, value: String(records) },
      { id: ENTRIES, value: String(entries) },
      ...(firstAt === undefined ? [] : [{ id: FIRST_AT, value: firstAt }]),
    ]
  }

  /** As noted; counted where it is not. */
  private async counts(): Promise<{ records: number; entries: number; firstAt: string | undefined }> {
    const [records, entries, firstAt] = await this.meta.bulkGet([RECORDS, ENTRIES, FIRST_AT])
    if (records && entries)
      return { records: Number(records.value), entries: Number(entries.value), firstAt: firstAt?.value }
    let first: string | undefined
    await this.entries.each(({ at }) => void (first = first === undefined || at < first ? at : first))
    return { records: await this.countRecords(), entries: await this.entries.count(), firstAt: first }
  }

  /** How many records there are. */
  async countRecords(): Promise<number> {
    const counts = await Promise.all(RECORD_TABLES.map((name) => this.table(name).count()))
    return counts.reduce((sum, n) => sum + n, 0)
  }

  async revision(): Promise<number> {
    return Number((await this.meta.get(REVISION))?.value ?? 0)
  }

  /** Everything but the pictures, as it stood at one moment. */
  everything(): Promise<Rows> {
    return this.transaction('r', [...TABLES], async () => ({
      ...(await this.heads()),
      sheets: await this.sheets.toArray(),
      entries: await this.entries.toArray(),
    }))
  }

  /** What the list of engines and what is typed need; the build sheets and ledgers of an engine are read when a page is opened for it. */
  heads(): Promise<Rows> {
    return this.transaction('r', [...TABLES], async () => ({
      engines: await this.engines.toArray(),
      jobs: await this.jobs.toArray(),
      drafts: await this.drafts.toArray(),
      meta: await this.meta.toArray(),
      summaries: await this.summaries.toArray(),
    }))
  }

  /** An engine with everything that was written on it, and what its summary waits for. */
  engineAsStored(engineId: string) {
    return this.transaction('r', [...TABLES], async () => {
      const engine = await this.engines.get(engineId)
      if (!engine) return undefined
      const jobs = await this.jobs.where('engineId').equals(engineId).toArray()
      const { sheets, entries } = await this.engineRows(engineId)
      return { engine, jobs, sheets, entries, waiting: (await this.summaries.get(engineId))?.waiting }
    })
  }

  /** The build sheets and ledgers of an engine. */
  engineRows(engineId: string): Promise<EngineRows> {
    return this.transaction('r', [...TABLES], async () => {
      const jobIds = await this.jobs.where('engineId').equals(engineId).primaryKeys()
      return {
        engineId,
        jobIds,
        sheets: await this.sheets.where('engineId').equals(engineId).toArray(),
        entries: await this.entries.where('jobId').anyOf(jobIds).toArray(),
      }
    })
  }
}

/** So many keys are asked for one by one; of more all keys are read. */
const ASKED_ONE_BY_ONE = 500

async function countThere(table: Table<unknown, string>, ids: readonly string[]): Promise<number> {
  if (ids.length <= ASKED_ONE_BY_ONE)
    return table
      .where(':id')
      .anyOf([...ids])
      .count()
  const there = new Set(await table.toCollection().primaryKeys())
  return ids.filter((id) => there.has(id)).length
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
