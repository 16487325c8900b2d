import { camSpec, eventLiftMm, hoursPerDeg, lobeHour, valveEvents } from '../cams'
import { markPoseDeg } from '../drive'
import { firingDegOf } from '../cylinders'
import type { BuildSheet, Cam } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { partsOf } from '../sheet'
import { wrapToCycle, wrapToSigned } from '../units'

export type PistonLook = 'top' | 'bottom' | 'goingDown' | 'goingUp'
export type ValveLook = 'shut' | 'open' | 'barelyOpen'

/** One thing to look at with the crank at a stop, and how it should be. */
export type WalkLook = { readonly cylinderId: string } & (
  | { readonly what: 'piston'; readonly piston: PistonLook }
  | {
      readonly what: 'inlet' | 'exhaust'
      readonly camId: string
      readonly valve: ValveLook
      /** Where its lobe should point, hours seen from the timing side. */
      readonly hour: number | undefined
    }
  | { readonly what: 'mark' }
)

/** Stops of a walk round the cycle: every half turn of the crank, from where it stands. Degrees of the cycle. */
export const walkStops = ({ cycleDeg }: Pick<BuildSheet, 'cycleDeg'>, fromDeg = 0) =>
  Array.from({ length: cycleDeg / 180 }, (_, i) => wrapToCycle(fromDeg + i * 180, cycleDeg))

const NEAR_END_DEG = 8
const NEAR_POSE_DEG = 3
/** Less than this share of its top lift is told as barely open. */
const BARELY = 0.35

/** What every piston, valve and mark should look like with the crank so many degrees on its cycle. Cylinders whose place on the cycle is not known
 *  are left out: nothing is made up. */
export function walkLooks(sheet: BuildSheet, atDeg: number): WalkLook[] {
  const marks = sheet.marks.some(
    (mark) => mark.cutFor === 'pose' && Math.abs(wrapToSigned(atDeg - markPoseDeg(sheet, mark), 360)) <= NEAR_POSE_DEG,
  )
  return [
    ...(marks ? [{ cylinderId: sheet.referencePose.cylinderId, what: 'mark' as const }] : []),
    ...sheet.cylinders.flatMap(({ id }): WalkLook[] => {
      const firing = firingDegOf(sheet, id)
      if (firing === undefined) return []
      const valves = sheet.cams.filter(({ cylinderId }) => cylinderId === id)
      return [
        { cylinderId: id, what: 'piston', piston: pistonAt(wrapToCycle(atDeg - firing, 360)) },
        ...valves.flatMap((cam): WalkLook[] => {
          const valve = valveAt(sheet, cam, atDeg)
          return valve
            ? [{ cylinderId: id, what: cam.valve, camId: cam.id, valve, hour: lobeHour(sheet, cam, atDeg) }]
            : []
        }),
      ]
    }),
  ]
}

function pistonAt(pastTopDeg: number): PistonLook {
  if (pastTopDeg <= NEAR_END_DEG || pastTopDeg >= 360 - NEAR_END_DEG) return 'top'
  if (Math.abs(pastTopDeg - 180) <= NEAR_END_DEG) return 'bottom'
  return pastTopDeg < 180 ? 'goingDown' : 'goingUp'
}

function valveAt(sheet: BuildSheet, cam: Cam, atDeg: number): ValveLook | undefined {
  const { cycleDeg } = sheet
  const { profile, centreOnCycleDeg } = camSpec(sheet, cam)
  if (profile && centreOnCycleDeg !== undefined) {
    const mm = profile.liftAt(wrapToSigned(atDeg - centreOnCycleDeg, cycleDeg))
    if (mm < (eventLiftMm(cam) ?? 0.1) / 2) return 'shut'
    return mm < BARELY * profile.topLiftMm ? 'barelyOpen' : 'open'
  }
  const { opens, closes } = valveEvents(sheet, cam)
  if (opens === undefined || closes === undefined) return undefined
  const [open, since] = [wrapToCycle(closes - opens, cycleDeg), wrapToCycle(atDeg - opens, cycleDeg)]
  if (since > open) return 'shut'
  return Math.min(since, open - since) < open / 6 ? 'barelyOpen' : 'open'
}

