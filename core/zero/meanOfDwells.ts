import type { FeelTool } from './ways/dwell'
import { wrapToSigned180 } from '../units'
import { chiSquareLimit, studentFactor } from '../readings'

/** How far the middle of a dwell found by feel may be out, one sigma, crank degrees. Common practice, no source: a dwell is felt over
 *  some ten degrees and its ends to a quarter of that. A stick is a coarse check only. */
export const FEEL_SIGMA_DEG: Record<FeelTool, number> = { screwdriver: 1.5, pick: 1.2, valve: 1, stick: 3 }

/** TDC by feel from the middles of one tool's dwells: their mean, and its sigma, with the wheel's. It is the usual one while their own spread may be chance;
 *  a hand that scatters more is judged by its own spread, widened by Student's factor over two so that twice it holds the truth as often as it should.
 *  A spread that happens to be small makes nobody's feel sharper. Undefined without a middle. Source: handbook 3; JCGM 100:2008, annex G. */
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
  const usual = Math.hypot(FEEL_SIGMA_DEG[tool], wheelSigmaDeg / Math.SQRT2)
  const squares = offs.reduce((sum, off) => sum + (off - mean) ** 2, 0)
  const chance = n < 2 || squares <= usual ** 2 * chiSquareLimit(n - 1)
  const each = chance ? usual : (Math.sqrt(squares / (n - 1)) * studentFactor(n - 1)) / 2
  return { wheelDeg: first + mean, sigmaDeg: each / Math.sqrt(n) }
}
