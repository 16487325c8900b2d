import type { ReactNode } from 'react'
import type { Step } from '@link-count/core/runSheet'
import type { JobView } from '../../../domain/views'

/** How a kind of step is worked at the bench. Its title stands with the other words. */
export interface StepView {
  readonly Panel: React.ComponentType<{ readonly step: Step }>
  /** What came of it, on one line; nothing until something did. */
  readonly result: (step: Step, view: JobView) => ReactNode
}
