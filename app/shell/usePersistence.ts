import { useEffect, useState } from 'react'
import type { WorkshopKind } from '../db'

/** Asks the browser to keep the mechanic's own workshop; the answer is shown, never assumed. */
export function usePersistence(kind: WorkshopKind): boolean | undefined {
  const [persisted, setPersisted] = useState<boolean>()
  useEffect(() => {
    if (kind === 'demo' || !navigator.storage?.persist) return
    let gone = false
    navigator.storage
      .persist()
      .then((answer) => {
        if (!gone) setPersisted(answer)
      })
      .catch(() => undefined)
    return () => {
      gone = true
    }
  }, [kind])
  return persisted
}
