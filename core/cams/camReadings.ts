import type { BuildSheet, Cam } from '../model/buildSheet'
import { ratioOfShaft } from '../drive'
import { degFromRad, planeSign, ratioValue, wrapToCycle, wrapToSigned } from '../units'
import { camSpec, eventLiftMm } from './camSpec'
import { convertEvent, type Flank } from './profile'

/** A lateness as one reading gives it: crank degrees, + = late, one sigma. */
export interface CamLateness {
  readonly latenessDeg: number
  readonly sigmaDeg: number
}
/** Why a reading says nothing of lateness yet. */
export type NotSaid = 'noZero' | 'noSpec' | 'noProfile' | 'outsideLobe' | 'twoCamshafts' | 'noClock' | 'noRadius'

export type ReadLateness<T extends CamLateness = CamLateness> = T | NotSaid
export const isSaid = <T extends CamLateness>(read: ReadLateness<T>): read is T => typeof read !== 'string'

/** What a dial is read to, one sigma, mm. Common practice, no source. */
const DIAL_SIGMA_MM = 0.02
/** A stand-in lobe's lift off its events may be wrong by so much of the way from the event, one sigma. Common practice, no source. */
const LOBE_SIGMA_SHARE = 0.03
/** A gauge held against a pin, slot or flat, one sigma, mm. Common practice, no source. */
const GAUGE_SIGMA_MM = 0.1

interface Bench {
  readonly sheet: BuildSheet
  /** Where true TDC of the zero cylinder stands on the wheel, and its sigma. */
  readonly zero: { readonly wheelDeg: number; readonly sigmaDeg: number }
  /** Of one reading of the wheel. */
  readonly wheelSigmaDeg: number
}

export interface EventRead {
  readonly opensWheelDeg: number
  readonly closesWheelDeg: number
  /** The lift they were read at, where it is not the book's. */
  readonly liftMm?: number | undefined
}
export interface EventsLateness extends CamLateness {
  readonly opensLateDeg: number
  readonly closesLateDeg: number
  /** Closing less opening lateness: what lash, wear or another lift does; its sigma. */
  readonly durationDeg: number
  readonly durationSigmaDeg: number
  /** Read at another lift than the book's and converted by the lobe. */
  readonly converted: boolean
}

/** Lateness from an opening and a closing. Read at another lift than the book's they are converted through the lobe, with what that may be wrong
 *  by; without a lobe they are refused and never compared. Source: handbook 12. */
export function latenessFromEvents(
  { sheet, zero, wheelSigmaDeg }: Bench,
  cam: Cam,
  read: EventRead,
  eventSigmaDeg: number,
): ReadLateness<EventsLateness> {
  const { figures, profile, centreOnCycleDeg } = camSpec(sheet, cam)
  if (!figures.opens || !figures.closes || centreOnCycleDeg === undefined) return 'noSpec'
  const bookMm = eventLiftMm(cam)
  const differs = read.liftMm !== undefined && bookMm !== undefined && Math.abs(read.liftMm - bookMm) > 0.005
  const shift = (flank: Flank) =>
    differs && profile ? convertEvent(profile, flank, { fromMm: read.liftMm ?? 0, toMm: bookMm ?? 0 }) : undefined
  const [opening, closing] = [shift('opening'), shift('closing')]
  if (differs && !profile) return 'noProfile'
  if (differs && (!opening || !closing)) return 'outsideLobe'
  const inlet = cam.valve === 'inlet'
  const firing = centreOnCycleDeg - (inlet ? 1 : -1) * (figures.centre?.value ?? 0) - 360
  const [openAt, closeAt] = inlet ? [360, 540] : [180, 360]
  const late = (wheelDeg: number, laterDeg: number, specDeg: number) =>
    wrapToSigned(wheelDeg - zero.wheelDeg + laterDeg - firing - specDeg, 360)
  const opensLateDeg = late(read.opensWheelDeg, opening?.laterDeg ?? 0, openAt - figures.opens.value)
  const closesLateDeg = late(read.closesWheelDeg, closing?.laterDeg ?? 0, closeAt + figures.closes.value)
  const one = Math.hypot(eventSigmaDeg, wheelSigmaDeg)
  const converted = (opening?.sigmaDeg ?? 0) + (closing?.sigmaDeg ?? 0)
  return {
    opensLateDeg,
    closesLateDeg,
    latenessDeg: (opensLateDeg + closesLateDeg) / 2,
    durationDeg: closesLateDeg - opensLateDeg,
    sigmaDeg: Math.hypot(one / Math.SQRT2, converted / 4, zero.sigmaDeg),
    durationSigmaDeg: Math.hypot(one * Math.SQRT2, converted),
    converted: differs,
  }
}

export interface LiftPair {
  readonly liftMm: number
  readonly upDeg: number
  readonly downDeg: number
}
export interface CentreLateness extends CamLateness {
  /** The middle of each pair less the first one's, crank degrees: a lobe that is not alike on both sides drifts. */
  readonly driftsDeg: readonly number[]
}

