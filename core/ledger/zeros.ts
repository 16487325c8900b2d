import { tdcOnOneTurn } from '../cylinders'
import { scaleSigmaDeg } from '../degreeWheel'
import type { BuildSheet } from '../model/buildSheet'
import type { Entry, NewEntry, EntryOf, WheelScale } from '../model/entry'
import { wrapToSigned180 } from '../units'
import {
  combineZero,
  SERVES_DEG,
  pinOffsetShift,
  zeroWays,
  type Found,
  type Zero,
  type ZeroFrame,
  type ZeroReading,
  type ZeroWay,
  type ZeroWayKind,
} from '../zero'
import { wheelFrames, type WheelFrames } from './wheelFrames'

/** Until the degree wheel is described: numbered all round, read to a whole degree. */
export const DEFAULT_SCALE: WheelScale = { kind: 'full', rises: 'running', readToDeg: 1 }
/** Until the dial is described. */
export const DEFAULT_DIAL_MM = 0.01
const AGREE_SIGMAS = 3

/** A reading of the zero as it is about to be written. */
export type ZeroTyped = Extract<NewEntry, { kind: ZeroWayKind }>

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

/** Which zero goes with which line. */
export type ZerosByEntry = Pick<Zeros, 'frames' | 'frameOf' | 'retake'>

/** Every zero of a job, one for each setting of its degree wheel, from all that was read on it. Pure; entries live and in order. `leansOnWheel`: which of
 *  them hold a reading of the wheel. */
export function zerosOf(live: readonly Entry[], sheet: BuildSheet, leansOnWheel: (entry: Entry) => boolean): Zeros {
  const wheel = wheelFrames(live, leansOnWheel)
  const dialReadToMm = live.findLast((entry) => entry.kind === 'dial')?.readToMm ?? DEFAULT_DIAL_MM
  const onFrame = wheel.frames.map((): Entry[] => [])
  for (const entry of live) {
    const frame = wheel.frameOf.get(entry.id)
    if (frame !== undefined && !wheel.retake.has(entry.id)) onFrame[frame]?.push(entry)
  }
  const unplaced: string[] = []
  const frames: FrameZero[] = []
  wheel.frames.forEach(({ fitted, knock }, i) => {
    const scale = fitted?.scale ?? DEFAULT_SCALE
    const entries = onFrame[i] ?? []
    const found = readingsOn(entries, { sheet, wheelSigmaAt: (deg) => scaleSigmaDeg(scale, deg), dialReadToMm })
    unplaced.push(...found.unplaced)
    const before = knock && frames[i - 1]
    frames.push({
      scale,
      ...carryOn({ own: found.readings, entries, live, scale, before, servesDeg: servesOf(sheet) }),
    })
  })
  const leaning = (frame: number) => live.filter(({ id }) => wheel.frameOf.get(id) === frame).map(({ id }) => id)
  return {
    ...wheel,
    frames,
    ...lifeOf(wheel, frames, leaning),
    stopStayedIn: stopStayedIn(live),
    unplaced,
    dialReadToMm,
  }
}

/** The zero that a reading is taken against: that of its own setting of the wheel; undefined when it has to be taken again. */
export function zeroOfEntry({ frames, frameOf, retake }: ZerosByEntry, entryId: string): FrameZero | undefined {
  const frame = frameOf.get(entryId)
  return frame === undefined || retake.has(entryId) ? undefined : frames[frame]
}

/** What the readings of one setting of the wheel say, brought to the zero cylinder; those of a cylinder whose place is not known wait for it. */
function readingsOn(
  entries: readonly Entry[],
  bench: ZeroFrame,
): { readonly readings: readonly ZeroReading[]; readonly unplaced: readonly string[] } {
  const byKind = new Map<string, Entry[]>()
  for (const entry of entries) {
    const alike = byKind.get(entry.kind)
    if (alike) alike.push(entry)
    else byKind.set(entry.kind, [entry])
  }
  const order = new Map(entries.map(({ id }, i) => [id, i]))
  const found = Object.entries(zeroWays).flatMap(([kind, way]) =>
    (way as ZeroWay<ZeroWayKind>).readings((byKind.get(kind) ?? []) as Found<ZeroWayKind>[], bench),
  )
  found.sort((a, b) => (order.get(a.entryId) ?? 0) - (order.get(b.entryId) ?? 0))
  const placed = found.map((reading) => ({ reading, at: place(bench.sheet, reading) }))
  return {
    readings: placed.flatMap(({ at }) => at ?? []),
    unplaced: placed.flatMap(({ reading, at }) => (at ? [] : [reading.entryId])),
  }
}

