import { Unzip, UnzipInflate } from 'fflate'
import { err, ok, type Result } from '@link-count/core/result'
import type { FileError } from '@link-count/core/file'

export interface Limits {
  /** How many bytes a member may unpack to; 0 leaves it packed. */
  readonly ofMember: (name: string) => number
  readonly ofAll: number
}

/** Unpacks the wanted members of a ZIP piece by piece, and stops as soon as one of them, or all together, come to more than they may: what a ZIP says of
 *  its own sizes is not believed. */
export async function unzip(
  file: Blob,
  { ofMember, ofAll }: Limits,
  progress: (share: number) => void = () => undefined,
): Promise<Result<ReadonlyMap<string, Blob>, FileError>> {
  if (!(await hasEnd(file))) return err({ code: 'notJson', detail: 'the end of the ZIP is missing' })
  const members = new Map<string, Uint8Array<ArrayBuffer>[]>()
  let wrong: FileError | undefined
  let total = 0
  const stream = new Unzip((member) => {
    const most = ofMember(member.name)
    if (most === 0 || wrong) return
    if (members.has(member.name)) {
      wrong = { code: 'twice', where: 'ZIP', id: member.name }
      return
    }
    const pieces: Uint8Array<ArrayBuffer>[] = []
    members.set(member.name, pieces)
    let bytes = 0
    member.ondata = (cause, piece) => {
      if (cause) {
        wrong ??= { code: 'notJson', detail: cause.message }
        return
      }
      bytes += piece.length
      total += piece.length
      if (bytes > most) wrong ??= { code: 'tooBig', bytes, most }
      if (total > ofAll) wrong ??= { code: 'tooBig', bytes: total, most: ofAll }
      if (wrong) member.terminate()
      else pieces.push(piece as Uint8Array<ArrayBuffer>)
    }
    member.start()
  })
  stream.register(UnzipInflate)
  const STEP = 65_536
  try {
    for (let at = 0; at < file.size && !wrong; at += STEP) {
      const end = Math.min(file.size, at + STEP)
      stream.push(new Uint8Array(await file.slice(at, end).arrayBuffer()), end === file.size)
      progress(end / file.size)
    }
  } catch (cause) {
    wrong ??= { code: 'notJson', detail: cause instanceof Error ? cause.message : String(cause) }
  }
  return wrong ? err(wrong) : ok(new Map([...members].map(([name, pieces]) => [name, new Blob(pieces)])))
}

/** A ZIP ends with a record of its own, and at most 64 kB of comment behind it: where that is missing, so is what stood before it. */
async function hasEnd(file: Blob): Promise<boolean> {
  const tail = new Uint8Array(await file.slice(Math.max(0, file.size - 65_557)).arrayBuffer())
  for (let i = tail.length - 22; i >= 0; i--)
    if (tail[i] === 0x50 && tail[i + 1] === 0x4b && tail[i + 2] === 5 && tail[i + 3] === 6) return true
  return false
}
