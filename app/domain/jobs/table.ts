export const jobIndexes = 'id, engineId'