/** What readings that are still being typed would say by themselves, on a setting of the wheel, with every correction that a written one has. Undefined
 *  when they say nothing, or are of a cylinder whose place is not known. */
export function zeroAsTyped(
  sheet: BuildSheet,
  { scale = DEFAULT_SCALE, dialReadToMm }: { readonly scale: WheelScale | undefined; readonly dialReadToMm: number },
  read: ZeroTyped,
): ZeroReading | undefined {
  const bench: ZeroFrame = { sheet, wheelSigmaAt: (deg) => scaleSigmaDeg(scale, deg), dialReadToMm }
  const way = zeroWays[read.kind as ZeroWayKind] as ZeroWay<ZeroWayKind>
  const [reading] = way.readings([Object.assign({ id: 'typed' }, read)], bench)
  return reading && place(sheet, reading)
}

/** Brought from its own cylinder's TDC to the zero cylinder's, and rid of what the pin offset does. */
function place(sheet: BuildSheet, reading: ZeroReading): ZeroReading | undefined {
  const toZero = reading.cylinderId === sheet.zeroCylinderId ? 0 : tdcOnOneTurn(sheet, reading.cylinderId)
  if (toZero === undefined) return undefined
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
  servesDeg,
}: {
  own: readonly ZeroReading[]
  entries: readonly Entry[]
  live: readonly Entry[]
  scale: WheelScale
  before: FrameZero | undefined
  servesDeg: number
}): Pick<FrameZero, 'readings' | 'zero'> {
  const again = entries.findLast((entry) => entry.kind === 'contactAgain')
  const first = again && live.find((entry) => entry.kind === 'stopContacts' && entry.id === again.ofEntryId)
  if (!before?.zero || first?.kind !== 'stopContacts' || !again)
    return { readings: own, zero: combineZero(own, servesDeg) }
  const slipDeg = wrapToSigned180(again.wheelDeg - (again.which === 'first' ? first.firstDeg : first.secondDeg))
  const slipSigma = scaleSigmaDeg(scale, again.wheelDeg) * Math.SQRT2
  if (Math.abs(slipDeg) <= AGREE_SIGMAS * slipSigma) {
    const readings = [...before.readings, ...own]
    return { readings, zero: combineZero(readings, servesDeg) }
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
  const zero = combineZero(readings, servesDeg)
  // What proved the zero before the slip is the second witness.
  const secondWitness = zero?.lacks === 'witness' && before.zero.proved && zero.plusMinusDeg <= servesDeg
  return { readings, zero: secondWitness ? { ...zero, proved: true, lacks: 'nothing' } : zero }
}

/** The ± that serves an engine: what its cams may be out by, and never more than half of its trim. Degrees. */
const servesOf = ({ toleranceDeg, trimDeg }: BuildSheet): number =>
  Math.min(toleranceDeg?.value ?? Infinity, trimDeg ? trimDeg.value / 2 : SERVES_DEG)

function lifeOf(
  wheel: WheelFrames,
  frames: readonly FrameZero[],
  leaningOn: (frame: number) => readonly string[],
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
  return { life: 'slipped', slip: { knockId: knock.id, slipDeg, sigmaDeg, leaning: leaningOn(last - 1) } }
}

/** The last contacts of a stop that has not been out since. */
export function stopStayedIn(live: readonly Entry[]): EntryOf<'stopContacts'> | undefined {
  const at = live.findLastIndex((entry) => entry.kind === 'stopContacts')
  const contacts = live[at]
  const moved = live.slice(at).some((entry) => entry.kind === 'item' && entry.item === 'stop')
  const isIn = live.findLast((entry) => entry.kind === 'item' && entry.item === 'stop')
  if (contacts?.kind !== 'stopContacts' || moved || isIn?.kind !== 'item' || isIn.change !== 'in') return undefined
  return contacts
}
