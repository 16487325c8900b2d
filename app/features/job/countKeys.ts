import type { EntryOf } from '@link-count/core/model'

/** Keys of the drafts a live count is kept under: the number, and the rule until a count has one. */
export const countDraftKey = (jobId: string, stepId: string, sectionId: string) =>
  `${jobId}:${stepId}:count:${sectionId}`
export const ruleDraftKey = (jobId: string) => `${jobId}:count-rule`

/** The rule of the last count that was written; none where there is none. */
export function lastRule(live: readonly { kind: string }[]): string {
  const last = live.findLast((entry): entry is EntryOf<'count'> => entry.kind === 'count')
  return last?.rule ?? ''
}
