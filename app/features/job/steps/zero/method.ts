import type { Cylinder } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'

export interface MethodProps {
  readonly step: Step
  readonly cylinder: Cylinder
}
