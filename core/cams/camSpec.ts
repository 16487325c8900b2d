import type { BuildSheet, Cam } from '../model/buildSheet'
import type { Trust } from '../model/primitives'
import { firingDegOf } from '../cylinders'
import { oncePerSheet } from '../sheet'
import { lobeFamily, type Lobe, type LobeFigures } from './lobeFamily'
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
  /** Lobes of every shape that the figures leave open, member by member; undefined where a lift table says it, or where they are not known. */
  readonly family: readonly Lobe[] | undefined
  /** The same with a top lift that nobody told. */
  readonly withTop: ((topLiftMm: number) => LobeFigures) | undefined
  /** The lobe's centre on the cycle, after firing TDC of the zero cylinder; undefined where that cylinder's own is not known. */
  readonly centreOnCycleDeg: number | undefined
}

/** More apart than this is a contradiction and not rounding: degrees, and of lift a share of it. */
const AGREE_DEG = 1
const AGREE_SHARE = 0.05

/** Of each cam of a sheet, worked out when it is first asked for. */
const specsOf = oncePerSheet(() => new Map<Cam, CamSpec>())

/** What a cam should be, from whichever figures are known; the rest follows where it can. With a = the event near TDC and b = the one near BDC,
 *  both as printed: duration = a + b + 180, centre = (b + 180 - a) / 2; of an inlet centre = separation - advance, of an exhaust
 *  separation + advance. Lift at TDC by the lobe fitted through the rest. Source: handbook 12. */
export function camSpec(sheet: BuildSheet, cam: Cam): CamSpec {
  const specs = specsOf(sheet)
  const known = specs.get(cam)
  if (known) return known
  const fresh = workOut(sheet, cam)
  specs.set(cam, fresh)
  return fresh
}

/** Degrees: the events near TDC and near BDC as printed, how long it is open, the centre as printed, and the centre that the cam card gives. */
type Angles = Readonly<Partial<Record<'near' | 'far' | 'duration' | 'centre' | 'card', number>>>

interface Rule {
  readonly gives: keyof Angles
  readonly from: readonly (keyof Angles)[]
  readonly by: (...known: readonly number[]) => number
}
const rule = (gives: Rule['gives'], from: Rule['from'], by: (...known: number[]) => number): Rule => ({
  gives,
  from,
  by,
})

/** What follows from what, the surest first. The second for `near` takes the lobe as alike on both sides. */
const RULES: readonly Rule[] = [
  rule('centre', ['near', 'far'], (near = 0, far = 0) => (far + 180 - near) / 2),
  rule('centre', ['card'], (card = 0) => card),
  rule('duration', ['near', 'far'], (near = 0, far = 0) => near + far + 180),
  rule('near', ['duration', 'far'], (duration = 0, far = 0) => duration - 180 - far),
  rule('near', ['duration', 'centre'], (duration = 0, centre = 0) => duration / 2 - centre),
  rule('far', ['duration', 'near'], (duration = 0, near = 0) => duration - 180 - near),
  rule('far', ['near', 'centre'], (near = 0, centre = 0) => 2 * centre - 180 + near),
  rule('near', ['far', 'centre'], (far = 0, centre = 0) => far + 180 - 2 * centre),
]

/** Everything that follows, by the rules applied until nothing changes. What is known already is never worked out again. */
function complete(known: Angles): Angles {
  for (const { gives, from, by } of RULES) {
    const inputs = from.flatMap((key) => known[key] ?? [])
    if (known[gives] === undefined && inputs.length === from.length)
      return complete({ ...known, [gives]: by(...inputs) })
  }
  return known
}

const onlyKnown = (angles: Readonly<Record<keyof Angles, number | undefined>>): Angles =>
  Object.fromEntries(Object.entries(angles).filter(([, value]) => value !== undefined))

function workOut(sheet: BuildSheet, cam: Cam): CamSpec {
  const inlet = cam.valve === 'inlet'
  const [nearGiven, farGiven] = inlet ? [cam.opensDeg, cam.closesDeg] : [cam.closesDeg, cam.opensDeg]
  const { separationDeg, advanceDeg } = sheet
  const card = separationDeg && advanceDeg && separationDeg.value + (inlet ? -1 : 1) * advanceDeg.value
  const given = onlyKnown({
    near: nearGiven?.value,
    far: farGiven?.value,
    duration: cam.durationDeg?.value,
    centre: cam.centreDeg?.value,
    card,
  })
  const all = complete(given)
  const halves = flankHalves(cam, halvesOf(all))
  const profile = fit(cam, halves)
  const checkingLiftMm = eventLiftMm(cam)
  const byTable = cam.liftTable !== undefined && profileFromTable(cam.liftTable).ok
  const withTop =
    halves && checkingLiftMm !== undefined && !byTable
      ? (topLiftMm: number): LobeFigures => ({ topLiftMm, checkingLiftMm, ...halves })
      : undefined
  const centre = all.centre ?? centreFromTdcLift(cam, profile)
  const tdcLift = centre === undefined ? undefined : profile?.liftAt(inlet ? -centre : centre)
  const firing = firingDegOf(sheet, cam.cylinderId)
  const turn = sheet.cycleDeg === 720 ? 360 : 0
  const top = profile && cam.topLiftMm?.value
  // Only where it is asked for: most sheets are never read by a lobe's lift.
  let family: readonly Lobe[] | undefined
  return {
    figures: figuresOf(cam, { ...all, centre, topLift: profile?.topLiftMm, tdcLift }),
    contradictions: contradictionsOf(cam, { events: eventsOf(given), card, tdcLift }),
    profile,
    get family() {
      return (family ??= top && withTop ? lobeFamily(withTop(top)) : undefined)
    },
    withTop,
    centreOnCycleDeg:
      firing === undefined || centre === undefined ? undefined : firing + turn + (inlet ? 1 : -1) * centre,
  }
}