/** Lateness of a lobe's centre from equal lifts either side of its top, never from where the needle stops. With the lobe known each pair's
 *  middle is compared with the lobe's own at that lift; without, with the centre. Pairs are weighed by how steep the lobe is there.
 *  Source: handbook 12. */
export function latenessFromCentre(
  { sheet, zero, wheelSigmaDeg }: Bench,
  cam: Cam,
  pairs: readonly LiftPair[],
): ReadLateness<CentreLateness> {
  const { profile, centreOnCycleDeg } = camSpec(sheet, cam)
  if (centreOnCycleDeg === undefined || pairs.length === 0) return 'noSpec'
  const middles = pairs.map(({ liftMm, upDeg, downDeg }) => {
    const half = wrapToCycle(downDeg - upDeg, 360) / 2
    const middleDeg = wrapToSigned(upDeg + half - zero.wheelDeg - centreOnCycleDeg, 360)
    const [up, down] = [profile?.degAtLift(liftMm, 'opening'), profile?.degAtLift(liftMm, 'closing')]
    const own = up === undefined || down === undefined ? 0 : (up + down) / 2
    // Without a lobe: a parabola of that height and width is steep enough to tell by.
    const slope = up === undefined ? liftMm / Math.max(half, 1) : Math.abs(profile?.slopeAt(up) ?? 0)
    const sigmaDeg = Math.hypot(wheelSigmaDeg, DIAL_SIGMA_MM / Math.max(slope, 1e-4)) / Math.SQRT2
    return { middleDeg: middleDeg - own, sigmaDeg }
  })
  const total = middles.reduce((sum, { sigmaDeg }) => sum + sigmaDeg ** -2, 0)
  const first = middles[0]?.middleDeg ?? 0
  const shift = middles.reduce(
    (sum, { middleDeg, sigmaDeg }) => sum + wrapToSigned(middleDeg - first, 360) / sigmaDeg ** 2,
    0,
  )
  return {
    latenessDeg: wrapToSigned(first + shift / total, 360),
    sigmaDeg: Math.hypot(1 / Math.sqrt(total), zero.sigmaDeg),
    driftsDeg: middles.map(({ middleDeg }) => wrapToSigned(middleDeg - first, 360)),
  }
}

/** Lateness from the lift at overlap TDC: an inlet that is late has opened less, an exhaust that is late has closed less. Source: the lobe as fitted. */
export function latenessFromTdcLift(
  { sheet, zero }: Pick<Bench, 'sheet' | 'zero'>,
  cam: Cam,
  liftMm: number,
): ReadLateness {
  const { figures, profile } = camSpec(sheet, cam)
  if (!profile) return 'noProfile'
  if (!figures.centre) return 'noSpec'
  const inlet = cam.valve === 'inlet'
  const tdcDeg = profile.degAtLift(liftMm, inlet ? 'opening' : 'closing')
  if (tdcDeg === undefined || liftMm < 1e-6) return 'outsideLobe'
  // The book's own lift at TDC is a better start than the lobe's.
  const bookMm = figures.tdcLift?.from === 'given' ? figures.tdcLift.value : undefined
  const bookDeg = bookMm === undefined ? undefined : profile.degAtLift(bookMm, inlet ? 'opening' : 'closing')
  const specDeg = bookDeg ?? (inlet ? -figures.centre.value : figures.centre.value)
  const slope = Math.abs(profile.slopeAt(tdcDeg))
  const latenessDeg = specDeg - tdcDeg + 0
  const lobe = bookDeg === undefined ? 0.6 : Math.abs(latenessDeg) * LOBE_SIGMA_SHARE
  return { latenessDeg, sigmaDeg: Math.hypot(DIAL_SIGMA_MM / Math.max(slope, 1e-4), lobe, zero.sigmaDeg) }
}

/** Lateness from both valves of a cylinder at overlap TDC, where one camshaft carries both lobes: exhaust lift less inlet lift over the sum of
 *  their slopes, less what the book's lobes have there. Two camshafts leave two answers, and it says so. Source: handbook 12. */
export function latenessFromRocking(
  { sheet, zero }: Pick<Bench, 'sheet' | 'zero'>,
  { inlet, exhaust }: { readonly inlet: Cam; readonly exhaust: Cam },
  read: { readonly inletMm: number; readonly exhaustMm: number },
): ReadLateness {
  if (inlet.shaftId !== exhaust.shaftId) return 'twoCamshafts'
  const rocks = rockingOf(sheet, inlet, exhaust)
  if (typeof rocks === 'string') return rocks
  const { inletMm, exhaustMm, slope } = rocks
  const latenessDeg = (read.exhaustMm - read.inletMm - (exhaustMm - inletMm)) / slope
  const lobe = Math.abs(latenessDeg) * LOBE_SIGMA_SHARE
  return { latenessDeg, sigmaDeg: Math.hypot((DIAL_SIGMA_MM * Math.SQRT2) / slope, lobe, zero.sigmaDeg) }
}

