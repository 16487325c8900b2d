import { tdcOnOneTurn } from '../cylinders'
import { scaleSigmaDeg } from '../degreeWheel'
import type { BuildSheet } from '../model/buildSheet'
import type { Entry, EntryOf, FeelTool, WheelScale } from '../model/entry'
import { wrapToSigned180 } from '../units'
import {
  combineZero,
  dialReadingSigmaDeg,
  meanOfDwells,
  pinOffsetShift,
  tdcFromPair,
  type Zero,
  type ZeroReading,
} from '../zero'
import { isWheelEntry, wheelFrames, type WheelFrames } from './wheelFrames'

/** Until the degree wheel is described: numbered all round, read to a whole degree. */
export const DEFAULT_SCALE: WheelScale = { kind: 'full', rises: 'running', readToDeg: 1 }
/** Until the dial is described. */
export const DEFAULT_DIAL_MM = 0.01
/** How well a mark against its pointer is read by eye, one sigma, crank degrees. Common practice, no source. */
export const FACTORY_MARK_SIGMA_DEG = 0.5
/** Readings of one set-up stand within this of each other: a stop moved to another depth is another set-up. */
const SAME_SET_UP_DEG = 1.5
/** A felt dwell may be short. */
const LEAST_DWELL_DEG = 1
const AGREE_SIGMAS = 3

export interface FrameZero {
  readonly scale: WheelScale
  readonly readings: readonly ZeroReading[]
  readonly zero: Zero | undefined
}

/** How the zero stands: not found; found and undisturbed; disturbed and not read again; read again and slipped. */
export type ZeroLife = 'none' | 'holds' | 'inDoubt' | 'slipped'

export interface Slip {
  readonly knockId: string
  /** New zero less old, wheel degrees, + = it now reads more. */
  readonly slipDeg: number
  readonly sigmaDeg: number
  /** Readings of the setting before, oldest first: any of them may have been taken after the slip. */
  readonly leaning: readonly string[]
}

export interface Zeros extends Pick<WheelFrames, 'frameOf' | 'retake'> {
  readonly frames: readonly FrameZero[]
  readonly life: ZeroLife
  /** A slip that was found and whose leaning readings wait for a decision. */
  readonly slip: Slip | undefined
  /** The last contacts of a stop that has not been out since. */
  readonly stopStayedIn: EntryOf<'stopContacts'> | undefined
  /** Readings of a cylinder whose place on the crank is not known: they wait for it. */
  readonly unplaced: readonly string[]
  readonly dialReadToMm: number
}

/** Every zero of a job, one for each setting of its degree wheel, from all that was read on it. Pure; entries live and in order. */
export function readZeros(live: readonly Entry[], sheet: BuildSheet): Zeros {
  const wheel = wheelFrames(live)
  const dialReadToMm = live.findLast((entry) => entry.kind === 'dial')?.readToMm ?? DEFAULT_DIAL_MM
  const unplaced: string[] = []
  const frames: FrameZero[] = []
  wheel.frames.forEach(({ fitted, knock }, i) => {
    const scale = fitted?.scale ?? DEFAULT_SCALE
    const entries = live.filter(
      (entry) => isWheelEntry(entry) && wheel.frameOf.get(entry.id) === i && !wheel.retake.has(entry.id),
    )
    const own = readingsOf({ entries, sheet, scale, dialReadToMm, unplaced })
    frames.push({ scale, ...carryOn({ own, entries, live, scale, before: knock && frames[i - 1] }) })
  })
  return { ...wheel, frames, ...lifeOf(wheel, frames, live), stopStayedIn: stopStayedIn(live), unplaced, dialReadToMm }
}

/** The zero that a reading is taken against: that of its own setting of the wheel; undefined when it has to be taken again. */
export function zeroOfEntry({ frames, frameOf, retake }: Zeros, entryId: string): FrameZero | undefined {
  const frame = frameOf.get(entryId)
  return frame === undefined || retake.has(entryId) ? undefined : frames[frame]
}

interface Source {
  readonly entries: readonly Entry[]
  readonly sheet: BuildSheet
  readonly scale: WheelScale
  readonly dialReadToMm: number
  readonly unplaced: string[]
}

