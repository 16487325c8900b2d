export const summaryIndexes = 'id'
