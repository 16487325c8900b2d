import type { CamTiming } from '../cams'
import type { Entry, EntryOf, Phase, WheelScale } from '../model/entry'
import type { CrankDeg } from '../units'
import type { Half, Zero, ZeroReading } from '../zero'
import type { CamRead } from './camWitnesses'
import type { Kept } from './jobSoFar'
import type { JobSeats } from './sectionCounts'
import type { Apart, RegisterItem, Stand, TensionerIs } from './stand'
import type { Zeros } from './zeros'

/** Where the crank is on the cycle, by the ledger and never by the drawing. */
export interface CrankPlace {
  readonly deg: CrankDeg | undefined
  readonly doubt: 'proven' | 'byMark' | 'reckoned' | 'unknown'
  /** The mark that its place was last seen by, and one sigma of that; undefined where it was seen otherwise. */
  readonly byMark: { readonly markId: string; readonly sigmaDeg: number } | undefined
  /** Everything turned since the job began, signed. */
  readonly totalDeg: number
  /** Turned since the last sure reference. */
  readonly sinceReferenceDeg: number
  readonly lastDirection: 1 | -1 | undefined
  /** A mark was overshot: come again from so far back. */
  readonly freshApproach: { readonly direction: 1 | -1; readonly stillBackDeg: number } | undefined
  /** The last turn ended on another turn of the cycle than was meant: one too many, one short, or the short way backwards. */
  readonly missed: 'oneTurnTooMany' | 'oneTurnShort' | 'shortWayBack' | undefined
  /** The degree wheel and the turns entered disagree by so much. */
  readonly wheelDisagreesDeg: number | undefined
  /** A claim of where it stands that the turns written do not lead to. */
  readonly contradictedBy: string | undefined
}

/** Where something that ties the cams to the crank came undone: at the timing position by the ledger, elsewhere, not known, or known no more. */
export type UndoneAt = Apart['at']

export interface CouplingState {
  readonly together: boolean
  readonly apartAt: UndoneAt
  /** Put together, and whether what is behind it was read since. */
  readonly proof: 'asArrived' | 'notRead' | 'read'
  /** Places it was moved on in this job, in all, at its first end and at the other. */
  readonly steps: number
  readonly stepsTo: number
}

export interface LoopState {
  readonly on: boolean
  readonly offAt: UndoneAt
  /** Fitted in this job and not yet counted right. */
  readonly proof: 'asArrived' | 'notCounted' | 'countedOut' | 'counted'
  /** Turned in the running direction since everything was tight: the loop on and its tensioner released. */
  readonly turnedTightDeg: number
}

export type TensionerState = TensionerIs

export interface JobState {
  /** How the engine stands now, over all of its jobs; what follows of its parts is as this job left them. */
  readonly stand: Stand
  /** Whether it ran until it came in was asked in this job. */
  readonly ranAsked: EntryOf<'ranUntilNow'> | undefined
  readonly sheetId: string
  /** Live entries in order. */
  readonly live: readonly Entry[]
  readonly struck: ReadonlySet<string>
  readonly ticked: ReadonlySet<string>
  readonly steps: Readonly<Record<string, { readonly outcome: 'done' | 'skipped'; readonly reason: string }>>
  readonly register: readonly RegisterItem[]
  readonly loops: Readonly<Record<string, LoopState>>
  readonly couplings: Readonly<Record<string, CouplingState>>
  /** Turned in the running direction since anything that sets the cams was last touched, with all of it on, together and tight. */
  readonly turnedTightDeg: number
  readonly tensioners: Readonly<Record<string, TensionerState>>
  readonly degreeWheel: WheelScale | undefined
  /** Every setting of the wheel with its zero; the last one is the one in force. */
  readonly zeros: Zeros
  readonly zeroReadings: readonly ZeroReading[]
  readonly zero: Zero | undefined
  /** The last zero of an earlier job, on the wheel as it was numbered then: in doubt, since wheel or pointer may have moved. */
  readonly zeroBefore: { readonly jobId: string; readonly zero: Zero; readonly scale: WheelScale } | undefined
  readonly half: Half
  readonly crank: CrankPlace
  /** Lines that are kept as they are, by kind: see `allOf` and `lastOf`. */
  readonly kept: Readonly<Kept>
  /** What adjusters that were moved, and teeth laid on purpose, want of the counts. */
  readonly seats: JobSeats
  /** Readings of the cams that still hold: what is moved since makes the later ones stale. */
  readonly camReads: readonly CamRead[]
  /** Per shaft and phase: what was read, combined. */
  readonly timing: Readonly<Record<string, Readonly<Partial<Record<Phase, CamTiming>>>>>
  /** Counts that still hold: a loop moved since makes the later ones stale. */
  readonly counts: readonly EntryOf<'count'>[]
  readonly camSet: Readonly<Record<string, EntryOf<'camSet'>>>
  readonly closed: EntryOf<'close'> | undefined
}