function readingsOf(source: Source): ZeroReading[] {
  const readings: ZeroReading[] = []
  for (const entry of source.entries) {
    const reading = readingOf(entry, source, readings)
    if (reading) readings.push(reading)
  }
  return [...readings, ...dwellReadings(source)]
}

function readingOf(entry: Entry, source: Source, before: readonly ZeroReading[]): ZeroReading | undefined {
  const wheelSigmaDeg = scaleSigmaDeg(source.scale)
  if (entry.kind === 'factoryMark') return claimOf(entry, source)
  if (entry.kind !== 'stopContacts' && entry.kind !== 'dialPair') return undefined
  const isDial = entry.kind === 'dialPair'
  const [firstDeg, secondDeg] = isDial ? [entry.beforeDeg, entry.afterDeg] : [entry.firstDeg, entry.secondDeg]
  const half = Math.abs(wrapToSigned180(secondDeg - firstDeg)) / 2
  const sigmaDeg = isDial
    ? dialReadingSigmaDeg({
        wheelSigmaDeg,
        readToMm: source.dialReadToMm,
        dropMm: entry.dropMm,
        halfSpanDeg: Math.max(half, 0.5),
      })
    : wheelSigmaDeg
  const found = tdcFromPair({ firstDeg, secondDeg, sigmaDeg })
  if (!found.ok) return undefined
  const { halfSpanDeg } = found.value
  const method = isDial ? 'dial' : 'positiveStop'
  const same = before.find(
    (one) =>
      one.method === method &&
      one.cylinderId === entry.cylinderId &&
      Math.abs((one.halfSpanDeg ?? 0) - halfSpanDeg) < SAME_SET_UP_DEG,
  )
  return placed(source, {
    entryId: entry.id,
    method,
    cylinderId: entry.cylinderId,
    wheelDeg: found.value.wheelDeg,
    sigmaDeg: found.value.sigmaDeg,
    halfSpanDeg,
    setUp: same?.setUp ?? `${method} ${entry.cylinderId} ${halfSpanDeg}`,
    ...(isDial ? { dropMm: entry.dropMm, approach: entry.approach } : {}),
  })
}

/** A mark that claims a place is tested as one; castings, assembly marks and unknown ones claim nothing. */
function claimOf(entry: EntryOf<'factoryMark'>, source: Source): ZeroReading | undefined {
  const mark = source.sheet.rimMarks.find(({ id }) => id === entry.markId)
  if (mark && ['assembly', 'casting', 'unknown'].includes(mark.cutFor)) return undefined
  const sigmaDeg = Math.hypot(FACTORY_MARK_SIGMA_DEG, scaleSigmaDeg(source.scale))
  const { id, cylinderId, wheelDeg, claimDeg } = entry
  return placed(source, {
    entryId: id,
    method: 'factoryMark',
    cylinderId,
    wheelDeg: wheelDeg - claimDeg,
    sigmaDeg,
    setUp: 'factoryMark',
  })
}

/** All dwells of one tool on one cylinder are one reading: their mean. */
function dwellReadings(source: Source): ZeroReading[] {
  const groups = new Map<string, { tool: FeelTool; cylinderId: string; entryId: string; middlesDeg: number[] }>()
  for (const entry of source.entries) {
    if (entry.kind !== 'dwell') continue
    const { beforeDeg, afterDeg, tool, cylinderId, id } = entry
    const found = tdcFromPair({ firstDeg: beforeDeg, secondDeg: afterDeg, sigmaDeg: 0 }, LEAST_DWELL_DEG)
    if (!found.ok) continue
    const key = `dwell ${cylinderId} ${tool}`
    const group = groups.get(key) ?? { tool, cylinderId, entryId: id, middlesDeg: [] }
    groups.set(key, { ...group, entryId: id, middlesDeg: [...group.middlesDeg, found.value.wheelDeg] })
  }
  return [...groups].flatMap(([setUp, { tool, cylinderId, entryId, middlesDeg }]) => {
    const mean = meanOfDwells({ middlesDeg, tool, wheelSigmaDeg: scaleSigmaDeg(source.scale) })
    const reading = mean && placed(source, { entryId, method: 'dwell', cylinderId, setUp, ...mean })
    return reading ? [reading] : []
  })
}

