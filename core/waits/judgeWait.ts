import { allOf, type JobState } from '../ledger'
import type { EntryOf } from '../model/entry'

/** What is usually waited, minutes. Source: handbook 16. */
export const USUAL_WAIT = { crankcase: 20, couplingPlugs: 15, other: 20 } as const

export interface Wait {
  readonly entry: EntryOf<'wait'>
  readonly ended: EntryOf<'waitEnds'> | undefined
}

/** What a page knows of the time. Milliseconds. */
export interface Clocks {
  /** The wall clock now, since 1970. */
  readonly now: number
  /** The wall clock when the page was opened. */
  readonly openedAt: number
  /** What the page's running clock has run since then; no change of the wall clock touches it. */
  readonly ranMs: number
  /** When the last line of the ledger was written, by the wall clock of then. */
  readonly lastLineAt: number
}

/** How a wait stands. `askWatch`: the page was closed since, and a second clock has to say that it is past then. `notKnown`: the clock cannot be believed. `never`: after an alarm no
 *  time ends it, only the maker's rule. */
export type WaitStands =
  | { readonly is: 'running'; readonly leftMs: number }
  | { readonly is: 'over' }
  | { readonly is: 'askWatch'; readonly until: number }
  | { readonly is: 'notKnown'; readonly why: 'clockJumped' | 'beforeLastLine' | 'stillToCome'; readonly until: number }
  | { readonly is: 'never' }
  | { readonly is: 'ended'; readonly by: EntryOf<'waitEnds'>['by'] }

/** The two clocks of a page may drift apart by so much, ms. Ours. */
const DRIFT_MS = 60_000

/** How a wait stands by the clocks of a page. Over only when the wall clock and, while the page was open, its running clock both say so; a jump between them, or a time before the
 *  last line, makes it unknown. */
export function judgeWait({ entry, ended }: Wait, { now, openedAt, ranMs, lastLineAt }: Clocks): WaitStands {
  if (ended) return { is: 'ended', by: ended.by }
  if (entry.holds === 'crankcase' && entry.alarm !== 'no') return { is: 'never' }
  const began = Date.parse(entry.beganAt)
  const writtenAt = Date.parse(entry.at)
  const lengthMs = entry.minutes * 60_000
  const until = began + lengthMs
  if (began > now + DRIFT_MS) return { is: 'notKnown', why: 'stillToCome', until }
  if (now < lastLineAt - DRIFT_MS) return { is: 'notKnown', why: 'beforeLastLine', until }
  if (Math.abs(now - openedAt - ranMs) > DRIFT_MS) return { is: 'notKnown', why: 'clockJumped', until }
  const byWall = until - now
  if (writtenAt < openedAt) return byWall > 0 ? { is: 'running', leftMs: byWall } : { is: 'askWatch', until }
  // What went by before it was written is taken from the wall clock; what went by since, from the running one.
  const byRunning = lengthMs - (writtenAt - began) - (ranMs - (writtenAt - openedAt))
  const leftMs = Math.max(byWall, byRunning)
  return leftMs > 0 ? { is: 'running', leftMs } : { is: 'over' }
}

/** The waits of a job, with what ended them. */
export const waitsOf = (state: Pick<JobState, 'kept' | 'live'>): readonly Wait[] =>
  allOf(state, 'wait').map((entry) => {
    // Begun again under the same name it is not over by what ended it before.
    const after = state.live.slice(state.live.findIndex(({ id }) => id === entry.id))
    return {
      entry,
      ended: after.findLast(
        (one): one is EntryOf<'waitEnds'> => one.kind === 'waitEnds' && one.waitId === entry.waitId,
      ),
    }
  })

/** Those that hold something still: nobody said that they are over. */
export const openWaits = (state: Pick<JobState, 'kept' | 'live'>): readonly Wait[] =>
  waitsOf(state).filter(({ ended }) => !ended)
