import { camAtMark, camAtMarkShape } from './camAtMark'
import { camGauge, camGaugeShape } from './camGauge'
import { camMark, camMarkShape } from './camMark'
import { lobeCentre, lobeCentreShape } from './lobeCentre'
import { lobeClock, lobeClockShape } from './lobeClock'
import { rocking, rockingShape } from './rocking'
import { tdcLift, tdcLiftShape } from './tdcLift'
import { valveEvents, valveEventsShape } from './valveEvents'
import type { CamWay } from './way'

export * from './way'
export { latenessAtItsMark, markOfShaft } from './camAtMark'
export { camMarkLateness, MARK_BY_EYE_SIGMA_DEG } from './camMark'
export { latenessFromGauge } from './camGauge'
export { latenessFromCentre, type CentreLateness, type LiftPair } from './lobeCentre'
export { hoursPerDeg, latenessFromClock, lobeHour } from './lobeClock'
export { latenessFromEqualLift, latenessFromPushrods, latenessFromRocking } from './rocking'
export { latenessFromTdcLift } from './tdcLift'
export {
  EVENT_SIGMA_DEG,
  FEELER_EVENT_SIGMA_DEG,
  latenessFromEvents,
  type EventRead,
  type EventsLateness,
} from './valveEvents'

/** Every way of reading how a camshaft stands: the shapes of their lines, and what each says. */
export const camWayShapes = [
  camMarkShape,
  camAtMarkShape,
  valveEventsShape,
  lobeCentreShape,
  tdcLiftShape,
  rockingShape,
  camGaugeShape,
  lobeClockShape,
] as const

export type CamWayKind = (typeof camWayShapes)[number]['shape']['kind']['value']

export const camWays: { readonly [K in CamWayKind]: CamWay<K> } = {
  camMark,
  camAtMark,
  valveEvents,
  lobeCentre,
  tdcLift,
  rocking,
  camGauge,
  lobeClock,
}
