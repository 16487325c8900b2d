export const engineIndexes = 'id'
