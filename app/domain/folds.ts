import { foldEngine, foldOn, type EngineFold } from '@link-count/core/ledger'
import type { BuildSheet, Entry, Job } from '@link-count/core/model'

/** Everything that was written on one engine. */
export interface EngineWork {
  readonly jobs: readonly Job[]
  readonly sheets: readonly BuildSheet[]
  readonly entries: readonly Entry[]
}

interface Kept {
  readonly work: EngineWork
  readonly fold: EngineFold
}

/** So many engines are kept folded: the one in hand, and those gone to and fro between. */
const KEPT = 8
const kept = new Map<string, Kept>()

/** The work on an engine, folded. What was folded before is carried on by the lines that came since, one step each; anything else is folded anew. */
export function foldOf(engineId: string, work: EngineWork): EngineFold {
  const before = kept.get(engineId)
  const fold = before ? carriedOn(before, work) : foldEngine(work)
  kept.delete(engineId)
  kept.set(engineId, { work, fold })
  for (const id of kept.keys()) {
    if (kept.size <= KEPT) break
    kept.delete(id)
  }
  return fold
}

function carriedOn({ work, fold }: Kept, now: EngineWork): EngineFold {
  if (now.jobs !== work.jobs || now.sheets !== work.sheets) return foldEngine(now)
  if (now.entries === work.entries) return fold
  const n = work.entries.length
  if (now.entries.length < n || work.entries.some((entry, i) => entry !== now.entries[i])) return foldEngine(now)
  return now.entries.slice(n).reduce(foldOn, fold)
}
