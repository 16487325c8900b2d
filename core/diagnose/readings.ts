/** A figure for each loop or each bank. */
export type PerPart = Readonly<Record<string, number>>
export interface Measured {
  readonly value: number
  readonly sigma: number
}

/** One lobe set as it was read: crank degrees, + = late; one sigma. */
export interface LobeRead {
  readonly camId: string
  readonly shaftId: string
  readonly latenessDeg: number
  readonly sigmaDeg: number
  /** Closing less opening lateness, where both were read. */
  readonly duration?: { readonly deg: number; readonly sigmaDeg: number } | undefined
  /** How far its cam's mark says it is late, where that was read as well. */
  readonly mark?: { readonly latenessDeg: number; readonly sigmaDeg: number } | undefined
  /** What one tooth of its sprocket is worth; undefined where no loop drives it. */
  readonly toothDeg?: number | undefined
  /** Crank degrees late for each 1% that a loop on its way is longer, for each mm of its skimmed head or block, for each mm of slack left on
   *  the pulled run of its loop: by loop, by bank, by loop. */
  readonly perStretch?: PerPart | undefined
  readonly perSkim?: PerPart | undefined
  readonly perSlack?: PerPart | undefined
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
  readonly lobes: readonly LobeRead[]
  /** Loops that were measured: elongation, %. */
  readonly elongation?: Readonly<Record<string, Measured>> | undefined
  /** Heads or blocks that were measured, by bank: mm lower than the book. */
  readonly skimmed?: Readonly<Record<string, Measured>> | undefined
  /** Came to every reading running, with the tensioner released: no slack can lie on the pulled run. */
  readonly cameRunning: boolean
  /** The half of the cycle as the lobes say it, against a witness that does not look at the cams; one turn alone does not tell. */
  readonly half: 'agrees' | 'opposite' | 'notWitnessed' | 'oneTurnCycle'
}

export type CauseCode =
  | 'teeth'
  | 'halfTurn'
  | 'stretch'
  | 'skim'
  | 'slack'
  | 'lash'
  | 'wear'
  | 'wrongLift'
  | 'camSwapped'
  | 'mark'
  | 'wrongCam'

/** What a cause says that every lobe would read, with the size it takes to come nearest. */
export interface Prediction {
  readonly causes: readonly CauseCode[]
  /** In the cause's own unit: % stretched, mm skimmed, mm of slack, mm of lash over, mm the dial was off; the largest where it has one for each
   *  loop or bank, which `sizes` has. */
  readonly size: number | undefined
  readonly sizes?: PerPart
  readonly teeth: Readonly<Record<string, number>>
  readonly lobes: readonly {
    readonly latenessDeg: number
    readonly durationDeg: number
    readonly markDeg: number | undefined
  }[]
  /** What it says of other things measured, each as how far off and one sigma. */
  readonly besides: readonly { readonly off: number; readonly sigma: number }[]
}
