export const entryIndexes = 'id, jobId'