/** Lateness from where on the wheel both valves stand equally open, against where the book's lobes do: "so many degrees past rocking". */
export function latenessFromEqualLift(
  { sheet, zero, wheelSigmaDeg }: Bench,
  { inlet, exhaust }: { readonly inlet: Cam; readonly exhaust: Cam },
  wheelDeg: number,
  eventSigmaDeg: number,
): ReadLateness {
  if (inlet.shaftId !== exhaust.shaftId) return 'twoCamshafts'
  const rocks = rockingOf(sheet, inlet, exhaust)
  if (typeof rocks === 'string') return rocks
  const equalDeg = (rocks.exhaustMm - rocks.inletMm) / rocks.slope
  const overlap = (camSpec(sheet, inlet).centreOnCycleDeg ?? 0) - (camSpec(sheet, inlet).figures.centre?.value ?? 0)
  return {
    latenessDeg: wrapToSigned(wheelDeg - zero.wheelDeg - overlap - equalDeg, 360),
    sigmaDeg: Math.hypot(eventSigmaDeg, wheelSigmaDeg, zero.sigmaDeg),
  }
}

/** What the book's lobes lift at overlap TDC, and the sum of their slopes there, taken positive. */
function rockingOf(sheet: BuildSheet, inlet: Cam, exhaust: Cam) {
  const [i, e] = [camSpec(sheet, inlet), camSpec(sheet, exhaust)]
  if (!i.profile || !e.profile) return 'noProfile' as const
  if (!i.figures.centre || !e.figures.centre) return 'noSpec' as const
  const [atIn, atEx] = [-i.figures.centre.value, e.figures.centre.value]
  const slope = Math.abs(i.profile.slopeAt(atIn)) + Math.abs(e.profile.slopeAt(atEx))
  if (slope < 1e-4) return 'outsideLobe' as const
  return {
    inletMm: i.figures.tdcLift?.value ?? i.profile.liftAt(atIn),
    exhaustMm: e.figures.tdcLift?.value ?? e.profile.liftAt(atEx),
    slope,
  }
}

/** Lateness from a pin, slot or flat of a camshaft that stands off its place, crank at the pose: asin(off / radius) on the shaft. */
export function latenessFromGauge(
  { sheet, zero }: Pick<Bench, 'sheet' | 'zero'>,
  shaftId: string,
  { offMm, radiusMm }: { readonly offMm: number; readonly radiusMm: number },
): ReadLateness {
  const shaft = sheet.shafts.find(({ id }) => id === shaftId)
  const ratio = shaft && Math.abs(ratioValue(ratioOfShaft(sheet, shaft)))
  if (!ratio || radiusMm <= 0 || Math.abs(offMm) > radiusMm) return 'noRadius'
  const perMm = degFromRad(1) / radiusMm / ratio
  return {
    latenessDeg: degFromRad(Math.asin(offMm / radiusMm)) / ratio,
    sigmaDeg: Math.hypot(GAUGE_SIGMA_MM * perMm, zero.sigmaDeg),
  }
}

/** Where a lobe should point with the crank so many degrees on its cycle: hours of a clock seen from the timing side, [0, 12). Undefined
 *  without the place it points to at full lift, or its centre. */
export function lobeHour(sheet: BuildSheet, cam: Cam, crankDeg: number): number | undefined {
  const { centreOnCycleDeg } = camSpec(sheet, cam)
  const shaft = sheet.shafts.find(({ id }) => id === cam.shaftId)
  if (centreOnCycleDeg === undefined || !cam.fullLiftClock || !shaft) return undefined
  return wrapToCycle(cam.fullLiftClock.value + hoursPerDeg(sheet, cam) * (crankDeg - centreOnCycleDeg), 12)
}

/** Lateness from where a lobe was seen to point: coarse, and over the whole cycle, so that it tells a cam half a turn out. */
export function latenessFromClock(
  sheet: BuildSheet,
  cam: Cam,
  { crankDeg, hour, sureToHours }: { readonly crankDeg: number; readonly hour: number; readonly sureToHours: number },
): ReadLateness {
  const should = lobeHour(sheet, cam, crankDeg)
  if (should === undefined) return cam.fullLiftClock ? 'noSpec' : 'noClock'
  const perDeg = hoursPerDeg(sheet, cam)
  return {
    latenessDeg: (0 - wrapToSigned(hour - should, 12)) / perDeg,
    sigmaDeg: sureToHours / 2 / Math.abs(perDeg),
  }
}

/** Hours that a lobe turns clockwise, seen from the timing side, for one degree of the crank. */
function hoursPerDeg(sheet: BuildSheet, cam: Cam): number {
  const shaft = sheet.shafts.find(({ id }) => id === cam.shaftId)
  const ratio = shaft ? ratioValue(ratioOfShaft(sheet, shaft)) : 0.5
  return (-planeSign(sheet.running?.value ?? 'clockwise') * ratio) / 30
}
