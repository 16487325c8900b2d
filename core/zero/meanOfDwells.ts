import type { FeelTool } from './ways/dwell'
import { wrapToSigned180 } from '../units'
import { studentFactor } from '../readings'

/** How far the middle of a dwell found by feel may be out, one sigma, crank degrees. Common practice, no source: a dwell is felt over
 *  some ten degrees and its ends to a quarter of that. A stick is a coarse check only. */
export const FEEL_SIGMA_DEG: Record<FeelTool, number> = { screwdriver: 1.5, pick: 1.2, valve: 1, stick: 3 }

/** From so many repeats on, the spread of somebody's own feel says more than the usual figure. */
const OWN_SPREAD_FROM = 3

/** TDC by feel from the middles of one tool's dwells: their mean, and its sigma. With three or more the sigma is judged from their own
 *  spread, widened by Student's factor over two so that twice it holds the truth as often as it should; with fewer it is the usual
 *  one. Never sharper than the wheel. Undefined without a middle. Source: handbook 3; JCGM 100:2008, annex G. */
export function meanOfDwells({
  middlesDeg,
  tool,
  wheelSigmaDeg,
}: {
  readonly middlesDeg: readonly number[]
  readonly tool: FeelTool
  readonly wheelSigmaDeg: number
}): { readonly wheelDeg: number; readonly sigmaDeg: number } | undefined {
  const [first] = middlesDeg
  if (first === undefined) return undefined
  const offs = middlesDeg.map((deg) => wrapToSigned180(deg - first))
  const n = offs.length
  const mean = offs.reduce((sum, off) => sum + off, 0) / n
  const usual = FEEL_SIGMA_DEG[tool] / Math.sqrt(n)
  const own = Math.sqrt(offs.reduce((sum, off) => sum + (off - mean) ** 2, 0) / (n - 1) / n)
  const sigmaDeg = n < OWN_SPREAD_FROM ? usual : (own * studentFactor(n - 1)) / 2
  return { wheelDeg: first + mean, sigmaDeg: Math.max(sigmaDeg, wheelSigmaDeg / Math.SQRT2 / Math.sqrt(n)) }
}
