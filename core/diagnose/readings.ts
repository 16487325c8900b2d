/** A figure for each loop, each bank or each mesh. */
export type PerPart = Readonly<Record<string, number>>
export interface Measured {
  readonly value: number
  readonly sigma: number
}

/** A camshaft of which something was read, and what each cause would do to it. Crank degrees, + = late. */
export interface ShaftRead {
  readonly shaftId: string
  /** What one tooth of its sprocket is worth; undefined where no loop drives it. */
  readonly toothDeg?: number | undefined
  /** The same of two gears in mesh on its way, by mesh. */
  readonly perMeshTooth?: PerPart | undefined
  /** Late for each 1% that a loop on its way is longer, for each mm that its head or block stands lower, for each mm of slack left on the pulled run of
   *  its loop: by loop, by bank, by loop. */
  readonly perStretch?: PerPart | undefined
  readonly perSkim?: PerPart | undefined
  readonly perSlack?: PerPart | undefined
  /** The wheel on the crank that its way begins with: its key moves all that begin with it. */
  readonly crankWheelId?: string | undefined
  /** It sits in its wheel by something that can let go: hub, slots, taper or screws. */
  readonly canSlip?: boolean | undefined
  /** How far its mark says it is late; `onWheel`: the mark is on the wheel, and stays with it where the shaft slips. */
  readonly mark?: { readonly latenessDeg: number; readonly sigmaDeg: number; readonly onWheel: boolean } | undefined
  /** How late the counts of all loops on its way say it is; a count sees teeth and nothing else. */
  readonly count?: Measured | undefined
}

/** One lobe set as it was read: crank degrees, + = late; one sigma, without that of the zero. */
export interface LobeRead {
  readonly camId: string
  readonly shaftId: string
  readonly latenessDeg: number
  readonly sigmaDeg: number
  /** Closing less opening lateness, where both were read. */
  readonly duration?: { readonly deg: number; readonly sigmaDeg: number } | undefined
  /** Crank degrees of duration lost for each mm of lash too many. */
  readonly perLash?: number | undefined
  /** Lash as found less the book's, mm, where it was measured. */
  readonly lashOverMm?: number | undefined
  /** Top lift as found less the book's, mm, where it was measured. */
  readonly topLiftOverMm?: number | undefined
  /** What it would read if it were the engine's other cam: lateness and duration against its own book. */
  readonly ifSwapped?: { readonly latenessDeg: number; readonly durationDeg: number } | undefined
}

export interface Readings {
  readonly shafts: readonly ShaftRead[]
  readonly lobes: readonly LobeRead[]
  /** The zero that everything was read from: an error of it is common to all. `proved`: two witnesses that do not lean on each other agree. */
  readonly zero: { readonly sigmaDeg: number; readonly proved: boolean }
  /** Loops that were measured: elongation, %. */
  readonly elongation?: Readonly<Record<string, Measured>> | undefined
  /** Heads or blocks that were measured, by bank: mm lower than the book. */
  readonly skimmed?: Readonly<Record<string, Measured>> | undefined
  /** Teeth that a gear stands late by the marks of its mesh, by mesh. */
  readonly meshCounts?: PerPart | undefined
  /** Came to every reading running, with the tensioner released: no slack can lie on the pulled run. */
  readonly cameRunning: boolean
  /** The half of the cycle as the lobes say it, against a witness that does not look at the cams; one turn alone does not tell. */
  readonly half: 'agrees' | 'opposite' | 'notWitnessed' | 'oneTurnCycle'
}

export type CauseCode =
  | 'teeth'
  | 'gearTeeth'
  | 'halfTurn'
  | 'zeroOff'
  | 'crankKey'
  | 'slipped'
  | 'stretch'
  | 'skim'
  | 'slack'
  | 'lash'
  | 'wear'
  | 'wrongLift'
  | 'camSwapped'
  | 'mark'
  | 'wrongCam'

/** Every cause, in the order in which they are met at the bench. */
export const CAUSES: readonly CauseCode[] = [
  'teeth',
  'gearTeeth',
  'halfTurn',
  'zeroOff',
  'crankKey',
  'slipped',
  'stretch',
  'skim',
  'slack',
  'lash',
  'wear',
  'wrongLift',
  'camSwapped',
  'mark',
  'wrongCam',
]

/** Those that make camshafts late, and those by which valves are open for longer or shorter. */
export const LATE_CAUSES = ['teeth', 'gearTeeth', 'zeroOff', 'crankKey', 'slipped', 'stretch', 'skim', 'slack'] as const
export const DURATION_CAUSES = ['lash', 'wear', 'wrongLift'] as const
