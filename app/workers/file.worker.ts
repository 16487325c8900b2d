import { expose } from 'comlink'
import Dexie from 'dexie'
import { nanoid } from 'nanoid'
import {
  mergeRecords,
  takeOther,
  type Deleted,
  type FileError,
  type MergeOutcome,
  type Offer,
} from '@link-count/core/file'
import type { Records } from '@link-count/core/model'
import { err, ok, type Result } from '@link-count/core/result'
import { readArchive, writeArchive, type Archive, type Written } from '../db/archive'
import { linesOfBatch } from '../db/copy/copyLog'
import { databaseName, RECORDS, WorkshopDatabase, type WorkshopKind } from '../db/database'
import { fileMigrations } from '../db/migrations'
import type { PictureRow, WriteElsewhere } from '../domain/env'
import { batchOfFile } from '../domain/fileBatch'

/** What opening a file would do: as much of it as is told before it is done. */
export interface OpenedFile {
  readonly added: { readonly [K in keyof Records]: number }
  readonly changed: number
  readonly engineNames: readonly string[]
  readonly same: number
  readonly offers: readonly Offer[]
  /** What either side deleted and the other still has. */
  readonly deleted: readonly Deleted[]
  /** Records here that go with what is deleted. */
  readonly gone: number
  readonly kept: number
  readonly rivals: number
  readonly picturesMissing: number
  /** Records in it that could not be read when it was made, and are left out. */
  readonly aside: number
}

interface Held {
  readonly kind: WorkshopKind
  readonly outcome: MergeOutcome
  readonly archive: Archive
  readonly pictures: readonly PictureRow[]
  /** Pictures here whose lines go. */
  readonly picturesGone: readonly string[]
}
let held: Held | undefined

const picturesIn = (entries: Records['entries']) =>
  new Set(entries.flatMap((entry) => (entry.kind === 'picture' ? [entry.pictureId] : [])))

/** Holds a file that was read against what is here. `keep`: what is deleted and is to be there all the same. */
async function holdAgainst(
  archive: Archive,
  kind: WorkshopKind,
  keep: { readonly ids: readonly string[]; readonly at: string },
): Promise<Result<OpenedFile, FileError>> {
  const { file: theirs, pictures, picturesMissing } = archive
  const mine = (await withStored(kind, storedRecords)) ?? NOTHING
  const merged = mergeRecords(mine, theirs, keep)
  if (!merged.ok) return err(merged.error)
  const outcome = merged.value
  // Only pictures of lines that are new here: one of ours is never written over.
  const ours = picturesIn(mine.entries)
  const added = picturesIn(outcome.add.entries)
  const goes = new Set(outcome.drop.entries)
  held = {
    kind,
    outcome,
    archive,
    pictures: pictures.filter(({ id }) => added.has(id) && !ours.has(id)),
    picturesGone: [...picturesIn(mine.entries.filter(({ id }) => goes.has(id)))],
  }
  const { add, change, drop, same, offers, deleted, kept, rivals } = outcome
  const { engines, sheets, jobs, entries } = add
  return ok({
    added: { engines: engines.length, sheets: sheets.length, jobs: jobs.length, entries: entries.length },
    changed: sizeOf(change),
    engineNames: engines.map(({ name }) => name),
    same,
    offers,
    deleted,
    gone: sizeOf(drop),
    kept: kept.length,
    rivals: rivals.length,
    picturesMissing,
    aside: theirs.aside?.length ?? 0,
  })
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

const sizeOf = ({ engines, sheets, jobs, entries }: { readonly [K in keyof Records]: readonly unknown[] }) =>
  engines.length + sheets.length + jobs.length + entries.length

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
    return holdAgainst(archive.value, kind, { ids: [], at: '' })
  },
  /** The same file once more, with some of what is deleted to be there all the same. */
  async keep(ids: readonly string[], at: string): Promise<Result<OpenedFile, FileError>> {
    if (!held) throw new Error('Broken invariant: no file was opened')
    return holdAgainst(held.archive, held.kind, { ids, at })
  },
  /** Writes the file that was opened last, on top of a revision, and its lines to the second copy; 'behind', when another tab wrote since. */
  async add(
    { device, taken, revision }: { device: string; taken: readonly number[]; revision: number },
    keepTwice: Parameters<WriteElsewhere>[1],
    progress: (share: number) => void,
  ): ReturnType<WriteElsewhere> {
    if (!held) throw new Error('Broken invariant: no file was opened')
    const { kind, pictures, picturesGone, outcome } = held
    const chosen = taken.reduce((so, i) => {
      const offer = outcome.offers[i]
      return offer ? takeOther(so, offer) : so
    }, outcome)
    const done = await withStored(kind, async (db) => {
      const jobs = new Map((await db.jobs.toArray()).map(({ id, engineId }) => [id, engineId]))
      const batch = batchOfFile(chosen, pictures, {
        device,
        newId: () => nanoid(),
        engineOf: (jobId) => jobs.get(jobId),
        picturesGone,
      })
      const counted = await db.write(batch, revision)
      if (counted === 'behind') return counted
      progress(0.6)
      const records = Number(counted.find(({ id }) => id === RECORDS)?.value ?? (await db.countRecords()))
      const meta = [...(batch.put?.meta ?? []), ...counted]
      const line = { revision: revision + 1, records, batch: { ...batch, put: { ...batch.put, meta } } }
      let kept = 0
      const size = sizeOf(chosen.add) + sizeOf(chosen.change)
      for (const text of linesOfBatch(line)) {
        // The pictures go with the first line, before the last one makes it count.
        await keepTwice(text, kept === 0 ? pictures : [])
        kept += 1000
        progress(0.6 + 0.4 * Math.min(1, kept / Math.max(1, size)))
      }
      return { records }
    })
    if (!done) throw new Error('The browser’s storage is gone')
    return done
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
