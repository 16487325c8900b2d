/** A figure against what is wanted: within, or which way off; sure, with its ± over a limit, or too wide to tell. */
export interface AgainstBand {
  readonly is: 'under' | 'in' | 'over'
  readonly sure: 'sure' | 'onLimit' | 'cannotTell'
  /** To the nearer limit; minus = beyond it. */
  readonly margin: number
}

/** A figure with its two sigma against its band. Both limits are still in. */
export function againstBand(
  { value, plusMinus }: { readonly value: number; readonly plusMinus: number },
  { least, most }: { readonly least: number; readonly most: number },
): AgainstBand {
  const is = value < least - ROUNDING ? 'under' : value > most + ROUNDING ? 'over' : 'in'
  const reaches = [least, most].filter((limit) => Math.abs(value - limit) < plusMinus).length
  return {
    is,
    margin: Math.min(value - least, most - value),
    sure:
      reaches === 2 || (reaches > 0 && 2 * plusMinus > most - least)
        ? 'cannotTell'
        : reaches === 1
          ? 'onLimit'
          : 'sure',
  }
}

/** Arithmetic noise about a limit. */
const ROUNDING = 1e-9
