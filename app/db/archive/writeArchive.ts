import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { fileText, makeFile, MOST_FILE_BYTES } from '@link-count/core/file'
import type { Records } from '@link-count/core/model'
import { PICTURE_ENDINGS, type PictureType } from './pictureType'

export interface Written {
  readonly name: string
  readonly blob: Blob
  /** Of the records alone, and whether that is more than three quarters of what a file may hold. */
  readonly jsonBytes: number
  readonly nearlyFull: boolean
  /** It holds more than a file may: it would not open again, and is not to be given out. */
  readonly tooFull: boolean
}

/** The open file as a download: JSON alone, or a ZIP with the JSON and its pictures beside it, one picture at a time. */
export async function writeArchive({
  records,
  readPicture,
  savedAt,
  engineId,
  progress = () => undefined,
}: {
  readonly records: Records
  readonly readPicture: (id: string) => Promise<Blob | undefined>
  readonly savedAt: string
  readonly engineId?: string | undefined
  readonly progress?: (share: number) => void
}): Promise<Written> {
  const file = makeFile(records, savedAt, engineId)
  const json = new Blob(batches(fileText(file)), { type: 'application/json' })
  progress(0.5)
  const what = engineId ? (file.engines[0]?.name ?? 'engine') : 'workshop'
  const base = `${what.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${savedAt.slice(0, 10)}`
  const size = {
    jsonBytes: json.size,
    nearlyFull: json.size > 0.75 * MOST_FILE_BYTES,
    tooFull: json.size > MOST_FILE_BYTES,
  }
  const ids = [...new Set(file.entries.flatMap((entry) => (entry.kind === 'picture' ? [entry.pictureId] : [])))]
  const first = ids.length > 0 ? await firstThere(ids, readPicture) : undefined
  if (first === undefined) return { name: `${base}.linkcount.json`, blob: json, ...size }
  const pieces: Uint8Array<ArrayBuffer>[] = []
  const zip = new Zip((cause, piece) => {
    if (cause) throw cause
    pieces.push(piece as Uint8Array<ArrayBuffer>)
  })
  const recordsIn = new ZipDeflate('workshop.json', { level: 6 })
  zip.add(recordsIn)
  await pour(json, recordsIn)
  for (let i = first; i < ids.length; i++) {
    const id = ids[i] as string
    const blob = await readPicture(id)
    if (!blob) continue
    const picture = new ZipPassThrough(`pictures/${id}.${PICTURE_ENDINGS[blob.type as PictureType] ?? 'jpg'}`)
    zip.add(picture)
    await pour(blob, picture)
    progress(0.5 + (0.5 * (i + 1)) / ids.length)
  }
  zip.end()
  return { name: `${base}.linkcount.zip`, blob: new Blob(pieces, { type: 'application/zip' }), ...size }
}

async function firstThere(ids: readonly string[], readPicture: (id: string) => Promise<Blob | undefined>) {
  for (const [i, id] of ids.entries()) if (await readPicture(id)) return i
  return undefined
}

async function pour(blob: Blob, into: { push: (chunk: Uint8Array, final?: boolean) => void }): Promise<void> {
  const STEP = 1_000_000
  for (let at = 0; at < Math.max(1, blob.size); at += STEP) {
    const end = Math.min(blob.size, at + STEP)
    into.push(new Uint8Array(await blob.slice(at, end).arrayBuffer()), end === blob.size)
  }
}

/** Some thousand pieces of text at a time as bytes: as many blobs would be slow, and one string too long. */
function batches(pieces: Iterable<string>): Uint8Array<ArrayBuffer>[] {
  const parts: Uint8Array<ArrayBuffer>[] = []
  let text = ''
  for (const piece of pieces) {
    text += piece
    if (text.length < 1_000_000) continue
    parts.push(strToU8(text) as Uint8Array<ArrayBuffer>)
    text = ''
  }
  parts.push(strToU8(text) as Uint8Array<ArrayBuffer>)
  return parts
}
