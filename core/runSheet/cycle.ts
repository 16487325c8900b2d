import { valveEvents } from '../cams'
import type { BuildSheet } from '../model/buildSheet'
import { crankDeg, wrapToCycle, type CrankDeg } from '../units'

export type Stroke = 'power' | 'exhaust' | 'inlet' | 'compression'

export interface StrokeSpan {
  readonly stroke: Stroke
  readonly fromDeg: number
  readonly toDeg: number
}

/** The strokes of a four-stroke cylinder over one cycle, cut where the strip's ends cut them. Empty when its firing TDC is
 *  not known: unknown is not drawn as a guess. */
export function strokesOf(sheet: BuildSheet, cylinderId: string): StrokeSpan[] {
  const firing = sheet.cylinders.find(({ id }) => id === cylinderId)?.firingDeg?.value
  if (firing === undefined || sheet.cycleDeg !== 720) return []
  const strokes: Stroke[] = ['power', 'exhaust', 'inlet', 'compression']
  const spans = strokes.flatMap((stroke, i): StrokeSpan[] => {
    const fromDeg = wrapToCycle(firing + i * 180, 720)
    const toDeg = fromDeg + 180
    if (toDeg <= 720) return [{ stroke, fromDeg, toDeg }]
    return [
      { stroke, fromDeg, toDeg: 720 },
      { stroke, fromDeg: 0, toDeg: toDeg - 720 },
    ]
  })
  return spans.sort((a, b) => a.fromDeg - b.fromDeg)
}

export interface CycleEvent {
  readonly kind: 'firingTdc' | 'opens' | 'closes' | 'pose'
  readonly atDeg: CrankDeg
  readonly cylinderId: string
  readonly valve?: 'inlet' | 'exhaust'
}

/** What the crank comes by on one cycle, in order: every known firing TDC, the valve events, the reference pose. */
export function cycleEvents(sheet: BuildSheet): CycleEvent[] {
  const tdcs = sheet.cylinders.flatMap(({ id, firingDeg }): CycleEvent[] =>
    firingDeg ? [{ kind: 'firingTdc', atDeg: crankDeg(firingDeg.value), cylinderId: id }] : [],
  )
  const valves = sheet.cams.flatMap((cam): CycleEvent[] => {
    const { opens, closes } = valveEvents(sheet, cam)
    const { cylinderId, valve } = cam
    return [
      ...(opens === undefined ? [] : [{ kind: 'opens', atDeg: opens, cylinderId, valve } as const]),
      ...(closes === undefined ? [] : [{ kind: 'closes', atDeg: closes, cylinderId, valve } as const]),
    ]
  })
  const { crankDeg: pose, cylinderId } = sheet.referencePose
  return [...tdcs, ...valves, { kind: 'pose', atDeg: crankDeg(pose.value), cylinderId } as const].sort(
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
