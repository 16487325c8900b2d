import type { BoltGroup, BuildSheet, Follower, FollowerFigure, TightenerKind } from '@link-count/core/model'
import type { Topology } from '@link-count/core/starters'
import type { Side } from '@link-count/core/units'

export interface DemoDrive {
  readonly shape: Topology
  readonly teeth: Readonly<Record<string, number>>
  /** Distance from the crank and direction, as typed. */
  readonly places?: Readonly<Record<string, readonly [distance: string, direction: string]>>
  readonly radii?: Readonly<Record<string, string>>
  readonly pitches?: Readonly<Record<string, string>>
  readonly links?: Readonly<Record<string, number>>
  /** Places of couplings, by the shaft they drive. */
  readonly splines?: Readonly<Record<string, number>>
  /** Where the marks of wheels point in the pose. */
  readonly marks?: Readonly<Record<string, string>>
}

export interface DemoTightener {
  readonly kind: TightenerKind
  readonly tightens?: 'clockwise' | 'anticlockwise'
  readonly seenFrom?: Side
  readonly throwMm?: string
  readonly freeNewMm?: string
  readonly setNewMm?: string
  readonly lockDeg?: number
  readonly oilFilled?: boolean
  readonly renewWith?: string
}

export interface DemoSlack {
  readonly by: 'toAndFro' | 'links' | 'pitch'
  readonly least: number
  readonly most: number
  readonly support?: string
  readonly kgPerM?: number
}

/** What follows the cams, its figures as numbers of the book. */
export interface DemoFollower extends Pick<
  Follower,
  'id' | 'name' | 'kind' | 'shaftId' | 'driveEnd' | 'setBy' | 'marks' | 'serves'
> {
  /** The cylinders in the order in which it comes to them; all as they stand where it is not said. */
  readonly order?: string
  readonly slotRadiusMm?: number
  readonly lagDeg?: number
  readonly advanceDeg?: number
  readonly by: FollowerFigure
  readonly wanted: number
  readonly band: readonly [least: number, most: number]
  readonly brisker?: number
}

/** Bolts that are tightened in an order, their stages as typed. */
export interface DemoBolts extends Pick<
  BoltGroup,
  'id' | 'name' | 'on' | 'ofId' | 'order' | 'thread' | 'strength' | 'into' | 'stretch' | 'threadWith' | 'lockedBy'
> {
  readonly laid: 'ring' | 'grid' | 'pairs'
  readonly n: number
  readonly torques: readonly string[]
  readonly angleDeg?: number
}

export interface DemoMark {
  readonly id: string
  readonly name: string
  readonly where: string
  readonly cutFor: 'tdc' | 'spark' | 'casting'
  readonly cylinder?: string
  /** Degrees after TDC that it claims. */
  readonly claim?: number
}

/** The workshop of a small museum on a tidal island that keeps its machines running. Places, machines and figures are invented. */
export interface DemoEngine {
  readonly id: string
  readonly name: string
  readonly description: string
  readonly cylinders: number
  readonly layout?: 'inLine' | 'vee' | 'flat'
  /** Directions of the banks, as they are typed. */
  readonly banks?: readonly string[]
  /** Crankpins of the cylinders after the first one's. */
  readonly crankpins?: readonly number[]
  readonly firingOrder?: string
  /** Typed firing TDCs; what axes, crankpins and order settle is left out. */
  readonly firingDeg: readonly number[]
  readonly running?: 'clockwise' | 'anticlockwise'
  readonly sides: readonly [timing: string, opposite: string]
  readonly interference: 'yes' | 'no' | 'unknown'
  readonly fuel: 'petrol' | 'paraffin' | 'diesel' | 'gas'
  readonly starting: 'battery' | 'hand' | 'air'
  readonly turnsWith: NonNullable<BuildSheet['turnsWith']>
  readonly stroke?: string
  readonly rod?: string
  readonly pinOffset?: string
  readonly plugDepth?: string
  readonly plugLeans?: number
  readonly crown?: 'flat' | 'dome'
  readonly rim?: string
  readonly rimMarks?: readonly DemoMark[]
  /** Somebody was asked how exact its marks are: sharp lines, where they belong. */
  readonly sharpMarks?: true
  /** Camshafts that are set at another place of the crank than the timing position, degrees. */
  readonly ownPlaces?: Readonly<Record<string, number>>
  readonly crankTeeth?: number
  readonly camTeeth?: number
  /** A drive of another shape: teeth, radii and places by part, pitches and links by loop. */
  readonly drive?: DemoDrive
  readonly pitch?: string
  readonly links?: number
  readonly distance?: string
  readonly direction?: string
  readonly tensionerRadius?: string
  readonly tensioner: boolean
  readonly guide?: { readonly distance: string; readonly direction: string; readonly radius: string }
  /** Clock face or degrees clockwise from straight up, seen from the timing side, in the pose. */
  readonly crankMark?: string
  readonly camMark?: string
  readonly camMarkMeets: string
  readonly inlet?: readonly [opens: number, closes: number]
  readonly exhaust?: readonly [opens: number, closes: number]
  readonly checkingLift?: string
  readonly topLift?: readonly [inlet: string, exhaust: string]
  /** Where the lobes point at full lift, hours seen from the timing side. */
  readonly fullLiftClock?: readonly [inlet: number, exhaust: number]
  /** Places to the turn of hubs, by wheel. */
  /** How tensioners tighten, by part, their lengths as typed. */
  readonly tighteners?: Readonly<Record<string, DemoTightener>>
  /** How slack loops are meant to be, and what a metre of them weighs. */
  readonly slackWanted?: Readonly<Record<string, DemoSlack>>
  /** Fuel and spark. */
  readonly followers?: readonly DemoFollower[]
  readonly bolts?: readonly DemoBolts[]
  readonly hubs?: Readonly<Record<string, number>>
  readonly school?: 'roadDiesel' | 'marine'
  readonly lash?: readonly [inlet: string, exhaust: string]
  readonly tolerance?: number
}
