export * from './database'
export * from './openWorkshop'
export * from './migrations'
