import { strFromU8, unzipSync } from 'fflate'
import { MOST_FILE_BYTES, parseFile, type FileError, type NamedMigration } from '@link-count/core/file'
import type { LinkCountFile } from '@link-count/core/model'
import { err, ok, type Result } from '@link-count/core/result'
import type { PictureRow } from '../../domain/env'

const MOST_PICTURES_BYTES = 500_000_000
const mediaTypes: Record<string, string> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }

export interface Archive {
  readonly file: LinkCountFile
  readonly pictures: readonly PictureRow[]
}

/** Reads a chosen file, JSON or ZIP. Sizes inside a ZIP are checked before anything is unpacked. */
export function readArchive(bytes: Uint8Array, migrations: readonly NamedMigration[]): Result<Archive, FileError> {
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b
  if (!isZip) {
    if (bytes.length > MOST_FILE_BYTES) return err({ code: 'tooBig', bytes: bytes.length, most: MOST_FILE_BYTES })
    const parsed = parseFile(strFromU8(bytes), migrations)
    return parsed.ok ? ok({ file: parsed.value, pictures: [] }) : parsed
  }
  let tooBig: FileError | undefined
  let total = 0
  let parts: Record<string, Uint8Array>
  try {
    parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        total += originalSize
        if (name === 'workshop.json' && originalSize > MOST_FILE_BYTES)
          tooBig ??= { code: 'tooBig', bytes: originalSize, most: MOST_FILE_BYTES }
        if (total > MOST_PICTURES_BYTES) tooBig ??= { code: 'tooBig', bytes: total, most: MOST_PICTURES_BYTES }
        return !tooBig && (name === 'workshop.json' || /^pictures\/[A-Za-z0-9_-]{1,64}\.(jpg|png|webp)$/.test(name))
      },
    })
  } catch (cause) {
    return err({ code: 'notJson', detail: cause instanceof Error ? cause.message : String(cause) })
  }
  if (tooBig) return err(tooBig)
  const json = parts['workshop.json']
  if (!json) return err({ code: 'foreign' })
  const parsed = parseFile(strFromU8(json), migrations)
  if (!parsed.ok) return parsed
  const jobOf = new Map(
    parsed.value.entries.flatMap((entry) =>
      entry.kind === 'picture' ? [[entry.pictureId, entry.jobId] as const] : [],
    ),
  )
  const pictures = Object.entries(parts).flatMap(([name, data]): PictureRow[] => {
    const [, id = '', ending = ''] = /^pictures\/([^.]+)\.(\w+)$/.exec(name) ?? []
    const jobId = jobOf.get(id)
    return jobId
      ? [{ id, jobId, blob: new Blob([data as BlobPart], { type: mediaTypes[ending] ?? 'image/jpeg' }) }]
      : []
  })
  return ok({ file: parsed.value, pictures })
}
