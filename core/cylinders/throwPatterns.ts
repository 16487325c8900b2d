export type Layout = 'inLine' | 'vee' | 'flat' | 'opposed' | 'radial'

export interface ThrowPattern {
  readonly id: string
  /** Crankpin of each cylinder after that of the first, degrees in the running direction, in the order of the sheet. */
  readonly crankpinsDeg: readonly number[]
}

const inLine: Readonly<Record<number, readonly ThrowPattern[]>> = {
  2: [
    { id: 'together', crankpinsDeg: [0, 0] },
    { id: 'oneUpOneDown', crankpinsDeg: [0, 180] },
    { id: 'quarter', crankpinsDeg: [0, 90] },
    { id: 'quarterBack', crankpinsDeg: [0, 270] },
  ],
  3: [
    { id: 'thirds', crankpinsDeg: [0, 120, 240] },
    { id: 'thirdsBack', crankpinsDeg: [0, 240, 120] },
  ],
  4: [
    { id: 'flatPlane', crankpinsDeg: [0, 180, 180, 0] },
    { id: 'crossPlane', crankpinsDeg: [0, 270, 90, 180] },
    { id: 'crossPlaneBack', crankpinsDeg: [0, 90, 270, 180] },
  ],
  5: [{ id: 'fifths', crankpinsDeg: [0, 216, 144, 72, 288] }],
  6: [
    { id: 'mirrored', crankpinsDeg: [0, 120, 240, 240, 120, 0] },
    { id: 'mirroredBack', crankpinsDeg: [0, 240, 120, 120, 240, 0] },
  ],
  8: [{ id: 'straightEight', crankpinsDeg: [0, 180, 270, 90, 90, 270, 180, 0] }],
}

/** Usual throws to begin from; a pin that is ahead the way the engine runs comes to the top before the first; any other is typed. Cylinders are listed bank by bank, each from the timing side: in a V those that
 *  stand across from each other share a crankpin, opposed ones have pins half a turn apart; a radial's all sit on one pin, or in two rows
 *  round the star by turns, the second row's pin half a turn on. Source: common practice. */
export function throwPatterns(layout: Layout, cylinders: number): readonly ThrowPattern[] {
  if (layout === 'inLine') return inLine[cylinders] ?? []
  if (layout === 'radial') {
    const twoRows = cylinders % 2 === 0 && cylinders >= 8
    const pins = Array.from({ length: cylinders }, (_, i) => (twoRows && i % 2 === 1 ? 180 : 0))
    return [{ id: twoRows ? 'twoRows' : 'oneRow', crankpinsDeg: pins }]
  }
  const rows = cylinders / 2
  const oneBank = rows === 1 ? [{ id: 'one', crankpinsDeg: [0] }] : (inLine[rows] ?? [])
  return oneBank.map(({ id, crankpinsDeg }) => ({
    id,
    crankpinsDeg: [...crankpinsDeg, ...crankpinsDeg.map((deg) => (layout === 'opposed' ? (deg + 180) % 360 : deg))],
  }))
}
