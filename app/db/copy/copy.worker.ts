import { expose } from 'comlink'
import type { PictureRow, Rows } from '../../domain/env'
import {
  foldLines,
  isEnded,
  linesOfAll,
  readLog,
  TAIL_BYTES,
  whereLogStands,
  type CopyLine,
  type CopySummary,
} from './copyLog'

/* Keeps the second copy in the origin's private file system: one log per tab, and the logs of closed tabs folded into one. Only a worker may write
 * there and know that it is on the disk. */

const FOLD_BYTES = 1_000_000
const FOLD_LOGS = 5

let folder: FileSystemDirectoryHandle
let pictures: FileSystemDirectoryHandle
let log: FileSystemSyncAccessHandle
let size = 0
let lockName: (tab: string) => string

const isLog = (name: string) => /^(tab|base)-[\w-]+\.log$/.test(name)
const revisionOfBase = (name: string) => Number(/^base-(\d+)\.log$/.exec(name)?.[1] ?? -1)

async function logs(): Promise<{ name: string; file: File }[]> {
  const found: { name: string; file: File }[] = []
  for await (const [name, handle] of folder.entries())
    if (isLog(name)) found.push({ name, file: await (handle as FileSystemFileHandle).getFile() })
  return found
}

const endOf = (file: File, bytes: number) => file.slice(Math.max(0, file.size - bytes)).text()
const standsAt = (file: File) => whereLogStands(file.size, (bytes) => endOf(file, bytes))

/** The newest fold that was finished. */
async function newestBase(all: readonly { name: string; file: File }[]) {
  const bases = all.filter(({ name }) => revisionOfBase(name) >= 0)
  bases.sort((a, b) => revisionOfBase(b.name) - revisionOfBase(a.name))
  for (const base of bases) if (isEnded(await endOf(base.file, TAIL_BYTES))) return base
  return undefined
}

/** Every log folded into one value: the newest finished fold, and what tabs wrote after it. */
async function readAll(): Promise<{ rows: Rows; revision: number }> {
  const all = await logs()
  const base = await newestBase(all)
  const from = base ? revisionOfBase(base.name) : 0
  const start = base ? foldLines(readLog(await base.file.text())).rows : {}
  const lines: CopyLine[] = []
  for (const { name, file } of all)
    if (revisionOfBase(name) < 0)
      lines.push(...readLog(await file.text()).filter(({ revision, partOf }) => (partOf ?? revision) > from))
  const folded = foldLines(lines, start)
  return { ...folded, revision: Math.max(from, folded.revision) }
}

async function writeBase(rows: Rows, summary: CopySummary): Promise<void> {
  const handle = await folder.getFileHandle(`base-${summary.revision}.log`, { create: true })
  const access = await handle.createSyncAccessHandle()
  try {
    access.truncate(0)
    let at = 0
    const encoder = new TextEncoder()
    for (const line of linesOfAll(rows, summary)) at += writeWhole(access, encoder.encode(line), at)
    access.flush()
  } finally {
    access.close()
  }
}

function writeWhole(access: FileSystemSyncAccessHandle, bytes: Uint8Array<ArrayBuffer>, at: number): number {
  const written = access.write(bytes, { at })
  if (written !== bytes.length) throw new DOMException('The disk took only a part of it', 'QuotaExceededError')
  return written
}

/** Takes away what a fold up to a revision has made needless: older folds, and logs of tabs that are closed. */
async function tidy(upTo: number): Promise<void> {
  for (const { name, file } of await logs()) {
    const base = revisionOfBase(name)
    if (base >= 0) {
      if (base < upTo) await folder.removeEntry(name)
      continue
    }
    const tab = name.slice('tab-'.length, -'.log'.length)
    await navigator.locks.request(lockName(tab), { ifAvailable: true }, async (lock) => {
      const last = lock && (await standsAt(file))
      if (lock && (!last || last.revision <= upTo)) await folder.removeEntry(name)
    })
  }
}

const api = {
  /** Opens this tab's log; says where the copy stands. */
  async open(kind: string, tab: string): Promise<CopySummary | undefined> {
    lockName = (one) => `link-count-${kind}-copy-${one}`
    const root = await navigator.storage.getDirectory()
    folder = await root.getDirectoryHandle(`copy-${kind}`, { create: true })
    pictures = await folder.getDirectoryHandle('pictures', { create: true })
    return navigator.locks.request(`link-count-${kind}-copy-fold`, async () => {
      const all = await logs()
      const tabs = all.filter(({ name }) => revisionOfBase(name) < 0)
      const bytes = tabs.reduce((sum, { file }) => sum + file.size, 0)
      const summaries = [await newestBase(all), ...tabs].flatMap((one) => (one ? [standsAt(one.file)] : []))
      const newest = (await Promise.all(summaries))
        .flatMap((summary) => summary ?? [])
        .reduce<CopySummary | undefined>((a, b) => (a && a.revision >= b.revision ? a : b), undefined)
      if (newest && (bytes > FOLD_BYTES || tabs.length > FOLD_LOGS)) {
        const { rows, revision } = await readAll()
        await writeBase(rows, { revision, records: newest.records })
        await tidy(revision)
      }
      void navigator.locks.request(lockName(tab), () => new Promise(() => undefined))
      const handle = await folder.getFileHandle(`tab-${tab}.log`, { create: true })
      log = await handle.createSyncAccessHandle({ mode: 'readwrite-unsafe' })
      size = log.getSize()
      return newest
    })
  },
  /** Adds a line, and the pictures that go with it, and has them on the disk before it answers. */
  async append(line: string, beside: readonly PictureRow[]): Promise<void> {
    for (const picture of beside) await api.keepPicture(picture)
    const bytes = new TextEncoder().encode(line)
    try {
      writeWhole(log, bytes, size)
      log.flush()
      size += bytes.length
    } catch (cause) {
      log.truncate(size)
      throw cause
    }
  },
  async keepPicture({ id, blob }: PictureRow): Promise<void> {
    const access = await (await pictures.getFileHandle(id, { create: true })).createSyncAccessHandle()
    try {
      access.truncate(0)
      writeWhole(access, new Uint8Array(await blob.arrayBuffer()), 0)
      access.flush()
    } finally {
      access.close()
    }
  },
  readAll,
  /** Begins the copy anew with everything; what it held before goes. */
  async startOver(rows: Rows, summary: CopySummary): Promise<void> {
    await writeBase(rows, summary)
    log.truncate(0)
    log.flush()
    size = 0
    await tidy(summary.revision)
  },
  async pictureIds(): Promise<string[]> {
    const ids: string[] = []
    for await (const id of pictures.keys()) ids.push(id)
    return ids
  },
  async readPicture(id: string): Promise<Blob> {
    const file = await (await pictures.getFileHandle(id)).getFile()
    return new Blob([await file.arrayBuffer()])
  },
}

export type CopyWorker = typeof api
expose(api)
