import type { Entry, EntryOf, ItemKind, Relief } from '../../model/entry'
import type { BuildSheet } from '../../model/buildSheet'
import type { RivalSheets } from '../../sheet'
import type { Rotation } from '../rotation'
import type { Seats } from '../sectionCounts'
import type { Zeros } from '../zeros'
import type { TensionerIs } from './tensionerStates'

/* The stand of an engine: what is fitted, loose, held, relieved and left inside, and what was read of it, over all of its jobs. */

/** Where something first came undone and has not been proved since. `pose`: at the timing position by the ledger; `ended`: a camshaft behind it was moved or
 *  went in, or its valves are no longer relieved, so that the first place says nothing any more. */
export interface Apart {
  readonly at: 'pose' | 'elsewhere' | 'unknown' | 'ended'
  /** On the crank's ledger; undefined when that is in doubt. */
  readonly totalDeg: number | undefined
}

/** A loop, or a coupling that can be drawn apart, as it is on the engine. */
export interface LinkStand {
  /** On or together; off or apart; nobody knows. */
  readonly is: 'on' | 'off' | 'unknown'
  /** Why nobody knows: entries disagree, it is new on a build sheet after the drive was worked on, or a job that may have worked on it was lost. */
  readonly why: 'disputed' | 'newOnSheet' | 'jobLost' | undefined
  readonly apart: Apart | undefined
  /** What was done to it that has to be proved: the last entries, none of which knew of another. Empty = as it came, or as it ran. */
  readonly changes: readonly Entry[]
  /** A camshaft behind it read out while it was as it came: it is not taken for right by itself. */
  readonly suspect: boolean
  /** Only of loops: the last count of each section in each job since, each of which knew of every change. */
  readonly counts: readonly EntryOf<'count'>[]
  /** Only of gears in mesh: the last count of teeth between their marks since. */
  readonly meshCount: EntryOf<'meshCount'> | undefined
  /** Where the crank stood on its ledger at the last of them. */
  readonly countedAtDeg: number | undefined
  /** Turned in the running direction since everything was tight. */
  readonly turnedTightDeg: number
  /** The job in which it was last changed. */
  readonly jobId: string | undefined
  readonly steps: number
  readonly stepsTo: number
}

export type { TensionerIs } from './tensionerStates'

export interface TensionerStand {
  readonly is: TensionerIs
  /** Where the crank stood on its ledger when that was last said. */
  readonly saidDeg?: number | undefined
  /** Where the crank stood on its ledger when it was let go of. */
  readonly totalDeg: number | undefined
}

export interface CamshaftStand {
  readonly is: 'out' | 'free' | 'held' | 'driven' | 'unknown'
  readonly seenShut: boolean
}

export interface RegisterItem {
  readonly itemId: string
  readonly item: ItemKind
  readonly where: string
  readonly since: string
  readonly entryId: string
  readonly jobId: string
  readonly of: Relief | undefined
  /** Where the crank stood on its ledger when it went in. */
  readonly totalDeg: number | undefined
}

/** A reading of a camshaft that still speaks of it. */
export interface ShaftReading {
  readonly entry: Entry
  readonly shaftId: string
  readonly jobId: string
  /** It knew of everything that was done on the way to its camshaft. */
  readonly proves: boolean
  /** Where the reading itself is no angle of the wheel: a camshaft seen at its mark with the crank at the timing position. */
  readonly lateness: { readonly latenessDeg: number; readonly sigmaDeg: number } | undefined
  readonly totalDeg: number | undefined
  /** The reading of the same thing before this one, nothing on the way to its camshaft touched between. */
  readonly before?: Omit<ShaftReading, 'before'> | undefined
}

/** A job whose ledger is not to be had: nobody knows what it did to the engine. */
export interface LostJob {
  readonly jobId: string
  readonly number: number
  readonly why: 'removed' | 'unreadable'
}

/** Entries on one thing that did not know of each other and do not agree. */
export interface Dispute {
  readonly about: 'item' | 'loop' | 'coupling' | 'tensioner' | 'camshaft' | 'crank'
  readonly id: string
  readonly entryIds: readonly string[]
}

/** What a reading is worked out with: the sheet and the zeros of the job it was written in. */
export interface JobFigures {
  readonly sheet: BuildSheet
  readonly zeros: Zeros
}

/** The crank seen at a place of the cycle, and where it stood then on its ledger. */
export interface PlaceSeen {
  readonly placeDeg: number
  readonly totalDeg: number
}

export interface Stand {
  readonly register: readonly RegisterItem[]
  readonly loops: ReadonlyMap<string, LinkStand>
  readonly couplings: ReadonlyMap<string, LinkStand>
  readonly tensioners: ReadonlyMap<string, TensionerStand>
  readonly camshafts: ReadonlyMap<string, CamshaftStand>
  /** The last reading of each kind on each thing of each camshaft, with the one before it, by what it is a reading of. */
  readonly reads: ReadonlyMap<string, ShaftReading>
  readonly rotation: Rotation
  /** The crank as it was seen at the timing position in this job, on its ledger. */
  readonly poseSeenDeg: number | undefined
  /** The same at another place at which some camshaft meets: that place, and the crank's ledger there. */
  readonly placeSeen: PlaceSeen | undefined
  readonly disputes: readonly Dispute[]
  /** Jobs that were lost, and nobody has looked over the engine since. */
  readonly lost: readonly LostJob[]
  /** Build sheets that bear the newest number beside each other, where they differ in what the guard goes by. */
  readonly rivals: RivalSheets | undefined
  /** By somebody's word it ran as it stood until it came in: loops and couplings that were touched since; undefined where nobody says that it ran, or where
   *  it is not known what was touched. */
  readonly touchedSinceRan: ReadonlySet<string> | undefined
  /** Whether it ran so was asked in this job. */
  readonly ranAsked: EntryOf<'ranUntilNow'> | undefined
  /** Something of the drive was loosened or moved in this job. */
  readonly touchedInJob: boolean
  readonly turnedTightDeg: number
  /** How many pitches late wheels have to stand by their marks, since hubs, keys and teeth were set otherwise. */
  readonly seats: Seats
  /** The same when the job in hand began. */
  readonly seatsAtStart: Seats
  readonly figures: ReadonlyMap<string, JobFigures>
  /** The names of parts that stand on no build sheet any more, as they were last called. */
  readonly names: ReadonlyMap<string, string>
  /** Where the crank's ledger stood when the job in hand began. */
  readonly jobStartDeg: number
}
