import type { Bolt } from '../model/buildSheet'
import type { BoltsLaid } from '../model/fasteners'

/** So many bolts as a ring from the top clockwise; as two rows; or as a grid as square as it comes, row by row. In halves of the pattern, x right, y up. */
export function layBolts(laid: Exclude<BoltsLaid, 'touched'>, n: number): Bolt[] {
  return Array.from({ length: n }, (_, i) => ({ id: `b${i + 1}`, ...placeOf(laid, i, n) }))
}

const EDGE = 0.85

function placeOf(
  laid: Exclude<BoltsLaid, 'touched'>,
  i: number,
  n: number,
): { readonly x: number; readonly y: number } {
  if (laid === 'ring') {
    const rad = (2 * Math.PI * i) / n
    return { x: EDGE * Math.sin(rad), y: EDGE * Math.cos(rad) }
  }
  // Two rows: 1 above, 2 below it, and so on along.
  if (laid === 'pairs') return { x: spread(Math.floor(i / 2), Math.ceil(n / 2)), y: i % 2 === 0 ? 0.5 : -0.5 }
  const across = Math.ceil(Math.sqrt(n))
  const down = Math.ceil(n / across)
  return { x: spread(i % across, across), y: -spread(Math.floor(i / across), down) }
}

const spread = (i: number, n: number) => (n === 1 ? 0 : -EDGE + (2 * EDGE * i) / (n - 1))
