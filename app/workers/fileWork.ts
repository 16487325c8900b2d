import { proxy, wrap } from 'comlink'
import type { FileError } from '@link-count/core/file'
import type { Records } from '@link-count/core/model'
import type { Result } from '@link-count/core/result'
import type { Written } from '../db/archive'
import type { FileWorker, OpenedFile } from './file.worker'

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

/** Reads a file off the page's thread and says what opening it would do. */
export const openFile = (
  file: Blob,
  mine: Records,
  progress: (share: number) => void,
): Promise<Result<OpenedFile, FileError>> =>
  inWorker(async (worker): Promise<Result<OpenedFile, FileError>> => worker.open(file, mine, proxy(progress)))

/** Makes a file of everything, or of one engine, off the page's thread. */
export const makeFileOf = (
  records: Records,
  savedAt: string,
  engineId: string | undefined,
  readPicture: (id: string) => Promise<Blob | undefined>,
  progress: (share: number) => void,
): Promise<Written> =>
  inWorker((worker) => worker.save(records, savedAt, engineId, proxy(readPicture), proxy(progress)))

export type { OpenedFile }