/** Brought from its own cylinder's TDC to the zero cylinder's, and rid of what the pin offset does. */
function placed({ sheet, unplaced }: Source, reading: ZeroReading): ZeroReading | undefined {
  const toZero = reading.cylinderId === sheet.zeroCylinderId ? 0 : tdcOnOneTurn(sheet, reading.cylinderId)
  if (toZero === undefined) {
    unplaced.push(reading.entryId)
    return undefined
  }
  const offsetShiftDeg = reading.halfSpanDeg === undefined ? undefined : offsetShift(sheet, reading.halfSpanDeg)
  return { ...reading, wheelDeg: reading.wheelDeg - toZero - (offsetShiftDeg ?? 0), offsetShiftDeg }
}

function offsetShift({ strokeMm, rodMm, pinOffsetMm }: BuildSheet, halfSpanDeg: number): number | undefined {
  if (!strokeMm || !rodMm || !pinOffsetMm) return undefined
  return pinOffsetShift({ strokeMm: strokeMm.value, rodMm: rodMm.value, pinOffsetMm: pinOffsetMm.value }, halfSpanDeg)
}

/** After a knock one contact of a stop that stayed in carries the old zero on: unmoved when it reads as before, else shifted. */
function carryOn({
  own,
  entries,
  live,
  scale,
  before,
}: {
  own: readonly ZeroReading[]
  entries: readonly Entry[]
  live: readonly Entry[]
  scale: WheelScale
  before: FrameZero | undefined
}): Pick<FrameZero, 'readings' | 'zero'> {
  const again = entries.findLast((entry) => entry.kind === 'contactAgain')
  const first = again && live.find((entry) => entry.kind === 'stopContacts' && entry.id === again.ofEntryId)
  if (!before?.zero || first?.kind !== 'stopContacts' || !again) return { readings: own, zero: combineZero(own) }
  const slipDeg = wrapToSigned180(again.wheelDeg - (again.which === 'first' ? first.firstDeg : first.secondDeg))
  const slipSigma = scaleSigmaDeg(scale) * Math.SQRT2
  if (Math.abs(slipDeg) <= AGREE_SIGMAS * slipSigma) {
    const readings = [...before.readings, ...own]
    return { readings, zero: combineZero(readings) }
  }
  const carried: ZeroReading = {
    entryId: again.id,
    method: 'positiveStop',
    cylinderId: first.cylinderId,
    setUp: 'carried on',
    wheelDeg: before.zero.wheelDeg + slipDeg,
    sigmaDeg: Math.hypot(before.zero.sigmaDeg, slipSigma),
  }
  const readings = [carried, ...own]
  const zero = combineZero(readings)
  return {
    readings,
    zero: zero && { ...zero, proved: zero.misfits.length === 0 && (zero.proved || before.zero.proved) },
  }
}

function lifeOf(
  wheel: WheelFrames,
  frames: readonly FrameZero[],
  live: readonly Entry[],
): { life: ZeroLife; slip: Slip | undefined } {
  const last = frames.length - 1
  const [now, before] = [frames[last]?.zero, frames[last - 1]?.zero]
  const knock = wheel.frames[last]?.knock
  if (!knock || !before) return { life: now ? 'holds' : 'none', slip: undefined }
  if (!now) return { life: 'inDoubt', slip: undefined }
  const slipDeg = wrapToSigned180(now.wheelDeg - before.wheelDeg)
  const sigmaDeg = Math.hypot(now.sigmaDeg, before.sigmaDeg)
  if (Math.abs(slipDeg) <= AGREE_SIGMAS * sigmaDeg || wheel.settled.has(knock.id))
    return { life: 'holds', slip: undefined }
  const leaning = live
    .filter((entry) => isWheelEntry(entry) && wheel.frameOf.get(entry.id) === last - 1)
    .map(({ id }) => id)
  return { life: 'slipped', slip: { knockId: knock.id, slipDeg, sigmaDeg, leaning } }
}

function stopStayedIn(live: readonly Entry[]): EntryOf<'stopContacts'> | undefined {
  const at = live.findLastIndex((entry) => entry.kind === 'stopContacts')
  const contacts = live[at]
  const moved = live.slice(at).some((entry) => entry.kind === 'item' && entry.item === 'stop')
  const isIn = live.findLast((entry) => entry.kind === 'item' && entry.item === 'stop')
  if (contacts?.kind !== 'stopContacts' || moved || isIn?.kind !== 'item' || isIn.change !== 'in') return undefined
  return contacts
}
