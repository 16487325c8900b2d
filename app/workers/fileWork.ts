import { proxy, wrap, type Remote } from 'comlink'
import type { FileError } from '@link-count/core/file'
import type { Records } from '@link-count/core/model'
import { ok, type Result } from '@link-count/core/result'
import type { WorkshopKind } from '../db'
import type { WriteElsewhere } from '../domain/env'
import type { FileWorker, MadeFile, OpenedFile } from './file.worker'
import { orBroken } from './orBroken'

interface Started {
  readonly worker: Remote<FileWorker>
  /** The answer, or that the worker broke. */
  readonly answer: <T>(work: Promise<T>) => Promise<T>
  readonly end: () => void
}

function start(): Started {
  const raw = new Worker(new URL('./file.worker.ts', import.meta.url), { type: 'module' })
  return {
    worker: wrap<FileWorker>(raw),
    answer: orBroken(raw),
    end: () => raw.terminate(),
  }
}

/** A file that was read and held against what is here. The worker holds it; nothing is changed until it is added. */
export interface HeldFile extends OpenedFile {
  /** Writes it; `taken`: of what is said two ways, by number, where the other is taken. */
  readonly add: (device: string, taken: readonly number[], progress: (share: number) => void) => WriteElsewhere
  /** The same with some of what is deleted to be there all the same. */
  readonly keep: (ids: readonly string[], at: string) => Promise<Result<HeldFile, FileError>>
  readonly end: () => void
}

/** Reads a file off the page's thread and says what opening it in a workshop would do. */
export async function openFile(
  file: Blob,
  kind: WorkshopKind,
  progress: (share: number) => void,
): Promise<Result<HeldFile, FileError>> {
  const { worker, answer, end } = start()
  try {
    const opened: Result<OpenedFile, FileError> = await answer<Result<OpenedFile, FileError>>(
      worker.open(file, kind, proxy(progress)) as Promise<Result<OpenedFile, FileError>>,
    )
    if (!opened.ok) {
      end()
      return opened
    }
    const add: HeldFile['add'] = (device, taken, told) => (revision, keepTwice) =>
      answer(worker.add({ device, taken, revision }, proxy(keepTwice), proxy(told)) as ReturnType<WriteElsewhere>)
    const held = (value: OpenedFile): HeldFile => ({ ...value, add, keep, end })
    const keep: HeldFile['keep'] = async (ids, at) => {
      const again = await answer(worker.keep(ids, at) as Promise<Result<OpenedFile, FileError>>)
      return again.ok ? ok(held(again.value)) : again
    }
    return ok(held(opened.value))
  } catch (cause) {
    end()
    throw cause
  }
}

/** Makes a file of a whole workshop, or of one engine of it, off the page's thread; where its storage is gone, of what the page still holds. */
export async function makeFileOf(
  kind: WorkshopKind,
  asked: { readonly savedAt: string; readonly engineId?: string | undefined; readonly held: Records },
  progress: (share: number) => void,
): Promise<MadeFile> {
  const { worker, answer, end } = start()
  try {
    return await answer(worker.save(kind, asked, proxy(progress)))
  } finally {
    end()
  }
}

export type { MadeFile }
