/** The part of a drive that a mover is; a quill has two ends. */
export type MoverOf =
  | { readonly part: 'tooth'; readonly loopId: string; readonly memberId: string }
  | { readonly part: 'coupling'; readonly couplingId: string; readonly end: 'near' | 'far' }
  | { readonly part: 'adjuster'; readonly adjusterId: string }

/** Something that can be moved. Degrees are of the crank, + = the cam comes later. */
export interface Mover {
  readonly id: string
  /** What it is on the drive, where it is searched for one. */
  readonly of?: MoverOf
  /** How much trouble a move is, against the others; a stepped one costs it once for each step. */
  readonly effort: number
  readonly by:
    /** So many places to the turn of the cam; `mostSteps` each way where more would not be done. */
    | { readonly kind: 'steps'; readonly places: number; readonly mostSteps?: number }
    /** One of a few, the first being as it is. */
    | { readonly kind: 'choices'; readonly laterDeg: readonly number[] }
    /** Anything within so many degrees each way. */
    | { readonly kind: 'range'; readonly mostDeg: number }
}

export interface CamToSet {
  readonly id: string
  /** Late by so much of what it is to be. */
  readonly latenessDeg: number
  readonly weight: number
  readonly movers: readonly Mover[]
}

export interface MoveProblem {
  readonly cams: readonly CamToSet[]
  /** What moves every cam named alike: a key or tooth at the crank. */
  readonly shared: readonly { readonly mover: Mover; readonly camIds: readonly string[] }[]
  /** A whole turn of a cam, crank degrees. */
  readonly cycleDeg: number
  readonly best: number
}

export interface Move {
  readonly moverId: string
  readonly of?: MoverOf
  /** Steps on (+ = later), the number of the choice, or degrees later. */
  readonly amount: number
  readonly laterDeg: number
}

export interface MoveSet {
  readonly shared: readonly Move[]
  readonly cams: readonly { readonly id: string; readonly moves: readonly Move[]; readonly leftoverDeg: number }[]
  /** Sum of weight times leftover squared. */
  readonly misses: number
  readonly effort: number
}

export interface FoundMoves {
  /** The best few by what is left, the nearest first. */
  readonly nearest: readonly MoveSet[]
  /** Every set that nothing else beats in both: with less trouble more is left. The least trouble first. */
  readonly front: readonly MoveSet[]
}

export interface Progress {
  readonly done: number
  readonly total: number
}

/** It would take more looks than are gone through: that is said, and nothing is left out in silence. */
export interface TooMany {
  readonly tooMany: number
}
export const isTooMany = (answer: FoundMoves | TooMany): answer is TooMany => 'tooMany' in answer

/** So many places of one camshaft are looked at in all, some seconds' work. */
export const MOST_LOOKS = 40_000_000
