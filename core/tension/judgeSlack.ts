/** How slack it is meant to be, in the unit of what it is judged by. */
export interface SlackBand {
  readonly least: number | undefined
  readonly most: number | undefined
}

export interface SlackJudged {
  readonly is: 'tooTight' | 'in' | 'tooSlack'
  /** sure: so is its whole ±. onLimit: the ± reaches over one limit. cannotTell: it reaches over both, or is wider than the band. */
  readonly sure: 'sure' | 'onLimit' | 'cannotTell'
  /** To the nearer limit; minus = beyond it. */
  readonly margin: number
}

/** A figure at the tightest place against what is wanted. More is slacker; of a pitch in hertz more is tighter. Undefined without limits. */
export function judgeSlack(
  { value, plusMinus }: { readonly value: number; readonly plusMinus: number },
  { least, most }: SlackBand,
  moreIs: 'slacker' | 'tighter' = 'slacker',
): SlackJudged | undefined {
  const [low, high] = [least ?? -Infinity, most ?? Infinity]
  if (low === -Infinity && high === Infinity) return undefined
  const margin = Math.min(value - low, high - value)
  const [under, over] = moreIs === 'slacker' ? (['tooTight', 'tooSlack'] as const) : (['tooSlack', 'tooTight'] as const)
  const is = value < low ? under : value > high ? over : 'in'
  const reaches = [low, high].filter((limit) => Math.abs(value - limit) < plusMinus).length
  return {
    is,
    margin,
    sure: reaches === 0 ? 'sure' : reaches === 2 || 2 * plusMinus > high - low ? 'cannotTell' : 'onLimit',
  }
}

/** Targets that are told among mechanics, offered where no book has one. Source: handbook 11, common practice; the width of the first is ours. */
export const USUAL_SLACK = {
  /** 3/16 in at the tightest place, its outer support fitted; half a millimetre either way is ours. */
  toAndFro: { least: 4.26, most: 5.26, told: '3/16 in (4.8 mm) at the tightest place, its outer support fitted' },
  links: { least: 0.5, most: 1, told: 'half to one link to and fro, at the middle of the longest run' },
} as const