export type WalkMeaning =
  | 'nothingYet'
  | 'allRight'
  | 'misread'
  | 'halfTurn'
  | 'oneValve'
  | 'oneCamshaft'
  | 'oneBank'
  | 'oneCylinder'
  | 'mark'
  | 'pistons'
  | 'mixed'

/** A lobe seen at two stops so that it cannot have come from one to the other: one of the two was misread, or nothing drives it. */
export interface ImpossibleSpacing {
  readonly camId: string
  readonly fromDeg: number
  readonly toDeg: number
  /** How far it was seen to go round, and how far its camshaft goes; hours of a clock face. */
  readonly sawHours: number
  readonly goesHours: number
}

export interface WalkVerdict {
  readonly meaning: WalkMeaning
  readonly looked: number
  readonly of: number
  /** The valve, camshaft, bank or cylinder that it points at. */
  readonly targetId?: string | undefined
  readonly impossible: readonly ImpossibleSpacing[]
}

type Walk = Pick<EntryOf<'walk'>, 'crankDeg' | 'cylinderId' | 'what' | 'saw' | 'piston' | 'valve' | 'lobeHour'>

/** A lobe's direction by eye is sure to so many hours. Source: handbook 12, a clock face is worth 15 to 30° of the cam. */
const SURE_HOURS = 1

/** Whether what was seen differs from what should be: by what somebody said, or by what was written of piston, valve and lobe. */
function differs(seen: Walk, look: WalkLook): boolean {
  if (seen.saw !== undefined) return seen.saw === 'otherwise'
  if (look.what === 'piston') return seen.piston !== undefined && seen.piston !== look.piston
  if (look.what === 'mark') return false
  const valveWrong = seen.valve !== undefined && look.valve !== 'barelyOpen' && seen.valve !== look.valve
  const hourWrong =
    seen.lobeHour !== undefined &&
    look.hour !== undefined &&
    Math.abs(wrapToSigned(seen.lobeHour - look.hour, 12)) > 1.5 * SURE_HOURS
  return valveWrong || hourWrong
}

/** Lobes seen at two stops that do not fit together, by how far their camshaft goes between them. */
export function impossibleSpacings(sheet: BuildSheet, walks: readonly Walk[]): ImpossibleSpacing[] {
  return sheet.cams.flatMap((cam) => {
    const seen = walks
      .flatMap(({ crankDeg, cylinderId, what, lobeHour: hour }) =>
        cylinderId === cam.cylinderId && what === cam.valve && hour !== undefined ? [{ crankDeg, hour }] : [],
      )
      .sort((a, b) => a.crankDeg - b.crankDeg)
    return seen.slice(1).flatMap((to, i): ImpossibleSpacing[] => {
      const from = seen[i] as (typeof seen)[number]
      const goes = wrapToSigned(hoursPerDeg(sheet, cam) * (to.crankDeg - from.crankDeg), 12)
      const saw = wrapToSigned(to.hour - from.hour, 12)
      return Math.abs(wrapToSigned(saw - goes, 12)) <= 2 * SURE_HOURS
        ? []
        : [{ camId: cam.id, fromDeg: from.crankDeg, toDeg: to.crankDeg, sawHours: saw, goesHours: goes }]
    })
  })
}

/** What the looks of a walk mean together, the last look at each thing counting. Valves wrong on every cylinder with the pistons right is half a turn,
 *  or the wrong half assumed; on the cylinders of one camshaft alone it is that camshaft, on one bank against
 *  the other it is that bank; a lobe that cannot have come from one stop to the next was misread. Source: handbook 3 and 12. */
