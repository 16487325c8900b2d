/** Keys of the drafts a live count is kept under: the number, and the rule until a count has one. */
export const countDraftKey = (jobId: string, stepId: string) => `${jobId}:${stepId}:count`
export const ruleDraftKey = (jobId: string) => `${jobId}:count-rule`
