/** A thread as it is told: diameter and pitch, mm, and the area that carries, mm². */
export interface Thread {
  readonly standard: 'metric' | 'unified' | 'whitworth'
  readonly diameterMm: number
  readonly pitchMm: number
  readonly stressAreaMm2: number
}

/** Pitches of coarse metric threads, mm. Source: ISO 261. */
const COARSE: Readonly<Record<number, number>> = {
  4: 0.7,
  5: 0.8,
  6: 1,
  8: 1.25,
  10: 1.5,
  12: 1.75,
  14: 2,
  16: 2,
  18: 2.5,
  20: 2.5,
  24: 3,
}

/** How far the carrying diameter lies under the outer one, in pitches: half way between effective and core. Source: ISO 898-1, ASME B1.1; of the Whitworth form worked out from its
 *  depth of 0.6403 pitches. */
const UNDER = { metric: 0.9382, unified: 0.9743, whitworth: 0.9605 } as const

/** A thread from how it is written: M10, M10 x 1.25, 3/8-24 UNF, 3/8 x 20 BSF. Undefined where size or pitch are not in it. */
export function readThread(text: string): Thread | undefined {
  const metric = /^\s*m\s*(\d+(?:\.\d+)?)(?:\s*[x×*]\s*(\d+(?:\.\d+)?))?\s*$/i.exec(text)
  if (metric) {
    const diameter = Number(metric[1])
    const pitch = metric[2] === undefined ? COARSE[diameter] : Number(metric[2])
    return pitch === undefined ? undefined : carrying('metric', diameter, pitch)
  }
  const inch =
    /^\s*(?:(\d+)\s+)?(\d+)(?:\/(\d+))?\s*(?:in|")?\s*[-x×*]\s*(\d+)\s*(?:tpi)?\s*(unf|unc|bsw|bsf|bsc)\s*$/i.exec(text)
  if (!inch) return undefined
  const [, whole = '0', top = '0', under = '1', perInch = '0', name = ''] = inch
  const diameter = (Number(whole) + Number(top) / Number(under)) * 25.4
  const standard = name.toLowerCase().startsWith('u') ? 'unified' : 'whitworth'
  // A cycle thread is of another form: its angle is 60°, and what carries was not worked out here.
  if (name.toLowerCase() === 'bsc' || Number(perInch) === 0) return undefined
  return carrying(standard, diameter, 25.4 / Number(perInch))
}

function carrying(standard: Thread['standard'], diameterMm: number, pitchMm: number): Thread | undefined {
  const across = diameterMm - UNDER[standard] * pitchMm
  return across > 0 ? { standard, diameterMm, pitchMm, stressAreaMm2: (Math.PI / 4) * across ** 2 } : undefined
}
