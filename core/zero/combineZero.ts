import { combineAngles, doesNotFit } from '../readings'
import { wheelDeg, wrapTo360, wrapToSigned180, type WheelDeg } from '../units'

export type ZeroMethod = 'positiveStop' | 'dial' | 'dwell' | 'factoryMark'

/** One way of having found the zero cylinder's TDC on the degree wheel. A claim (a factory mark) is tested and never averaged in. */
export interface ZeroReading {
  readonly entryId: string
  readonly method: ZeroMethod
  /** After every correction, on one turn. */
  readonly wheelDeg: number
  /** One sigma. */
  readonly sigmaDeg: number
  /** Two readings of one set-up are one witness. */
  readonly setUp: string
  readonly cylinderId: string
  /** What was taken off for the wrist pin's offset; undefined where offset, stroke or rod is not known. */
  readonly offsetShiftDeg?: number | undefined
  readonly halfSpanDeg?: number | undefined
  readonly dropMm?: number | undefined
  readonly approach?: 'eachWay' | 'oneWay' | undefined
  /** What one sigma of play in the bearings does to it, degrees: of a pair read turning one way. */
  readonly commonDeg?: number | undefined
}

export interface Zero {
  readonly wheelDeg: WheelDeg
  /** One sigma of the combined value. */
  readonly sigmaDeg: number
  /** The ± that is shown: two sigma; where the readings scatter more than they should, Student's factor times what they scatter;
   *  of two that contradict, so much that it covers both. */
  readonly plusMinusDeg: number
  readonly widenedBy: 'nothing' | 'scatter' | 'contradiction'
  /** How much of it is play in the bearings, which pairs read turning one way carry, two sigma. */
  readonly playDeg: number
  readonly proved: boolean
  /** What is still wanting for a proof: a second witness that does not lean on the first, agreement, or a narrower ±. */
  readonly lacks: 'nothing' | 'witness' | 'agreement' | 'narrowness'
  readonly agreeing: readonly string[]
  /** Entries that do not fit the rest, with how far off they are, + = later on the wheel. Named, never dropped silently. */
  readonly misfits: readonly { readonly entryId: string; readonly offDeg: number }[]
}

/** A ± that serves where nothing else is asked for: half of the trim that is usual at the timing position (ours). Degrees, two sigma. */
export const SERVES_DEG = 2

/** The zero from all readings of one setting of the degree wheel: weighted mean of the measured ones. Of three or more, one that does
 *  not fit the others is named and left out of the mean; of two that contradict neither can be told wrong. Proved when two
 *  independent set-ups agree, no measured one contradicts, and the ± is within `servesDeg`: two that agree to 3° prove no zero that cams are set by.
 *  Undefined without a measured reading. Source: combineAngles. */
export function combineZero(readings: readonly ZeroReading[], servesDeg = SERVES_DEG): Zero | undefined {
  const angles = readings.map((reading) => ({ ...reading, deg: reading.wheelDeg }))
  const mean = combineAngles(angles.filter(({ method }) => method !== 'factoryMark'))
  if (!mean) return undefined
  const claims = angles.filter(({ method }) => method === 'factoryMark')
  const misfits = [...mean.misfits, ...claims.filter((claim) => doesNotFit(claim, mean))]
  const agreeing = angles.filter((reading) => !misfits.includes(reading))
  const setUps = new Set(agreeing.map(({ setUp }) => setUp))
  const lacks =
    mean.misfits.length > 0
      ? 'agreement'
      : setUps.size < 2
        ? 'witness'
        : mean.plusMinusDeg > servesDeg
          ? 'narrowness'
          : 'nothing'
  return {
    wheelDeg: wheelDeg(wrapTo360(mean.deg)),
    sigmaDeg: mean.sigmaDeg,
    plusMinusDeg: mean.plusMinusDeg,
    widenedBy: mean.widenedBy,
    playDeg: mean.commonDeg,
    proved: lacks === 'nothing',
    lacks,
    agreeing: agreeing.map(({ entryId }) => entryId),
    misfits: misfits.map((one) => ({ entryId: one.entryId, offDeg: wrapToSigned180(one.deg - mean.deg) })),
  }
}
