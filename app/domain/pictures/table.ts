export const pictureIndexes = 'id, jobId'
