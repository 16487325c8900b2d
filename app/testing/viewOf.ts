import { judgeGuard } from '@link-count/core/guard'
import { foldJob } from '@link-count/core/ledger'
import type { BuildSheet, Engine, EntryDraft, Job } from '@link-count/core/model'
import { makeRunSheet, statusOf, stepInHand, stepsOf, type Step } from '@link-count/core/runSheet'
import { benchJob, benchSheet, entriesOf } from '@link-count/core/testing/bench'
import type { JobView } from '../domain/views'

/** A job as the screens see it, from what was written in it. */
export function viewOf(drafts: readonly EntryDraft[], sheet: BuildSheet = benchSheet(), job: Job = benchJob): JobView {
  const entries = entriesOf(drafts)
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