export function judgeWalk(sheet: BuildSheet, walks: readonly Walk[], fromDeg = 0): WalkVerdict {
  const key = (one: { crankDeg: number; cylinderId: string; what: string }) =>
    [one.crankDeg, one.cylinderId, one.what].join(' ')
  const last = [...new Map(walks.map((one) => [key(one), one])).values()]
  const stops = [...new Set([...walkStops(sheet, fromDeg), ...last.map(({ crankDeg }) => crankDeg)])]
  const all = stops.flatMap((crankDeg) => walkLooks(sheet, crankDeg).map((look) => ({ ...look, crankDeg })))
  const looked = all.flatMap((look) => {
    const seen = last.find((one) => key(one) === key(look))
    return seen ? [{ look, wrong: differs(seen, look) }] : []
  })
  const impossible = impossibleSpacings(sheet, last)
  const verdict = { looked: looked.length, of: all.length, impossible }
  const wrong = looked.filter((one) => one.wrong).map(({ look }) => look)
  if (looked.length === 0) return { ...verdict, meaning: 'nothingYet' }
  if (impossible.length > 0 && wrong.every((look) => 'camId' in look && isSpaced(impossible, look)))
    return { ...verdict, meaning: 'misread', targetId: impossible[0]?.camId }
  if (wrong.length === 0) return { ...verdict, meaning: 'allRight' }
  if (wrong.every(({ what }) => what === 'mark')) return { ...verdict, meaning: 'mark' }
  if (wrong.every(({ what }) => what === 'piston')) return { ...verdict, meaning: 'pistons' }
  const valves = wrong.filter((look) => 'camId' in look)
  if (valves.length < wrong.length) return { ...verdict, meaning: 'mixed' }
  return {
    ...verdict,
    ...whoseValves(
      sheet,
      valves,
      looked.map(({ look }) => look),
    ),
  }
}

const isSpaced = (impossible: readonly ImpossibleSpacing[], look: { camId: string; crankDeg: number }) =>
  impossible.some(
    ({ camId, fromDeg, toDeg }) => camId === look.camId && (fromDeg === look.crankDeg || toDeg === look.crankDeg),
  )

/** What the wrong valves have in common. */
function whoseValves(
  sheet: BuildSheet,
  valves: readonly { readonly camId: string; readonly cylinderId: string }[],
  looked: readonly WalkLook[],
): Pick<WalkVerdict, 'meaning' | 'targetId'> {
  const lookedAt = new Set(looked.map(({ cylinderId }) => cylinderId))
  const cams = new Set(valves.map(({ camId }) => camId))
  const shafts = new Set(valves.map(({ camId }) => partsOf(sheet).cam(camId)?.shaftId))
  const [shaftId] = shafts
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  const cylinders = new Set(valves.map(({ cylinderId }) => cylinderId))
  const bankOf = (cylinderId: string) => partsOf(sheet).cylinder(cylinderId)?.bankId
  const banks = new Set(valves.map(({ cylinderId }) => bankOf(cylinderId)))
  const banksLookedAt = new Set([...lookedAt].map(bankOf))
  // The others on its camshaft were looked at as well, and are right.
  const others = looked.some(
    (look) => 'camId' in look && !cams.has(look.camId) && partsOf(sheet).cam(look.camId)?.shaftId === shaftId,
  )
  if (cams.size === 1 && others) return { meaning: 'oneValve', targetId: [...cams][0] }
  if (shafts.size === 1 && camshafts.length > 1) return { meaning: 'oneCamshaft', targetId: shaftId }
  if (banks.size === 1 && banksLookedAt.size > 1) return { meaning: 'oneBank', targetId: [...banks][0] }
  if (cylinders.size === 1 && lookedAt.size > 1) return { meaning: 'oneCylinder', targetId: [...cylinders][0] }
  return { meaning: 'halfTurn' }
}
