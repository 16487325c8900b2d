import { useCallback, useEffect, useRef, useState } from 'react'
import { allowFolder, folderOf, hasFolders, writeToFolder, type Folder } from '../db/folder'
import { RECORD_TABLES } from '../domain/env'
import { selectRecords } from '../domain/views'
import { readPicture } from '../domain/writes'
import type { AppStore } from '../store'
import { noteSaved } from '../ui/saveToFile'
import type { FolderCopy } from '../ui/WorkshopContext'

/** So long after something new was written it is in the folder; sooner when the page is left. */
const AFTER_MS = 30_000

/** Keeps a copy of the workshop in a folder of the mechanic's choice, where the browser can be allowed one. */
export function useFolderCopy(store: AppStore, kind: 'demo' | 'own'): FolderCopy | undefined {
  const [folder, setFolder] = useState<Folder>()
  const [failed, setFailed] = useState<string>()
  const going = useRef(false)
  const can = kind === 'own' && hasFolders()
  const allowed = folder?.allowed === true
  useEffect(() => {
    if (can) folderOf(kind).then(setFolder, () => undefined)
  }, [can, kind])
  const copyNow = useCallback(async () => {
    if (going.current) return
    going.current = true
    try {
      const { makeFileOf } = await import('../workers/fileWork')
      const records = selectRecords(store.getState())
      const at = new Date().toISOString()
      const read = (id: string) => store.dispatch(readPicture(id))
      const { name, blob } = await makeFileOf(records, at, undefined, read, () => undefined)
      await writeToFolder(kind, name, blob)
      await store.dispatch(noteSaved(at, records.entries.length))
      setFailed(undefined)
    } catch (cause) {
      setFailed(cause instanceof Error ? cause.message : String(cause))
    } finally {
      going.current = false
    }
  }, [store, kind])
  useEffect(() => {
    if (!allowed) return
    let timer: ReturnType<typeof setTimeout> | undefined
    const recordsOf = () => RECORD_TABLES.map((name) => store.getState()[name])
    let seen = recordsOf()
    const copy = () => {
      clearTimeout(timer)
      timer = undefined
      void copyNow()
    }
    const stop = store.subscribe(() => {
      const now = recordsOf()
      if (now.every((table, i) => table === seen[i])) return
      seen = now
      timer ??= setTimeout(copy, AFTER_MS)
    })
    const leave = () => {
      if (document.visibilityState === 'hidden' && timer !== undefined) copy()
    }
    document.addEventListener('visibilitychange', leave)
    return () => {
      stop()
      clearTimeout(timer)
      document.removeEventListener('visibilitychange', leave)
    }
  }, [allowed, store, copyNow])
  if (!can) return undefined
  return {
    name: folder?.name,
    allowed,
    failed,
    choose: async () => {
      const chosen = await allowFolder(kind)
      if (!chosen) return
      setFolder(chosen)
      await copyNow()
    },
  }
}
