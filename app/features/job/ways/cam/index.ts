import type { CamWayKind } from '@link-count/core/cams'
import { AtMarkWay } from './AtMarkWay'
import { CamMarkWay } from './CamMarkWay'
import { CentreWay } from './CentreWay'
import { ClockWay } from './ClockWay'
import { EventsWay } from './EventsWay'
import { GaugeWay } from './GaugeWay'
import { RockingWay } from './RockingWay'
import { TdcLiftWay } from './TdcLiftWay'
import type { CamWayProps } from './way'

/** The ways of reading a camshaft, in the order they are offered. */
export const camWayPanels: Record<CamWayKind, React.ComponentType<CamWayProps>> = {
  camMark: CamMarkWay,
  camAtMark: AtMarkWay,
  valveEvents: EventsWay,
  lobeCentre: CentreWay,
  tdcLift: TdcLiftWay,
  rocking: RockingWay,
  camGauge: GaugeWay,
  lobeClock: ClockWay,
}
