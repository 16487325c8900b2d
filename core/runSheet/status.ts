import type { JobState } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import type { Step } from './makeRunSheet'
import { stepKinds, type Evidence, type Hindrance, type StepKindRecord } from './steps'

export interface StepStatus {
  readonly evidence: Evidence
  /** Pressed on past it, with or without a reason. */
  readonly outcome: 'open' | 'done' | 'skipped' | 'cannot'
  readonly hindrance?: Hindrance
  readonly reason: string
}

/** How a step stands. A step that cannot be done on an engine that arrived with its chain off says so and is passed over. */
export function statusOf({
  step: { id, kind, targetIds },
  sheet,
  job,
  state,
}: {
  step: Step
  sheet: BuildSheet
  job: Job
  state: JobState
}): StepStatus {
  const record: StepKindRecord = stepKinds[kind]
  const hindrance = record.hindrance?.(job)
  if (hindrance) return { evidence: 'none', outcome: 'cannot', hindrance, reason: '' }
  const marked = state.steps[id]
  const evidence = record.evidence({ sheet, state, targetIds })
  const passed = kind === 'card' && state.closed ? 'done' : (marked?.outcome ?? 'open')
  return { evidence, outcome: passed, reason: marked?.reason ?? '' }
}

/** The step in hand: the first that is still open. */
export const stepInHand = (steps: readonly Step[], status: (step: Step) => StepStatus) =>
  steps.find((step) => status(step).outcome === 'open') ?? steps.at(-1)
