export const draftIndexes = 'id'
