import { judgeGuard } from '@link-count/core/guard'
import { foldJob } from '@link-count/core/ledger'
import type { BuildSheet, Engine, NewEntry, Job } from '@link-count/core/model'
import { makeRunSheet, statusOf, stepInHand, stepsOf, type Step } from '@link-count/core/runSheet'
import { firstJob, oneChainSheet, entriesOf } from '@link-count/core/testing/oneChain'
import type { JobView } from '../domain/views'

/** A job as the screens see it, from what was written in it. */
export function viewOf(
  newEntries: readonly NewEntry[],
  sheet: BuildSheet = oneChainSheet(),
  job: Job = firstJob,
): JobView {
  const entries = entriesOf(newEntries)
  const state = foldJob({ job, sheets: [sheet], entries })
  const groups = makeRunSheet(sheet)
  const run = stepsOf(groups)
  const status = (step: Step) => statusOf({ step, sheet, job, state })
  return {
    engine: { id: job.engineId, name: 'Bench engine' } as Engine,
    job,
    label: String(job.number),
    labels: new Map([[job.id, String(job.number)]]),
    sheet,
    newestSheet: sheet,
    entries,
    state,
    steps: run.map((step) => ({ step, status: status(step) })),
    groups,
    inHand: stepInHand(run, status),
    guard: judgeGuard(sheet, state),
  }
}
