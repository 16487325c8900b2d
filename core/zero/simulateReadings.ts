import { scaleSigmaDeg } from '../degreeWheel'
import type { FeelTool, WheelScale } from '../model/entry'
import { makeSliderCrank, type SliderCrank, type SliderCrankSize } from '../kinematics'
import { gaussian } from '../random'
import { degFromRad, radFromDeg, wrapTo360, wrapToSigned180 } from '../units'
import { combineZero, type Zero, type ZeroReading } from './combineZero'
import { dialReadingSigmaDeg, PLAY_SIGMA_MM, playPerMmDeg, USUAL_PLAY_MM } from './dialSigma'
import { FEEL_SIGMA_DEG, meanOfDwells } from './meanOfDwells'
import { pinOffsetShift } from './pinOffsetShift'
import { pairSigmaDeg, sigmaOfDivision, tdcFromPair } from './tdcFromPair'

/** An engine and its instruments as they are, which no reading shows exactly. */
export interface SimulatedBench {
  readonly size: SliderCrankSize
  /** Where true TDC stands on the wheel. */
  readonly tdcDeg: number
  readonly scale: WheelScale
  readonly dialDivisionMm: number
  /** How far play lets the piston stand otherwise on the way down than on the way up, mm. */
  readonly playMm?: number
  /** Gaussian of the division's own sigma, or rounded to the division. */
  readonly noise: 'gaussian' | 'rounded'
}

export interface SimulatedReader {
  readonly stop: (halfSpanDeg: number) => ZeroReading
  readonly dial: (dropMm: number, approach?: 'eachWay' | 'oneWay') => ZeroReading
  readonly dwell: (tool: FeelTool, times: number) => ZeroReading
}

/** Somebody reading a bench by each method, with the noise it is known to have. Seeded through `random`; the same stream gives the same
 *  readings. It shows whether a stated ± is honest, and stands in for instruments where there are none. */
