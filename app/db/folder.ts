import Dexie, { type Table } from 'dexie'

/* A folder that gets a copy of the workshop by itself, where the browser can be allowed one. What allows it is no text and is kept in a database of its own. */

interface AllowedFolder {
  readonly id: string
  readonly handle: FileSystemDirectoryHandle
}

/** What browsers with folders have, and TypeScript does not know yet. */
interface FolderBrowser {
  readonly showDirectoryPicker?: (options: { id: string; mode: 'readwrite' }) => Promise<FileSystemDirectoryHandle>
}
type Permitted = FileSystemDirectoryHandle & {
  queryPermission(how: { mode: 'readwrite' }): Promise<PermissionState>
  requestPermission(how: { mode: 'readwrite' }): Promise<PermissionState>
}

const how = { mode: 'readwrite' } as const
const picker = () => (globalThis as FolderBrowser).showDirectoryPicker

export const hasFolders = () => picker() !== undefined

class FolderDatabase extends Dexie {
  declare folders: Table<AllowedFolder, string>
  constructor() {
    super('link-count-folder')
    this.version(1).stores({ folders: 'id' })
  }
}

const stored = async <T>(work: (db: FolderDatabase) => Promise<T>): Promise<T> => {
  const db = new FolderDatabase()
  try {
    return await work(db)
  } finally {
    db.close()
  }
}

export interface Folder {
  readonly name: string
  /** Whether it may be written to now; a browser may ask anew after it was closed. */
  readonly allowed: boolean
}

export async function folderOf(kind: string): Promise<Folder | undefined> {
  const handle = (await stored((db) => db.folders.get(kind)))?.handle
  if (!handle) return undefined
  return { name: handle.name, allowed: (await (handle as Permitted).queryPermission(how)) === 'granted' }
}

/** Has a folder chosen, or the chosen one allowed again. Undefined: nothing was chosen. */
export async function allowFolder(kind: string): Promise<Folder | undefined> {
  const before = (await stored((db) => db.folders.get(kind)))?.handle
  if (before) {
    const allowed = (await (before as Permitted).requestPermission(how)) === 'granted'
    if (allowed) return { name: before.name, allowed }
  }
  const pick = picker()
  if (!pick) return undefined
  try {
    const handle = await pick({ id: 'link-count', mode: 'readwrite' })
    await stored((db) => db.folders.put({ id: kind, handle }))
    return { name: handle.name, allowed: true }
  } catch (cause) {
    if (cause instanceof DOMException && cause.name === 'AbortError') return undefined
    throw cause
  }
}

/** Writes a file into the folder; it is there when this resolves. */
export async function writeToFolder(kind: string, name: string, blob: Blob): Promise<void> {
  const handle = (await stored((db) => db.folders.get(kind)))?.handle
  if (!handle) throw new Error('no folder is chosen')
  const file = await handle.getFileHandle(name, { create: true })
  const out = await file.createWritable()
  await out.write(blob)
  await out.close()
}
