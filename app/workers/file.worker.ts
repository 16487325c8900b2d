import { expose } from 'comlink'
import { mergeRecords, type FileError, type MergeOutcome } from '@link-count/core/file'
import type { Records } from '@link-count/core/model'
import { err, ok, type Result } from '@link-count/core/result'
import { readArchive, writeArchive, type Written } from '../db/archive'
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

const api = {
  /** Reads a file and holds it against what is here; nothing is changed by that. */
  async open(file: Blob, mine: Records, progress: (share: number) => void): Promise<Result<OpenedFile, FileError>> {
    const archive = await readArchive(file, { migrations: fileMigrations, progress })
    if (!archive.ok) return archive
    const { file: theirs, pictures, picturesMissing } = archive.value
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
  save(
    records: Records,
    savedAt: string,
    engineId: string | undefined,
    readPicture: (id: string) => Promise<Blob | undefined>,
    progress: (share: number) => void,
  ): Promise<Written> {
    return writeArchive({ records, savedAt, engineId, readPicture, progress })
  },
}

export type FileWorker = typeof api
expose(api)
