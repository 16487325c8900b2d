import type { Job } from '../model/engine'
import type { Entry } from '../model/entry'

/** The build sheets that work goes by: those that jobs began on, that entries were made against, and that entries took up. None of them ever changes. */
export const citedSheets = (jobs: readonly Job[], entries: readonly Entry[]): ReadonlySet<string> =>
  new Set([
    ...jobs.map(({ sheetId }) => sheetId),
    ...entries.map(({ sheetId }) => sheetId),
    ...entries.flatMap((entry) => (entry.kind === 'sheet' ? [entry.toSheetId] : [])),
  ])
