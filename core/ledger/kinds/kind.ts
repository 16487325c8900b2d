import type { BuildSheet } from '../../model/buildSheet'
import type { Job } from '../../model/engine'
import type { NewEntry, EntryKind, EntryOf } from '../../model/entry'
import type { JobSoFar } from '../jobSoFar'
import type { StandSoFar } from '../stand/standSoFar'

/** Why a kind of line changes nothing there. */
export interface Nothing {
  readonly nothing: string
  /** It changes what lines before it say, so that everything is folded anew. */
  readonly reachesBack: boolean
}

export const nothing = (why: string): Nothing => ({ nothing: why, reachesBack: false })
const reachingBack = (why: string): Nothing => ({ nothing: why, reachesBack: true })

/** A line as it is about to be written: without who, when and its place in the order. */
export type NewEntryOf<K extends EntryKind> = Extract<NewEntry, { kind: K }>

/** One kind of line in the ledger: its shape stands beside it, what it changes, and one line of it at least. */
export interface LedgerKind<K extends EntryKind> {
  /** What it changes of what was found, set and left in its job; or why nothing. */
  readonly inJob: ((soFar: JobSoFar, entry: EntryOf<K>, sheet: BuildSheet) => void) | Nothing
  /** What it changes of how the engine stands, over all of its jobs; or why nothing. */
  readonly onEngine: ((soFar: StandSoFar, entry: EntryOf<K>, job: Job) => void) | Nothing
  /** Whether it holds a reading of the degree wheel, or was made with the crank put by it: then it goes with the wheel's setting. */
  readonly leansOnWheel: boolean | ((entry: EntryOf<K>) => boolean)
  readonly samples: readonly [NewEntryOf<K>, ...NewEntryOf<K>[]]
}

/** Keeps every line of a kind, or of those that speak of one thing the last. */
export const keep =
  <K extends EntryKind>(thing: (entry: EntryOf<K>) => string = ({ id }) => id) =>
  (soFar: JobSoFar, entry: EntryOf<K>): void => {
    const kind = entry.kind as K
    const kept = (soFar.kept[kind] ??= new Map() as JobSoFar['kept'][K]) as Map<string, EntryOf<K>>
    kept.set(thing(entry), entry)
  }

/** Of its job, and nothing on the engine. */
export const onlyOfJob = nothing('It is of its job and changes nothing on the engine.')
/** Read with all the others of its job at once, by their settings of the wheel. */
export const withTheZeros = reachingBack('The zeros of a job are read from all of its lines at once.')
/** Folded over all jobs of the engine. */
export const byTheStand = nothing('How the engine stands is folded over all of its jobs.')
/** Settled before anything is folded: what is struck, and which build sheet a job goes by. */
export const beforeAll = reachingBack('It is settled before anything is folded.')
