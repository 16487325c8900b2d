import { createContext, useContext } from 'react'
import type { BuildSheet, Entry, NewEntry } from '@link-count/core/model'
import type { Side } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import type { DrawnCrank } from '../../store'
import type { Taken } from '../../ui/fields'

/** What every part of the bench shares: the job as it stands, how to say something in its ledger, and the crank as drawn. */
export interface Bench {
  readonly view: JobView
  readonly side: Side
  readonly drawn: DrawnCrank
  /** Says things in the ledger, in order, as one write; what was typed for it in these fields goes with it. Undefined: it was not written, and that was told. */
  readonly say: (
    said: NewEntry | readonly NewEntry[],
    typed?: readonly Taken[],
  ) => Promise<readonly Entry[] | undefined>
  /** Changes the newest build sheet, and the job goes on with it. */
  readonly changeSheet: (
    change: (sheet: BuildSheet) => BuildSheet,
    typed?: readonly Taken[],
  ) => Promise<BuildSheet | undefined>
  /** Strikes a line, or takes a strike back: asks first where that changes what may be turned, and can be undone from its notice. */
  readonly strike: (entry: Entry, reason: string, how?: 'ask' | 'asked') => void
  /** Shows a step, or the one in hand; `from`: unless somebody has gone on from that one meanwhile. */
  readonly showStep: (stepId: string | undefined, from?: string) => void
}

const JobContext = createContext<Bench | undefined>(undefined)
export const BenchProvider = JobContext.Provider

export function useBench(): Bench {
  const bench = useContext(JobContext)
  if (!bench) throw new Error('Broken invariant: no bench here')
  return bench
}
