/** A count as it is shown on the drawing of the drive. */
export interface CountedOnFace {
  readonly n: number
  readonly first: 'under' | 'next' | 'afterTip'
  readonly loopId: string
  readonly fromMarkId: string
  readonly toMarkId: string
  /** Counted from and to the teeth so many on from the marks, + = along the travel. */
  readonly fromTeeth: number
  readonly toTeeth: number
}
