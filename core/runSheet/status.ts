import type { JobState } from '../ledger'
import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import { cameIn } from './came'
import type { Step } from './makeRunSheet'
import { provesOf } from './purposes'
import { schoolsOf } from './schools'
import { stepKinds, type Evidence, type Hindrance, type StepKindRecord } from './steps'

export interface StepStatus {
  readonly evidence: Evidence
  /** Pressed on past it, with or without a reason. */
  readonly outcome: 'open' | 'done' | 'skipped' | 'cannot'
  readonly hindrance?: Hindrance
  readonly reason: string
}

/** How a step stands. A step that cannot be done on an engine as it came in says so and is passed over; what was read in it all the same counts. */
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
  const evidence = record.evidence({ sheet, state, schools: schoolsOf(sheet, job), proves: provesOf(job), targetIds })
  const hindrance = evidence === 'none' ? record.hindrance?.(cameIn(sheet, job), sheet, targetIds) : undefined
  if (hindrance) return { evidence: 'none', outcome: 'cannot', hindrance, reason: '' }
  const marked = state.steps[id]
  const passed = kind === 'card' && state.closed ? 'done' : (marked?.outcome ?? 'open')
  return { evidence, outcome: passed, reason: marked?.reason ?? '' }
}

/** The step in hand: the first that is still open. */
export const stepInHand = (steps: readonly Step[], status: (step: Step) => StepStatus) =>
  steps.find((step) => status(step).outcome === 'open') ?? steps.at(-1)
