import { camSpec, eventLiftMm, lobeHour, valveEvents } from '../cams'
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

/** Stops of a walk round the cycle: every half turn of the crank. */
export const walkStops = ({ cycleDeg }: Pick<BuildSheet, 'cycleDeg'>) =>
  Array.from({ length: cycleDeg / 180 }, (_, i) => i * 180)

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
  'nothingYet' | 'allRight' | 'halfTurn' | 'oneCamshaft' | 'oneBank' | 'oneCylinder' | 'mark' | 'pistons' | 'mixed'

export interface WalkVerdict {
  readonly meaning: WalkMeaning
  readonly looked: number
  readonly of: number
  /** The camshaft, bank or cylinder that it points at. */
  readonly targetId?: string | undefined
}

/** What the looks of a walk mean together, the last look at each thing counting. Valves wrong on every cylinder with the pistons right is half a turn,
 *  or the wrong half assumed; on the cylinders of one camshaft alone it is that camshaft, on one bank against
 *  the other it is that bank. Source: handbook 3 and 12. */
export function judgeWalk(sheet: BuildSheet, walks: readonly EntryOf<'walk'>[]): WalkVerdict {
  const key = (one: { crankDeg: number; cylinderId: string; what: string }) =>
    [one.crankDeg, one.cylinderId, one.what].join(' ')
  const last = [...new Map(walks.map((one) => [key(one), one])).values()]
  const all = walkStops(sheet).flatMap((crankDeg) => walkLooks(sheet, crankDeg).map((look) => ({ ...look, crankDeg })))
  const looked = all.flatMap((look) => {
    const seen = last.find((one) => key(one) === key(look))
    return seen ? [{ look, wrong: seen.saw === 'otherwise' }] : []
  })
  const verdict = { looked: looked.length, of: all.length }
  const wrong = looked.filter((one) => one.wrong).map(({ look }) => look)
  if (looked.length === 0) return { ...verdict, meaning: 'nothingYet' }
  if (wrong.length === 0) return { ...verdict, meaning: 'allRight' }
  if (wrong.every(({ what }) => what === 'mark')) return { ...verdict, meaning: 'mark' }
  if (wrong.every(({ what }) => what === 'piston')) return { ...verdict, meaning: 'pistons' }
  const valves = wrong.filter(({ what }) => what === 'inlet' || what === 'exhaust')
  if (valves.length < wrong.length) return { ...verdict, meaning: 'mixed' }
  const shaftOf = (look: WalkLook) => ('camId' in look ? partsOf(sheet).cam(look.camId)?.shaftId : undefined)
  const shafts = new Set(valves.map(shaftOf))
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  const cylinders = new Set(valves.map(({ cylinderId }) => cylinderId))
  const lookedAt = new Set(looked.map(({ look }) => look.cylinderId))
  const bankOf = (cylinderId: string) => partsOf(sheet).cylinder(cylinderId)?.bankId
  const banks = new Set(valves.map(({ cylinderId }) => bankOf(cylinderId)))
  const banksLookedAt = new Set([...lookedAt].map(bankOf))
  if (shafts.size === 1 && camshafts.length > 1) return { ...verdict, meaning: 'oneCamshaft', targetId: [...shafts][0] }
  if (banks.size === 1 && banksLookedAt.size > 1) return { ...verdict, meaning: 'oneBank', targetId: [...banks][0] }
  if (cylinders.size === 1 && lookedAt.size > 1)
    return { ...verdict, meaning: 'oneCylinder', targetId: [...cylinders][0] }
  return { ...verdict, meaning: 'halfTurn' }
}
