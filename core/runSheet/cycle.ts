import { valveEvents } from '../cams'
import { firingDegOf } from '../cylinders'
import { aimOf, aimOfJob, servedByAim } from '../followers'
import type { JobState } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import { crankDeg, wrapToCycle, type CrankDeg } from '../units'

export type Stroke = 'power' | 'exhaust' | 'inlet' | 'compression' | 'down' | 'up'

export interface StrokeSpan {
  readonly stroke: Stroke
  readonly fromDeg: number
  readonly toDeg: number
}

/** The strokes of a cylinder over one cycle, cut where the strip's ends cut them: four of them, or of a two-stroke the piston going down
 *  and up. Empty when its firing TDC is not known: unknown is not drawn as a guess. */
export function strokesOf(sheet: BuildSheet, cylinderId: string): StrokeSpan[] {
  const firing = firingDegOf(sheet, cylinderId)
  const { cycleDeg } = sheet
  if (firing === undefined) return []
  const strokes: Stroke[] = cycleDeg === 720 ? ['power', 'exhaust', 'inlet', 'compression'] : ['down', 'up']
  const spans = strokes.flatMap((stroke, i): StrokeSpan[] => {
    const fromDeg = wrapToCycle(firing + i * 180, cycleDeg)
    const toDeg = fromDeg + 180
    if (toDeg <= cycleDeg) return [{ stroke, fromDeg, toDeg }]
    return [
      { stroke, fromDeg, toDeg: cycleDeg },
      { stroke, fromDeg: 0, toDeg: toDeg - cycleDeg },
    ]
  })
  return spans.sort((a, b) => a.fromDeg - b.fromDeg)
}

export interface CycleEvent {
  readonly kind: 'firingTdc' | 'opens' | 'closes' | 'pose' | 'sparks' | 'delivers'
  readonly atDeg: CrankDeg
  readonly cylinderId: string
  readonly valve?: 'inlet' | 'exhaust'
}

/** What the crank comes by on one cycle, in order: every known firing TDC, the valve events, spark and delivery by what the job chose, without a job by the book, the
 *  reference pose. */
export function cycleEvents(sheet: BuildSheet, state?: Pick<JobState, 'kept'>): CycleEvent[] {
  const tdcs = sheet.cylinders.flatMap(({ id }): CycleEvent[] => {
    const firing = firingDegOf(sheet, id)
    return firing === undefined ? [] : [{ kind: 'firingTdc', atDeg: crankDeg(firing), cylinderId: id }]
  })
  const valves = sheet.cams.flatMap((cam): CycleEvent[] => {
    const { opens, closes } = valveEvents(sheet, cam)
    const { cylinderId, valve } = cam
    return [
      ...(opens === undefined ? [] : [{ kind: 'opens', atDeg: opens, cylinderId, valve } as const]),
      ...(closes === undefined ? [] : [{ kind: 'closes', atDeg: closes, cylinderId, valve } as const]),
    ]
  })
  const served = (sheet.followers ?? []).flatMap((follower) =>
    servedByAim(sheet, follower, state ? aimOfJob(follower, state) : aimOf(follower, undefined)).map(
      ({ kind, cylinderId, atDeg }): CycleEvent => ({
        kind,
        cylinderId,
        atDeg: crankDeg(atDeg),
      }),
    ),
  )
  const { crankDeg: pose, cylinderId } = sheet.referencePose
  return [...tdcs, ...valves, ...served, { kind: 'pose', atDeg: crankDeg(pose.value), cylinderId } as const].sort(
    (a, b) => a.atDeg - b.atDeg,
  )
}

/** The next thing the crank comes to, turning the running way from a place. */
export function nextEvent(
  events: readonly CycleEvent[],
  fromDeg: number,
  cycleDeg: number,
): { event: CycleEvent; aheadDeg: number } | undefined {
  const ahead = events
    .map((event) => ({ event, aheadDeg: wrapToCycle(event.atDeg - fromDeg, cycleDeg) }))
    .filter(({ aheadDeg }) => aheadDeg > 0.25)
  return ahead.reduce<(typeof ahead)[number] | undefined>(
    (best, one) => (!best || one.aheadDeg < best.aheadDeg ? one : best),
    undefined,
  )
}

/** What the crank comes by, in order, when it is turned on from a place by so many degrees; the end itself is not passed. */
export function eventsPassed(
  events: readonly CycleEvent[],
  { fromDeg, deg, cycleDeg }: { readonly fromDeg: number; readonly deg: number; readonly cycleDeg: number },
): readonly { readonly event: CycleEvent; readonly aheadDeg: number }[] {
  return events
    .map((event) => ({ event, aheadDeg: wrapToCycle(event.atDeg - fromDeg, cycleDeg) }))
    .filter(({ aheadDeg }) => aheadDeg > 0.25 && aheadDeg < deg - 0.25)
    .sort((a, b) => a.aheadDeg - b.aheadDeg)
}
