import { expose } from 'comlink'
import Dexie from 'dexie'
import { mergeRecords, type FileError, type MergeOutcome } from '@link-count/core/file'
import type { Records } from '@link-count/core/model'
import { err, ok, type Result } from '@link-count/core/result'
import { readArchive, writeArchive, type Written } from '../db/archive'
import { databaseName, WorkshopDatabase, type WorkshopKind } from '../db/database'
import { fileMigrations } from '../db/migrations'
import type { PictureRow } from '../domain/env'

/** What opening a file would do. */
export interface OpenedFile {
  readonly outcome: MergeOutcome
  readonly pictures: readonly PictureRow[]
  readonly picturesMissing: number
  /** Records in it that could not be read when it was made, and are left out. */
  readonly aside: number
}

export interface MadeFile extends Written {
  /** How many lines of ledgers it holds. */
  readonly entries: number
  /** The storage was gone: it holds only what the page still had. */
  readonly onlyHeld: boolean
}

/** Reads a workshop as it is stored, and nothing else: where there is none, none is made. */
async function withStored<T>(kind: WorkshopKind, work: (db: WorkshopDatabase) => Promise<T>): Promise<T | undefined> {
  if (!(await Dexie.exists(databaseName(kind)))) return undefined
  const db = new WorkshopDatabase(kind)
  // A page that deletes or upgrades it does not wait for this one.
  db.on('versionchange', () => db.close())
  try {
    await db.open()
    return await work(db)
  } finally {
    db.close()
  }
}

async function storedRecords(db: WorkshopDatabase): Promise<Records> {
  const { engines = [], sheets = [], jobs = [], entries = [] } = await db.everything()
  return { engines: [...engines], sheets: [...sheets], jobs: [...jobs], entries: [...entries] }
}

const NOTHING: Records = { engines: [], sheets: [], jobs: [], entries: [] }

const api = {
  /** Reads a file and holds it against what is here; nothing is changed by that. */
  async open(
    file: Blob,
    kind: WorkshopKind,
    progress: (share: number) => void,
  ): Promise<Result<OpenedFile, FileError>> {
    const archive = await readArchive(file, { migrations: fileMigrations, progress })
    if (!archive.ok) return archive
    const { file: theirs, pictures, picturesMissing } = archive.value
    const mine = (await withStored(kind, storedRecords)) ?? NOTHING
    const outcome = mergeRecords(mine, theirs)
    if (!outcome.ok) return err(outcome.error)
    // Only pictures of lines that are new here: one of ours is never written over.
    const ours = new Set(mine.entries.flatMap((entry) => (entry.kind === 'picture' ? [entry.pictureId] : [])))
    const added = new Set(
      outcome.value.add.entries.flatMap((entry) => (entry.kind === 'picture' ? [entry.pictureId] : [])),
    )
    return ok({
      outcome: outcome.value,
      pictures: pictures.filter(({ id }) => added.has(id) && !ours.has(id)),
      picturesMissing,
      aside: theirs.aside?.length ?? 0,
    })
  },
  /** A workshop as a file, or one engine of it. `held`: what the page still has, for where its storage is gone. */
  async save(
    kind: WorkshopKind,
    { savedAt, engineId, held }: { savedAt: string; engineId?: string | undefined; held: Records },
    progress: (share: number) => void,
  ): Promise<MadeFile> {
    const of = async (records: Records, readPicture: (id: string) => Promise<Blob | undefined>) => ({
      ...(await writeArchive({ records, savedAt, engineId, readPicture, progress })),
      entries: records.entries.length,
    })
    const stored = await withStored(kind, async (db) => {
      const records = await storedRecords(db)
      return records.engines.length < held.engines.length
        ? undefined
        : of(records, async (id) => (await db.pictures.get(id))?.blob)
    }).catch(() => undefined)
    if (stored) return { ...stored, onlyHeld: false }
    return { ...(await of(held, () => Promise.resolve(undefined))), onlyHeld: true }
  },
}

export type FileWorker = typeof api
expose(api)
