import type { MetaRow, Rows } from '../domain/env'
import { newDevice } from '../domain/device'
import { ENTRIES, FIRST_AT, RECORDS, REVISION, type WorkshopDatabase } from './database'
import type { SecondCopy } from './copy'

/** What was found missing when a workshop was opened, and what came of it; kept until somebody has read it. */
export interface Loss {
  readonly had: number
  readonly has: number
  readonly at: string
}

/** Notes of a loss, as meta rows; empty once they were read. */
export const RECOVERED = 'recovered'
export const MISSING = 'missing'

export interface Found {
  /** What the list of engines needs. */
  readonly rows: Rows
  readonly revision: number
  readonly records: number
  /** The last batch that was written before it was opened, whoever still had it. */
  readonly lastWritten: number
}

/** Holds what the database has against its second copy and against what was noted, and puts back what it lost. After that this browser writes under a
 *  new name: what it wrote last may stand elsewhere under the same counters. */
export async function recover(
  db: WorkshopDatabase,
  copy: SecondCopy,
  { noted, now, newId }: { readonly noted: number; readonly now: string; readonly newId: () => string },
): Promise<Found> {
  const revision = await db.revision()
  const has = await db.countRecords()
  const { stood } = copy
  const isBehind = stood && (stood.revision > revision || (stood.revision === revision && stood.records > has))
  // A copy that cannot be read is none: then what is missing is told.
  const whole = isBehind ? await copy.whole().catch(() => undefined) : undefined
  if (whole) {
    const counted = [REVISION, RECORDS, ENTRIES, FIRST_AT]
    const meta: MetaRow[] = [
      ...(whole.rows.meta ?? []).filter(({ id }) => !counted.includes(id)),
      { id: 'device', value: newDevice(newId) },
      { id: RECOVERED, value: JSON.stringify({ had: stood?.records ?? 0, has, at: now } satisfies Loss) },
    ]
    await putRows(db, { ...whole.rows, meta }, Math.max(whole.revision, revision))
    await putPicturesBack(db, copy)
  }
  const left = await db.countRecords()
  const had = Math.max(noted, isBehind && !whole ? stood.records : 0)
  if (had > left) {
    const meta: MetaRow[] = [
      { id: 'device', value: newDevice(newId) },
      { id: MISSING, value: JSON.stringify({ had, has: left, at: now } satisfies Loss) },
    ]
    await putRows(db, { meta }, await db.revision())
  }
  return {
    rows: await db.heads(),
    revision: await db.revision(),
    records: left,
    lastWritten: Math.max(revision, whole?.revision ?? 0),
  }
}

/** Puts rows beside a database that lost some: what was counted and summed up of it is counted and summed up anew. */
async function putRows(db: WorkshopDatabase, rows: Rows, after: number): Promise<void> {
  await db.inOne(async () => {
    for (const [name, list] of Object.entries(rows)) await db.table<unknown>(name).bulkPut([...list])
    await db.meta.bulkDelete([RECORDS, ENTRIES, FIRST_AT])
    await db.summaries.clear()
    await db.meta.put({ id: REVISION, value: String(after + 1) })
  })
}

async function putPicturesBack(db: WorkshopDatabase, copy: SecondCopy): Promise<void> {
  const there = new Set(await copy.pictureIds())
  const lost = (await db.entries.toArray()).flatMap((entry) =>
    entry.kind === 'picture' && there.has(entry.pictureId) ? [entry] : [],
  )
  for (const { pictureId: id, jobId, mediaType } of lost) {
    if (await db.pictures.get(id)) continue
    const blob = await copy.readPicture(id)
    await db.inOne(() => db.pictures.put({ id, jobId, blob: new Blob([blob], { type: mediaType }) }))
  }
}

/** Begins the copy anew where it is behind the database: the first time, or after it could not be written. */
export async function renewCopy(db: WorkshopDatabase, copy: SecondCopy, { revision, records }: Found): Promise<void> {
  if (copy.status().kept === 'once' || copy.stood?.revision === revision) return
  await copy.startOver(await db.everything(), { revision, records })
  const there = new Set(await copy.pictureIds())
  for (const id of await db.pictures.toCollection().primaryKeys()) {
    const picture = there.has(id) ? undefined : await db.pictures.get(id)
    if (picture) await copy.keepPicture(picture)
  }
}
