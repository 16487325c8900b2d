export const sheetIndexes = 'id, engineId'
