import { wheelDeg, wrapTo360, wrapToSigned180, type WheelDeg } from '../units'

/** One way of having found TDC on the degree wheel. A claim (a factory mark) is tested and never averaged in. */
export interface ZeroReading {
  readonly entryId: string
  readonly method: 'positiveStop' | 'factoryMark'
  readonly wheelDeg: number
  readonly sigmaDeg: number
  /** Two readings of one set-up are one witness. */
  readonly setUp: string
}

export interface Zero {
  readonly wheelDeg: WheelDeg
  /** One sigma of the combined value. */
  readonly sigmaDeg: number
  readonly proved: boolean
  readonly agreeing: readonly string[]
  /** Entries that do not fit the rest, with how far off they are, + = later on the wheel. Named, never dropped silently. */
  readonly misfits: readonly { readonly entryId: string; readonly offDeg: number }[]
}

/** A found TDC and a second witness agree when they differ by no more than three sigma of their difference. */
const AGREE_SIGMAS = 3

/** The zero from all readings of one degree wheel set-up: weighted mean of the measured ones (weights 1/sigma²),
 *  proved when two independent set-ups agree and none contradicts. Undefined without a measured reading. */
export function combineZero(readings: readonly ZeroReading[]): Zero | undefined {
  const measured = readings.filter(({ method }) => method !== 'factoryMark')
  const [first] = measured
  if (!first) return undefined
  const weights = measured.map(({ sigmaDeg }) => 1 / sigmaDeg ** 2)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const shift = measured.reduce(
    (sum, reading, i) => sum + (weights[i] ?? 0) * wrapToSigned180(reading.wheelDeg - first.wheelDeg),
    0,
  )
  const middle = first.wheelDeg + shift / total
  const sigmaDeg = 1 / Math.sqrt(total)
  const off = readings.map((reading) => ({ reading, offDeg: wrapToSigned180(reading.wheelDeg - middle) }))
  const alone = measured.length === 1
  const fits = ({ reading, offDeg }: (typeof off)[number]) =>
    Math.abs(offDeg) <= AGREE_SIGMAS * Math.hypot(reading.sigmaDeg, alone ? sigmaDeg : 0) + 1e-9
  const agreeing = off.filter(fits)
  const misfits = off.filter((one) => !fits(one))
  const setUps = new Set(agreeing.map(({ reading }) => reading.setUp))
  const measuredMisfit = misfits.some(({ reading }) => reading.method !== 'factoryMark')
  return {
    wheelDeg: wheelDeg(wrapTo360(middle)),
    sigmaDeg,
    proved: setUps.size >= 2 && !measuredMisfit,
    agreeing: agreeing.map(({ reading }) => reading.entryId),
    misfits: misfits.map(({ reading, offDeg }) => ({ entryId: reading.entryId, offDeg })),
  }
}
