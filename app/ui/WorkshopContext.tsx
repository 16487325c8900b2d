import { createContext, useContext } from 'react'
import type { CopyStatus } from '../db'

/** A folder that gets a copy by itself; undefined where the browser has no such thing. */
export interface FolderCopy {
  readonly name: string | undefined
  /** It may be written to now. */
  readonly allowed: boolean
  /** Why the last copy did not get there. */
  readonly failed: string | undefined
  readonly choose: () => Promise<void>
}

/** Which workshop is open, said on every page, and what only the outside can do for it. */
export interface WorkshopInfo {
  readonly kind: 'demo' | 'own'
  readonly now: () => string
  /** Puts the demo back as it was made. */
  readonly resetDemo: () => Promise<void>
  /** Whether the browser promised not to clear it away; undefined while it has not answered. */
  readonly persisted: boolean | undefined
  /** Whether what is written is kept twice, and why not. */
  readonly copy: CopyStatus
  readonly folder: FolderCopy | undefined
}

const WorkshopContext = createContext<WorkshopInfo | undefined>(undefined)
export const WorkshopProvider = WorkshopContext.Provider

export function useWorkshop(): WorkshopInfo {
  const info = useContext(WorkshopContext)
  if (!info) throw new Error('Broken invariant: no workshop is open')
  return info
}
