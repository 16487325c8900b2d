import type { Phase, Shaft } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'

export interface CamWayProps {
  readonly step: Step
  readonly shaft: Shaft
  readonly phase: Phase
}
