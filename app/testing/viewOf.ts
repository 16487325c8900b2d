import { judgeGuard } from '@link-count/core/guard'
import { foldJob } from '@link-count/core/ledger'
import type { BuildSheet, Engine, NewEntry, Job } from '@link-count/core/model'
import { inGroups, statusOf, stepInHand, type Step } from '@link-count/core/runSheet'
import { firstJob, oneChainSheet, entriesOf } from '@link-count/core/testing/oneChain'
import { runSheetOf, type JobView } from '../domain/views'

/** A job as the screens see it, from what was written in it. */
export function viewOf(
  newEntries: readonly NewEntry[],
  sheet: BuildSheet = oneChainSheet(),
  job: Job = firstJob,
): JobView {
  const entries = entriesOf(newEntries)
  const state = foldJob({ job, sheets: [sheet], entries })
  const { schools, steps: run, leftOut } = runSheetOf(sheet, job, state)
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
    groups: inGroups(sheet, run),
    schools,
    leftOut,
    inHand: stepInHand(run, status),
    guard: judgeGuard(sheet, state),
  }
}
