import type { MergeOutcome } from '@link-count/core/file'
import { buildSheetSchema, type Records } from '@link-count/core/model'
import { newDevice } from './device'
import type { Batch, PictureRow } from './env'

/** What opening a file adds, what it changes of what is here, and what of it goes with something deleted, as one batch. Where the file holds work of this very device that was not here, the
 *  device goes on under a new name: what it wrote after the file was saved may be elsewhere, under the same counters. `engineOf`: of jobs that are
 *  here already. The engines that it changes wait for their summaries. */
export function batchOfFile(
  { add, change, drop }: Pick<MergeOutcome, 'add' | 'change' | 'drop'>,
  pictures: readonly PictureRow[],
  {
    device,
    newId,
    engineOf,
    picturesGone = [],
  }: {
    readonly device: string
    readonly newId: () => string
    readonly engineOf: (jobId: string) => string | undefined
    /** Pictures of the lines that go. */
    readonly picturesGone?: readonly string[]
  },
): Batch {
  const records: Records = {
    engines: [...add.engines, ...change.engines],
    sheets: [...add.sheets, ...change.sheets.map((sheet) => buildSheetSchema.parse(sheet))],
    jobs: [...add.jobs, ...change.jobs],
    entries: [...add.entries, ...change.entries],
  }
  const restored = add.entries.some((entry) => entry.device === device)
  const own = new Map(records.jobs.map(({ id, engineId }) => [id, engineId]))
  const engineIds = new Set([
    ...records.engines.map(({ id }) => id),
    ...[...records.sheets, ...records.jobs].map(({ engineId }) => engineId),
    ...records.entries.flatMap(({ jobId }) => own.get(jobId) ?? engineOf(jobId) ?? []),
  ])
  return {
    put: {
      ...records,
      pictures,
      summaries: [...engineIds].map((id) => ({ id, waiting: newId() })),
      ...(restored ? { meta: [{ id: 'device', value: newDevice(newId) }] } : {}),
    },
    drop: { ...drop, pictures: picturesGone },
  }
}
