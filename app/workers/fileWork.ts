import { proxy, wrap } from 'comlink'
import type { FileError } from '@link-count/core/file'
import type { Records } from '@link-count/core/model'
import type { Result } from '@link-count/core/result'
import type { WorkshopKind } from '../db'
import type { FileWorker, MadeFile, OpenedFile } from './file.worker'

async function inWorker<T>(work: (worker: ReturnType<typeof wrap<FileWorker>>) => Promise<T>): Promise<T> {
  const raw = new Worker(new URL('./file.worker.ts', import.meta.url), { type: 'module' })
  const broken = new Promise<never>((_resolve, reject) =>
    raw.addEventListener('error', ({ message }) => reject(new Error(message || 'the worker did not start'))),
  )
  try {
    return await Promise.race([work(wrap<FileWorker>(raw)), broken])
  } finally {
    raw.terminate()
  }
}

/** Reads a file off the page's thread and says what opening it in a workshop would do. */
export const openFile = (
  file: Blob,
  kind: WorkshopKind,
  progress: (share: number) => void,
): Promise<Result<OpenedFile, FileError>> =>
  inWorker(async (worker): Promise<Result<OpenedFile, FileError>> => worker.open(file, kind, proxy(progress)))

/** Makes a file of a whole workshop, or of one engine of it, off the page's thread; where its storage is gone, of what the page still holds. */
export const makeFileOf = (
  kind: WorkshopKind,
  {
    savedAt,
    engineId,
    held,
  }: { readonly savedAt: string; readonly engineId?: string | undefined; readonly held: Records },
  progress: (share: number) => void,
): Promise<MadeFile> => inWorker((worker) => worker.save(kind, { savedAt, engineId, held }, proxy(progress)))

export type { MadeFile, OpenedFile }
