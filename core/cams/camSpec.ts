import type { BuildSheet, Cam } from '../model/buildSheet'
import type { Trust } from '../model/primitives'
import { firingDegOf } from '../cylinders'
import { makeProfile, profileFromTable, type CamProfile } from './profile'

/** One figure of what a cam should be, and where it comes from. */
export interface SpecFigure {
  readonly value: number
  readonly from: 'given' | 'derived'
  /** Of a given one, how far it is trusted. */
  readonly trust: Trust | undefined
}
export type SpecKey = 'opens' | 'closes' | 'duration' | 'centre' | 'topLift' | 'tdcLift'

/** Two ways to one figure that do not agree. */
export interface SpecContradiction {
  readonly key: SpecKey
  readonly given: number
  readonly derived: number
}

export interface CamSpec {
  /** Opening and closing as printed, duration at the checking lift, centre as printed: crank degrees; lifts in mm. */
  readonly figures: Readonly<Partial<Record<SpecKey, SpecFigure>>>
  readonly contradictions: readonly SpecContradiction[]
  readonly profile: CamProfile | undefined
  /** The lobe's centre on the cycle, after firing TDC of the zero cylinder; undefined where that cylinder's own is not known. */
  readonly centreOnCycleDeg: number | undefined
}

/** More apart than this is a contradiction and not rounding: degrees, and of lift a share of it. */
const AGREE_DEG = 1
const AGREE_SHARE = 0.05

const specs = new WeakMap<BuildSheet, Map<string, CamSpec>>()

/** What a cam should be, from whichever figures are known; the rest follows where it can. With a = the event near TDC and b = the one near BDC,
 *  both as printed: duration = a + b + 180, centre = (b + 180 - a) / 2; of an inlet centre = separation - advance, of an exhaust
 *  separation + advance. Lift at TDC by the lobe fitted through the rest. Source: handbook 12. */
export function camSpec(sheet: BuildSheet, cam: Cam): CamSpec {
  const ofSheet = specs.get(sheet) ?? new Map<string, CamSpec>()
  specs.set(sheet, ofSheet)
  const known = ofSheet.get(cam.id)
  if (known) return known
  const fresh = workOut(sheet, cam)
  ofSheet.set(cam.id, fresh)
  return fresh
}

