import { useCallback, useEffect, useRef, useState } from 'react'
import { allowFolder, folderOf, hasFolders, writeToFolder, type Folder } from '../db/folder'
import { RECORDS } from '../db'
import { selectHeld } from '../domain/selectors'
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
      const savedAt = new Date().toISOString()
      const held = selectHeld(store.getState())
      const { name, blob, entries, onlyHeld } = await makeFileOf(kind, { savedAt, held }, () => undefined)
      if (onlyHeld) throw new Error('the browser’s storage is gone')
      await writeToFolder(kind, name, blob)
      await store.dispatch(noteSaved(savedAt, entries))
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
    const recordsOf = () => {
      const { meta, engines, jobs, opened } = store.getState()
      return [meta[RECORDS], engines, jobs, ...Object.values(opened).map(({ sheets }) => sheets)]
    }
    let seen = recordsOf()
    const copy = () => {
      clearTimeout(timer)
      timer = undefined
      void copyNow()
    }
    const stop = store.subscribe(() => {
      const now = recordsOf()
      if (now.length === seen.length && now.every((one, i) => one === seen[i])) return
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