export function makeReader(bench: SimulatedBench, random: () => number): SimulatedReader | undefined {
  const made = makeSliderCrank(bench.size)
  if (!made.ok) return undefined
  const crank = made.value
  const { scale } = bench
  const noisy = (value: number, division: number) =>
    bench.noise === 'gaussian'
      ? value + sigmaOfDivision(division) * gaussian(random)
      : Math.round(value / division) * division
  // A dial read to a division stands anywhere within it.
  const drawnMm = (mm: number) =>
    bench.noise === 'gaussian' ? noisy(mm, bench.dialDivisionMm) : mm + bench.dialDivisionMm * (random() - 0.5)
  const sigmaAt = (deg: number) => scaleSigmaDeg(scale, deg)
  const readWheel = (fromTdcDeg: number) => {
    const deg = bench.tdcDeg + fromTdcDeg
    if (scale.kind !== 'rim') return wrapTo360(noisy(deg, scale.readToDeg))
    const diameterMm = scale.circumferenceMm / Math.PI
    const chordMm = noisy(diameterMm * Math.sin(radFromDeg(wrapToSigned180(deg) / 2)), scale.readToMm)
    return wrapTo360(2 * degFromRad(Math.asin(Math.max(-1, Math.min(1, chordMm / diameterMm)))))
  }
  const shiftOf = (halfSpanDeg: number) => pinOffsetShift(bench.size, halfSpanDeg) ?? 0
  const common = { cylinderId: 'cyl-1' }
  return {
    stop: (halfSpanDeg) => {
      const dropMm = crank.dropMm(halfSpanDeg)
      const [firstDeg, secondDeg] = [readWheel(at(crank, dropMm, 'before')), readWheel(at(crank, dropMm, 'after'))]
      const found = tdcFromPair({ firstDeg, secondDeg, sigmaDeg: pairSigmaDeg(sigmaAt, firstDeg, secondDeg) })
      if (!found.ok) throw new Error(`Broken invariant: a stop at ${halfSpanDeg}°`)
      const wheelDeg = found.value.wheelDeg - shiftOf(found.value.halfSpanDeg)
      return {
        ...common,
        entryId: `stop ${halfSpanDeg}`,
        method: 'positiveStop',
        setUp: `stop ${halfSpanDeg}`,
        sigmaDeg: found.value.sigmaDeg,
        wheelDeg,
      }
    },
    dial: (dropMm, approach = 'eachWay') => {
      // Turning one way play holds the piston back behind the crank: half of it before the top, half after.
      const late = approach === 'oneWay' ? (bench.playMm ?? 0) / 2 : 0
      const beforeDeg = readWheel(at(crank, drawnMm(dropMm) - late, 'before'))
      const afterDeg = readWheel(at(crank, drawnMm(dropMm) + late, 'after'))
      const half = wrapTo360(afterDeg - beforeDeg) / 2
      const wheelSigmaDeg = pairSigmaDeg(sigmaAt, beforeDeg, afterDeg)
      const sigmaDeg = dialReadingSigmaDeg({ wheelSigmaDeg, readToMm: bench.dialDivisionMm, dropMm, halfSpanDeg: half })
      const found = tdcFromPair({ firstDeg: beforeDeg, secondDeg: afterDeg, sigmaDeg })
      if (!found.ok) throw new Error(`Broken invariant: a dial at ${dropMm} mm`)
      const wheelDeg = found.value.wheelDeg - shiftOf(found.value.halfSpanDeg)
      return {
        ...common,
        entryId: `dial ${dropMm}`,
        method: 'dial',
        setUp: `dial ${dropMm}`,
        sigmaDeg: found.value.sigmaDeg,
        wheelDeg,
        dropMm,
        halfSpanDeg: half,
        approach,
        commonDeg: approach === 'oneWay' ? PLAY_SIGMA_MM * playPerMmDeg(half, dropMm) : undefined,
      }
    },
    dwell: (tool, times) => {
      const middlesDeg = Array.from({ length: times }, () => {
        const feltDeg = FEEL_SIGMA_DEG[tool] * gaussian(random)
        const [before, after] = [readWheel(feltDeg - 5), readWheel(feltDeg + 5)]
        return before + wrapTo360(after - before) / 2
      })
      const wheelSigmaDeg = Math.max(sigmaAt(bench.tdcDeg - 5), sigmaAt(bench.tdcDeg + 5))
      const mean = meanOfDwells({ middlesDeg, tool, wheelSigmaDeg })
      if (!mean) throw new Error('Broken invariant: no dwell')
      return { ...common, entryId: `dwell ${tool}`, method: 'dwell', setUp: `dwell ${tool}`, ...mean }
    },
  }
}

const at = (crank: SliderCrank, dropMm: number, when: 'before' | 'after') => crank.degAtDrop(dropMm, when) ?? 0

/** How often the ± that is shown holds the truth, over so many benches drawn at random. */
export function shareHeld({
  trials,
  random,
  noise,
  readings,
  scale,
}: {
  readonly trials: number
  readonly random: () => number
  readonly noise: SimulatedBench['noise']
  readonly readings: (reader: SimulatedReader, random: () => number) => readonly ZeroReading[]
  /** What the wheel is; without it degree wheels of several divisions. */
  readonly scale?: WheelScale
}): number {
  let held = 0
  for (let i = 0; i < trials; i++) {
    const strokeMm = 60 + 80 * random()
    const bench: SimulatedBench = {
      size: { strokeMm, rodMm: strokeMm * (1.5 + 0.7 * random()), pinOffsetMm: random() < 0.5 ? 0 : 2 * random() - 1 },
      tdcDeg: 360 * random(),
      scale: scale ?? { kind: 'full', rises: 'running', readToDeg: [0.25, 0.5, 1][Math.floor(3 * random())] ?? 1 },
      playMm: USUAL_PLAY_MM * Math.abs(gaussian(random)),
      dialDivisionMm: random() < 0.5 ? 0.01 : 0.05,
      noise,
    }
    const reader = makeReader(bench, random)
    const zero: Zero | undefined = reader && combineZero(readings(reader, random))
    if (zero && Math.abs(((zero.wheelDeg - bench.tdcDeg + 540) % 360) - 180) <= zero.plusMinusDeg) held++
  }
  return held / trials
}
