import type { LoopError, SolvedLoop } from '../drive'
import type { Point } from '../geometry'
import type { Loop, Mark, Member } from '../model/buildSheet'

/** A toothed part as it is drawn: a sprocket, pulley or gear on a loop, in mesh, or both. Angles are of the plane. */
export interface ToothedPart {
  readonly memberId: string
  readonly name: string
  readonly kind: Member['kind']
  readonly teeth: number
  readonly centre: Point
  readonly radiusMm: number
  readonly pitchMm: number
  readonly isCrank: boolean
}

/** A pin that carries paint: so many rings of it. */
export interface PaintedPin {
  readonly pin: number
  readonly rings: number
}

export interface LoopScene {
  readonly loop: Loop
  readonly solved: SolvedLoop
  readonly links: number
  readonly on: boolean
  /** Where pin k stands at a crank angle. */
  readonly pinAt: (k: number, crankDeg: number) => Point
  /** All pins into x and y. */
  readonly fillPins: (crankDeg: number, xs: Float64Array, ys: Float64Array) => void
  /** Pitches from the first pin to a mark on a part of this loop, or to the tooth so many on from it along the travel, in the timing position. */
  readonly pitchesTo: (markId: string, teethOn?: number) => number | undefined
  /** Pins that carry paint, the first of them on the driver's mark. */
  readonly painted: readonly PaintedPin[]
}

/** Everything a drawing of the drive needs, settled once; per crank angle only lookups are left. */
export interface DriveScene {
  readonly loops: readonly LoopScene[]
  /** The largest first, so that what sits before them on the same shaft is seen. */
  readonly toothed: readonly ToothedPart[]
  /** How far a member has turned from where its tooth gap 0 points along +x, plane degrees. */
  readonly turnOf: (memberId: string, crankDeg: number) => number
  readonly marks: readonly {
    readonly id: string
    readonly name: string
    readonly memberId: string
    readonly angleDeg: number
    readonly seat: 'gap' | 'tip'
    /** The face it is cut on, where somebody said so. */
    readonly face: Mark['face']
  }[]
  readonly drawn: 'toScale' | 'schematic'
  /** Loops that cannot be drawn, and why. */
  readonly errors: readonly { readonly loop: Loop; readonly error: LoopError }[]
}

/** How the drive lies, beyond what its build sheet says. */
export interface SceneState {
  readonly offLoops: readonly string[]
  /** How late parts stand on their loop by the counts, pitches; without one a part is laid to the nearest gap. */
  readonly latePitches: Readonly<Record<string, number>>
  /** With its loop off: how far a shaft stands off its mark, its own degrees, + = late. */
  readonly shaftOffDeg: Readonly<Record<string, number>>
}

export const AS_MARKED: SceneState = { offLoops: [], latePitches: {}, shaftOffDeg: {} }
