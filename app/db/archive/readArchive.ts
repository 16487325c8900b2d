import { MOST_FILE_BYTES, parseFile, type FileError, type NamedMigration } from '@link-count/core/file'
import type { LinkCountFile } from '@link-count/core/model'
import { err, ok, type Result } from '@link-count/core/result'
import type { PictureRow } from '../../domain/env'
import { isShown, PICTURE_ENDINGS, pictureType } from './pictureType'
import { unzip } from './unzip'

export const MOST_PICTURE_BYTES = 30_000_000
export const MOST_PICTURES_BYTES = 1_000_000_000

export interface Archive {
  readonly file: LinkCountFile
  readonly pictures: readonly PictureRow[]
  /** Lines of the ledger whose picture is not in the file. */
  readonly picturesMissing: number
}

export interface ReadWith {
  readonly migrations: readonly NamedMigration[]
  readonly progress?: (share: number) => void
  /** Whether a picture can be shown. */
  readonly shown?: (blob: Blob) => Promise<boolean>
}

const PICTURE = new RegExp(`^pictures/([A-Za-z0-9_-]{1,64})\\.(?:${Object.values(PICTURE_ENDINGS).join('|')})$`)

/** Reads a chosen file, JSON or ZIP: whole or not at all. Pictures are taken for what they are, not for what they are called. */
export async function readArchive(
  file: Blob,
  { migrations, progress = () => undefined, shown = isShown }: ReadWith,
): Promise<Result<Archive, FileError>> {
  const head = new Uint8Array(await file.slice(0, 2).arrayBuffer())
  const isZip = head[0] === 0x50 && head[1] === 0x4b
  if (!isZip) return readJson(file, new Map(), migrations, shown)
  const members = await unzip(
    file,
    {
      ofMember: (name) => (name === 'workshop.json' ? MOST_FILE_BYTES : PICTURE.test(name) ? MOST_PICTURE_BYTES : 0),
      ofAll: MOST_FILE_BYTES + MOST_PICTURES_BYTES,
    },
    (share) => progress(share / 2),
  )
  if (!members.ok) return members
  const json = members.value.get('workshop.json')
  if (!json) return err({ code: 'foreign' })
  return readJson(json, members.value, migrations, shown)
}

async function readJson(
  json: Blob,
  members: ReadonlyMap<string, Blob>,
  migrations: readonly NamedMigration[],
  shown: (blob: Blob) => Promise<boolean>,
): Promise<Result<Archive, FileError>> {
  if (json.size > MOST_FILE_BYTES) return err({ code: 'tooBig', bytes: json.size, most: MOST_FILE_BYTES })
  const parsed = parseFile(await json.text(), migrations)
  if (!parsed.ok) return parsed
  const entries = parsed.value.entries.flatMap((entry) => (entry.kind === 'picture' ? [entry] : []))
  const jobOf = new Map(entries.map(({ pictureId, jobId }) => [pictureId, jobId]))
  const pictures: PictureRow[] = []
  for (const [name, blob] of members) {
    const id = PICTURE.exec(name)?.[1]
    const jobId = jobOf.get(id ?? '')
    if (id === undefined || jobId === undefined) continue
    const type = await pictureType(blob)
    const picture = blob.slice(0, blob.size, type)
    if (!type || !(await shown(picture))) return err({ code: 'badPicture', where: name, id })
    pictures.push({ id, jobId, blob: picture })
  }
  const there = new Set(pictures.map(({ id }) => id))
  return ok({
    file: parsed.value,
    pictures,
    picturesMissing: [...jobOf.keys()].filter((id) => !there.has(id)).length,
  })
}
