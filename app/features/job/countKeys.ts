/** Keys of the drafts a live count is kept under: the number, and the rule until a count has one. */
export const countDraftKey = (jobId: string, stepId: string, sectionId: string) =>
  `${jobId}:${stepId}:count:${sectionId}`
export const ruleDraftKey = (jobId: string) => `${jobId}:count-rule`
