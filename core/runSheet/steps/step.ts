import type { JobState } from '../../ledger'
import type { BuildSheet, Loop } from '../../model/buildSheet'
import type { Phase } from '../../model/entry'
import type { Came } from '../came'
import type { Schools } from '../schools'

/** What the ledger holds for a step: nothing, not enough to go on, read once, proved. */
export type Evidence = 'none' | 'part' | 'read' | 'proved'
export type Hindrance = 'chainAlreadyOff' | 'camshaftOut' | 'headOff' | 'nothingDriven'

/** What one step leaves for another. */
export type Given =
  | 'madeSafe'
  | 'lashFound'
  | 'zero'
  | 'half'
  | 'timingFound'
  | 'lookedOver'
  | 'asked'
  | 'painted'
  | 'worn'
  | 'loopOff'
  | 'camSet'
  | 'loopOn'
  | 'slackFound'
  | 'tight'
  | 'slackSet'
  | 'timingLeft'
  | 'lashLeft'
  | 'pressed'
  | 'pumpFound'
  | 'pumpSet'
  | 'sparkFound'
  | 'sparkSet'

/** Where the crank has to stand for a step. Crank degrees on the cycle. */
export interface CrankPlace {
  readonly at: 'tdc' | 'pose' | 'mark'
  readonly deg: number
}

export interface Looked {
  readonly sheet: BuildSheet
  readonly state: JobState
  readonly schools: Schools
  /** What the turns of the job prove. */
  readonly proves: 'timing' | 'tension'
  readonly targetIds: readonly string[]
}

/** A kind of step: when it belongs, what it is done on, what it needs and gives, how it stands. */
export interface StepKindRecord {
  /** What it is done on: one step for each. None = it does not belong on this engine. */
  readonly targets: (sheet: BuildSheet) => readonly (readonly string[])[]
  /** It comes after every step that gives one of these. */
  readonly needs: readonly Given[]
  readonly gives: readonly Given[]
  /** The place of the crank whose work it is a part of, degrees of the cycle: where banks or cylinders meet at places of their own, all of this is done at
   *  one before the next. */
  readonly workedAt?: (sheet: BuildSheet, targetIds: readonly string[]) => number
  /** Undefined: wherever it stands. */
  readonly crankAt?: (sheet: BuildSheet, targetIds: readonly string[]) => CrankPlace | undefined
  /** The phase of what is read in it. */
  readonly phase?: Phase
  /** The chains and belts that are counted in it. */
  readonly loops?: (sheet: BuildSheet, targetIds: readonly string[]) => readonly Loop[]
  readonly evidence: (looked: Looked) => Evidence
  /** Why it cannot be done on an engine as it came in. */
  readonly hindrance?: (came: Came, sheet: BuildSheet, targetIds: readonly string[]) => Hindrance | undefined
}
