import { strToU8, zip } from 'fflate'
import { makeFile } from '@link-count/core/file'
import type { Records } from '@link-count/core/model'

export interface PictureFile {
  readonly id: string
  readonly blob: Blob
}

const extension: Record<string, string> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' }

/** The open file as a download: JSON alone, or a ZIP with the JSON and its pictures beside it. */
export async function writeArchive({
  records,
  pictures,
  savedAt,
  engineId,
}: {
  readonly records: Records
  readonly pictures: readonly PictureFile[]
  readonly savedAt: string
  readonly engineId?: string | undefined
}): Promise<{ readonly name: string; readonly blob: Blob }> {
  const file = makeFile(records, savedAt, engineId)
  const json = JSON.stringify(file, null, 1)
  const what = engineId ? (file.engines[0]?.name ?? 'engine') : 'workshop'
  const base = `${what.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${savedAt.slice(0, 10)}`
  const wanted = new Set(file.entries.flatMap((entry) => (entry.kind === 'picture' ? [entry.pictureId] : [])))
  const beside = pictures.filter(({ id }) => wanted.has(id))
  if (beside.length === 0)
    return { name: `${base}.linkcount.json`, blob: new Blob([json], { type: 'application/json' }) }
  const parts: Record<string, Uint8Array> = { 'workshop.json': strToU8(json) }
  for (const { id, blob } of beside) {
    parts[`pictures/${id}.${extension[blob.type] ?? 'bin'}`] = new Uint8Array(await blob.arrayBuffer())
  }
  const bytes = await new Promise<Uint8Array>((resolve, reject) => {
    zip(parts, { level: 0 }, (error, data) => (error ? reject(error) : resolve(data)))
  })
  return { name: `${base}.linkcount.zip`, blob: new Blob([bytes as BlobPart], { type: 'application/zip' }) }
}
