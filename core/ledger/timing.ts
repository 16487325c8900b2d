import {
  combineTiming,
  COUNT_SIGMA_PITCHES,
  EVENT_SIGMA_DEG,
  eventLateness,
  MARK_BY_EYE_SIGMA_DEG,
  valveEvents as specOf,
  type CamTiming,
  type TimingWitness,
} from '../cams'
import { countedMarks, expectedCount, judgeCount, pitchesFromCount, solveLoop, type CountVerdict } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { EntryOf, Phase } from '../model/entry'
import { wrapToSigned } from '../units'
import { scaleSigmaDeg } from '../degreeWheel'
import type { Zero } from '../zero'
import { zeroOfEntry, type Zeros } from './zeros'

/** What one count in the ledger says against the sheet it is read with; undefined where no expected count is known. */
export function verdictOfCount(
  sheet: BuildSheet,
  entry: Pick<EntryOf<'count'>, 'loopId' | 'run' | 'rule' | 'counted'>,
): CountVerdict | undefined {
  const loop = sheet.loops.find(({ id }) => id === entry.loopId)
  const marks = loop && countedMarks(sheet, loop, entry.run)
  if (!loop || !marks?.driven.teeth) return undefined
  const solved = solveLoop(sheet, loop)
  const expected = expectedCount(sheet, solved.ok ? solved.value : undefined, marks.from, marks.to)
  if (!expected) return undefined
  const foundPitches = pitchesFromCount({
    counted: entry.counted,
    rule: entry.rule,
    from: marks.fromSeat,
    to: marks.toSeat,
  })
  const { ratio } = marks.shaft
  return judgeCount({ foundPitches, expected, run: entry.run, drivenTeeth: marks.driven.teeth.value, ratio })
}

export const countPitchesOut = (sheet: BuildSheet, entry: EntryOf<'count'>) => verdictOfCount(sheet, entry)?.pitchesOut

interface Readings {
  readonly sheet: BuildSheet
  readonly zeros: Zeros
  readonly camMarks: readonly EntryOf<'camMark'>[]
  readonly valveEvents: readonly EntryOf<'valveEvents'>[]
  readonly counts: readonly EntryOf<'count'>[]
}

/** Per camshaft and phase, everything that was read of its timing, combined. Of one way of reading the last entry counts:
 *  an earlier one of the same phase was a try. */
export function readTiming(readings: Readings): Record<string, Partial<Record<Phase, CamTiming>>> {
  const shafts = readings.sheet.shafts.filter(({ kind }) => kind === 'cam')
  const phases = ['found', 'set', 'left'] as const
  return Object.fromEntries(
    shafts.map(({ id }) => [
      id,
      Object.fromEntries(
        phases.flatMap((phase) => {
          const timing = combineTiming(witnessesOf(readings, id, phase))
          return timing ? [[phase, timing]] : []
        }),
      ),
    ]),
  )
}

function witnessesOf(readings: Readings, shaftId: string, phase: Phase): TimingWitness[] {
  return [
    fromCamMark(readings, shaftId, phase),
    fromEvents(readings, shaftId, phase),
    fromCount(readings, shaftId, phase),
  ].filter((witness) => witness !== undefined)
}

function fromCamMark({ sheet, zeros, camMarks }: Readings, shaftId: string, phase: Phase): TimingWitness | undefined {
  const entry = camMarks.findLast((one) => one.shaftId === shaftId && one.phase === phase)
  const frame = entry && zeroOfEntry(zeros, entry.id)
  const zero = frame?.zero
  if (!entry || !zero) return undefined
  const latenessDeg = camMarkLateness({ wheelDeg: entry.wheelDeg, zero, poseDeg: sheet.referencePose.crankDeg.value })
  const sigmaDeg = Math.hypot(MARK_BY_EYE_SIGMA_DEG, scaleSigmaDeg(frame.scale), zero.sigmaDeg)
  return { kind: 'camMark', entryId: entry.id, latenessDeg, sigmaDeg }
}

/** Lateness of a cam from the crank's place when the cam's mark meets: read minus pose, crank degrees in (-180, 180]. A
 *  crank already past the pose means a late cam (handbook, trap A15). A whole turn out does not show: that is the half. */
export const camMarkLateness = ({
  wheelDeg,
  zero,
  poseDeg,
}: {
  wheelDeg: number
  zero: Pick<Zero, 'wheelDeg'>
  poseDeg: number
}) => wrapToSigned(wheelDeg - zero.wheelDeg - poseDeg, 360)

function fromEvents({ sheet, zeros, valveEvents }: Readings, shaftId: string, phase: Phase): TimingWitness | undefined {
  const entry = valveEvents.findLast(
    (one) => one.phase === phase && sheet.cams.some(({ id, shaftId: on }) => id === one.camId && on === shaftId),
  )
  const frame = entry && zeroOfEntry(zeros, entry.id)
  const zero = frame?.zero
  if (!entry || !zero) return undefined
  const lateness = latenessOfEvents(sheet, zero, entry)
  if (!lateness) return undefined
  const sigmaDeg = Math.hypot(Math.hypot(EVENT_SIGMA_DEG, scaleSigmaDeg(frame.scale)) / Math.SQRT2, zero.sigmaDeg)
  return { kind: 'valveEvents', entryId: entry.id, latenessDeg: lateness.phaseDeg, sigmaDeg }
}

/** Phase and duration of one cam from its opening and closing on the degree wheel; undefined without the book's figures, or
 *  when they were taken at another checking lift than the book's. */
export function latenessOfEvents(
  sheet: BuildSheet,
  zero: Pick<Zero, 'wheelDeg'>,
  entry: Pick<EntryOf<'valveEvents'>, 'camId' | 'opensWheelDeg' | 'closesWheelDeg' | 'checkingLiftMm'>,
) {
  const cam = sheet.cams.find(({ id }) => id === entry.camId)
  const spec = cam && specOf(sheet, cam)
  if (spec?.opens === undefined || spec.closes === undefined) return undefined
  const liftMm = cam?.checkingLiftMm?.value
  const mixed =
    entry.checkingLiftMm !== undefined && liftMm !== undefined && Math.abs(entry.checkingLiftMm - liftMm) > 0.01
  if (mixed) return undefined
  const read = { opensDeg: entry.opensWheelDeg - zero.wheelDeg, closesDeg: entry.closesWheelDeg - zero.wheelDeg }
  return eventLateness(read, { opens: spec.opens, closes: spec.closes })
}

function fromCount({ sheet, counts }: Readings, shaftId: string, phase: Phase): TimingWitness | undefined {
  const entry = counts.findLast((one) => one.phase === phase)
  const loop = entry && sheet.loops.find(({ id }) => id === entry.loopId)
  if (!loop || countedMarks(sheet, loop, entry.run)?.shaft.id !== shaftId) return undefined
  const verdict = verdictOfCount(sheet, entry)
  if (!verdict) return undefined
  const sigmaDeg = COUNT_SIGMA_PITCHES * verdict.toothCrankDeg
  return { kind: 'count', entryId: entry.id, latenessDeg: verdict.latenessDeg, sigmaDeg }
}
