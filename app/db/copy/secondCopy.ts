import { wrap } from 'comlink'
import type { PictureRow, Rows } from '../../domain/env'
import { lineOf, type CopyLine, type CopySummary } from './copyLog'
import type { CopyWorker } from './copy.worker'

/** Whether what is written is kept twice, and why not. */
export type CopyStatus =
  | { readonly kept: 'twice' }
  | { readonly kept: 'once'; readonly why: 'demo' | 'notSecure' | 'notHere' | 'failed'; readonly detail: string }

/** The copy of a workshop beside its database, from which it comes back when the browser loses that. */
export interface SecondCopy {
  /** Where it stood when it was opened. */
  readonly stood: CopySummary | undefined
  readonly status: () => CopyStatus
  readonly onStatus: (listener: () => void) => () => void
  /** Resolves when the line is on the disk, or when it is known and told that the copy has failed: the database has it all the same. */
  readonly append: (line: CopyLine) => Promise<void>
  /** The same with a line that is text already, and the pictures that go with it. */
  readonly appendText: (line: string, pictures: readonly PictureRow[]) => Promise<void>
  readonly whole: () => Promise<{ readonly rows: Rows; readonly revision: number }>
  readonly startOver: (rows: Rows, summary: CopySummary) => Promise<void>
  readonly pictureIds: () => Promise<readonly string[]>
  readonly readPicture: (id: string) => Promise<Blob>
  readonly keepPicture: (picture: PictureRow) => Promise<void>
  readonly close: () => void
}

const OPEN_WITHIN_MS = 8000
/** A copy that hangs must not hold up what is written. */
const ANSWER_WITHIN_MS = 10_000
const START_OVER_WITHIN_MS = 60_000

/** No copy: the database is all there is. */
export function noCopy(why: 'demo' | 'notSecure' | 'notHere', detail = ''): SecondCopy {
  const status: CopyStatus = { kept: 'once', why, detail }
  const nothing = () => Promise.resolve()
  return {
    stood: undefined,
    status: () => status,
    onStatus: () => () => undefined,
    append: nothing,
    appendText: nothing,
    whole: () => Promise.resolve({ rows: {}, revision: 0 }),
    startOver: nothing,
    pictureIds: () => Promise.resolve([]),
    readPicture: () => Promise.reject(new Error('Broken invariant: there is no copy')),
    keepPicture: nothing,
    close: () => undefined,
  }
}

/** Opens the copy of a workshop; where the browser has no such thing, says so. */
export async function openSecondCopy(kind: string, tab: string): Promise<SecondCopy> {
  if (!globalThis.isSecureContext) return noCopy('notSecure')
  if (typeof navigator.storage?.getDirectory !== 'function' || !navigator.locks) return noCopy('notHere')
  const raw = new Worker(new URL('./copy.worker.ts', import.meta.url), { type: 'module' })
  const worker = wrap<CopyWorker>(raw)
  let stood: CopySummary | undefined
  try {
    stood = await within(OPEN_WITHIN_MS, worker.open(kind, tab), raw)
  } catch (cause) {
    raw.terminate()
    return noCopy('notHere', cause instanceof Error ? cause.message : String(cause))
  }
  let status: CopyStatus = { kept: 'twice' }
  const listeners = new Set<() => void>()
  const set = (next: CopyStatus) => {
    if (next.kept === status.kept) return
    status = next
    for (const listener of listeners) listener()
  }
  const failed = (cause: unknown) =>
    set({ kept: 'once', why: 'failed', detail: cause instanceof Error ? cause.message : String(cause) })
  const appendText = async (line: string, pictures: readonly PictureRow[]) => {
    // After a line that failed the copy has a hole: it is begun anew at the next start, and until then the page says so.
    if (status.kept === 'once') return
    await within(ANSWER_WITHIN_MS, worker.append(line, pictures), raw).catch(failed)
  }
  return {
    stood,
    status: () => status,
    onStatus: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    append: (line) => appendText(lineOf(line), line.batch.put?.pictures ?? []),
    appendText,
    whole: () => worker.readAll(),
    startOver: (rows, summary) => within(START_OVER_WITHIN_MS, worker.startOver(rows, summary), raw).catch(failed),
    pictureIds: () => worker.pictureIds(),
    readPicture: (id) => worker.readPicture(id),
    keepPicture: (picture) => worker.keepPicture(picture),
    close: () => raw.terminate(),
  }
}

/** A worker that cannot start says so by an event, and one that hangs not at all. */
function within<T>(ms: number, answer: Promise<T>, worker: Worker): Promise<T> {
  const ended = new AbortController()
  const silence = new Promise<never>((_resolve, reject) => {
    worker.addEventListener('error', ({ message }) => reject(new Error(message)), { signal: ended.signal })
    const timer = setTimeout(() => reject(new Error(`no answer within ${ms / 1000} s`)), ms)
    ended.signal.addEventListener('abort', () => clearTimeout(timer))
  })
  return Promise.race([answer, silence]).finally(() => ended.abort())
}