/** Half angles of the lobe, from its centre to the events near TDC and BDC; alike where only its duration is known. */
function halvesOf({ near, far, centre, duration }: Angles) {
  const even = duration === undefined ? undefined : duration / 2
  return {
    nearHalfDeg: near === undefined || centre === undefined ? even : near + centre,
    farHalfDeg: far === undefined || centre === undefined ? even : far + 180 - centre,
  }
}

/** What both printed events together say of duration and centre. */
const eventsOf = ({ near, far }: Angles): Angles =>
  near === undefined || far === undefined ? {} : complete({ near, far })

function figuresOf(
  cam: Cam,
  {
    near,
    far,
    duration,
    centre,
    topLift,
    tdcLift,
  }: Record<'centre' | 'topLift' | 'tdcLift', number | undefined> & Angles,
): CamSpec['figures'] {
  const [opens, closes] = cam.valve === 'inlet' ? [near, far] : [far, near]
  const all: Record<SpecKey, SpecFigure | undefined> = {
    opens: figure(cam.opensDeg, opens),
    closes: figure(cam.closesDeg, closes),
    duration: figure(cam.durationDeg, duration),
    centre: figure(cam.centreDeg, centre),
    topLift: figure(cam.topLiftMm, topLift),
    tdcLift: figure(cam.tdcLiftMm, tdcLift),
  }
  return Object.fromEntries(Object.entries(all).filter(([, one]) => one))
}

function figure(given: Cam['opensDeg'], derived: number | undefined): SpecFigure | undefined {
  if (given) return { value: given.value, from: 'given', trust: given.trust }
  return derived === undefined ? undefined : { value: derived, from: 'derived', trust: undefined }
}

function contradictionsOf(
  cam: Cam,
  { events, card, tdcLift }: { readonly events: Angles } & Record<'card' | 'tdcLift', number | undefined>,
): SpecContradiction[] {
  const centre = cam.centreDeg?.value
  const lift = cam.tdcLiftMm?.value
  return [
    ...apart('duration', cam.durationDeg?.value, events.duration, AGREE_DEG),
    ...apart('centre', centre, events.centre, AGREE_DEG),
    ...apart('centre', centre ?? events.centre, card, AGREE_DEG),
    ...apart('tdcLift', lift, tdcLift, AGREE_SHARE * (lift ?? 0) + 0.1),
  ]
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

/** From the centre to opening and closing. */
function flankHalves(
  cam: Cam,
  { nearHalfDeg, farHalfDeg }: { readonly nearHalfDeg: number | undefined; readonly farHalfDeg: number | undefined },
) {
  if (nearHalfDeg === undefined || farHalfDeg === undefined) return undefined
  const [opensHalfDeg, closesHalfDeg] = cam.valve === 'inlet' ? [nearHalfDeg, farHalfDeg] : [farHalfDeg, nearHalfDeg]
  return { opensHalfDeg, closesHalfDeg }
}

function fit(cam: Cam, halves: ReturnType<typeof flankHalves>): CamProfile | undefined {
  if (cam.liftTable) {
    const made = profileFromTable(cam.liftTable)
    if (made.ok) return made.value
  }
  const checkingLiftMm = eventLiftMm(cam)
  if (!cam.topLiftMm || checkingLiftMm === undefined || !halves) return undefined
  const made = makeProfile({ topLiftMm: cam.topLiftMm.value, checkingLiftMm, ...halves })
  return made.ok ? made.value : undefined
}

function centreFromTdcLift(cam: Cam, profile: CamProfile | undefined): number | undefined {
  if (!profile || !cam.tdcLiftMm) return undefined
  const deg = profile.degAtLift(cam.tdcLiftMm.value, cam.valve === 'inlet' ? 'opening' : 'closing')
  return deg === undefined ? undefined : Math.abs(deg)
}