function workOut(sheet: BuildSheet, cam: Cam): CamSpec {
  const inlet = cam.valve === 'inlet'
  const [near, far] = inlet ? [cam.opensDeg, cam.closesDeg] : [cam.closesDeg, cam.opensDeg]
  const byCard =
    sheet.separationDeg && sheet.advanceDeg
      ? sheet.separationDeg.value + (inlet ? -1 : 1) * sheet.advanceDeg.value
      : undefined
  const a = near?.value
  const b = far?.value
  const events = a !== undefined && b !== undefined
  const durationByEvents = events ? a + b + 180 : undefined
  const centreByEvents = events ? (b + 180 - a) / 2 : undefined
  const duration = cam.durationDeg?.value ?? durationByEvents
  const centreKnown = cam.centreDeg?.value ?? centreByEvents ?? byCard
  // One event and the duration place the other; one event and the centre do too, for a lobe alike on both sides.
  const nearDeg =
    a ??
    (duration !== undefined && b !== undefined
      ? duration - 180 - b
      : duration !== undefined && centreKnown !== undefined
        ? duration / 2 - centreKnown
        : undefined)
  const farDeg =
    b ??
    (duration !== undefined && nearDeg !== undefined
      ? duration - 180 - nearDeg
      : nearDeg !== undefined && centreKnown !== undefined
        ? 2 * centreKnown - 180 + nearDeg
        : undefined)
  const nearFull =
    nearDeg ?? (farDeg !== undefined && centreKnown !== undefined ? farDeg + 180 - 2 * centreKnown : undefined)
  const centre =
    centreKnown ?? (nearFull !== undefined && farDeg !== undefined ? (farDeg + 180 - nearFull) / 2 : undefined)
  const durationFull =
    duration ?? (nearFull !== undefined && farDeg !== undefined ? nearFull + farDeg + 180 : undefined)
  const evenHalf = durationFull === undefined ? undefined : durationFull / 2
  const profile = fit(cam, {
    nearHalfDeg: nearFull === undefined || centre === undefined ? evenHalf : nearFull + centre,
    farHalfDeg: farDeg === undefined || centre === undefined ? evenHalf : farDeg + 180 - centre,
  })
  const centreByLift = centre ?? centreFromTdcLift(cam, profile)
  const tdcLift = centreByLift === undefined ? undefined : profile?.liftAt(inlet ? -centreByLift : centreByLift)
  const figure = (given: Cam['opensDeg'], derived: number | undefined): SpecFigure | undefined =>
    given
      ? { value: given.value, from: 'given', trust: given.trust }
      : derived === undefined
        ? undefined
        : { value: derived, from: 'derived', trust: undefined }
  const [opensBy, closesBy] = inlet ? [nearFull, farDeg] : [farDeg, nearFull]
  const all: Record<SpecKey, SpecFigure | undefined> = {
    opens: figure(cam.opensDeg, opensBy),
    closes: figure(cam.closesDeg, closesBy),
    duration: figure(cam.durationDeg, durationFull),
    centre: figure(cam.centreDeg, centreByLift),
    topLift: figure(cam.topLiftMm, profile?.topLiftMm),
    tdcLift: figure(cam.tdcLiftMm, tdcLift),
  }
  const firing = firingDegOf(sheet, cam.cylinderId)
  const turn = sheet.cycleDeg === 720 ? 360 : 0
  return {
    figures: Object.fromEntries(Object.entries(all).filter(([, one]) => one)),
    contradictions: [
      ...apart('duration', cam.durationDeg?.value, durationByEvents, AGREE_DEG),
      ...apart('centre', cam.centreDeg?.value, centreByEvents, AGREE_DEG),
      ...apart('centre', cam.centreDeg?.value ?? centreByEvents, byCard, AGREE_DEG),
      ...apart('tdcLift', cam.tdcLiftMm?.value, tdcLift, AGREE_SHARE * (cam.tdcLiftMm?.value ?? 0) + 0.1),
    ],
    profile,
    centreOnCycleDeg:
      firing === undefined || centreByLift === undefined ? undefined : firing + turn + (inlet ? 1 : -1) * centreByLift,
  }
}

const apart = (
  key: SpecKey,
  given: number | undefined,
  derived: number | undefined,
  most: number,
): SpecContradiction[] =>
  given !== undefined && derived !== undefined && Math.abs(given - derived) > most ? [{ key, given, derived }] : []

/** The lift that the printed events are told at: the checking lift, or what the lash has to be taken up by. */
export const eventLiftMm = (cam: Cam) => cam.checkingLiftMm?.value ?? cam.lashMm?.value

/** Half angles are from the centre to the events near TDC and BDC. */
function fit(
  cam: Cam,
  { nearHalfDeg, farHalfDeg }: { readonly nearHalfDeg: number | undefined; readonly farHalfDeg: number | undefined },
): CamProfile | undefined {
  if (cam.liftTable) {
    const made = profileFromTable(cam.liftTable)
    if (made.ok) return made.value
  }
  const checkingLiftMm = eventLiftMm(cam)
  if (!cam.topLiftMm || checkingLiftMm === undefined || nearHalfDeg === undefined || farHalfDeg === undefined)
    return undefined
  const [opensHalfDeg, closesHalfDeg] = cam.valve === 'inlet' ? [nearHalfDeg, farHalfDeg] : [farHalfDeg, nearHalfDeg]
  const made = makeProfile({ topLiftMm: cam.topLiftMm.value, checkingLiftMm, opensHalfDeg, closesHalfDeg })
  return made.ok ? made.value : undefined
}

function centreFromTdcLift(cam: Cam, profile: CamProfile | undefined): number | undefined {
  if (!profile || !cam.tdcLiftMm) return undefined
  const deg = profile.degAtLift(cam.tdcLiftMm.value, cam.valve === 'inlet' ? 'opening' : 'closing')
  return deg === undefined ? undefined : Math.abs(deg)
}
