export * from './judgeMark'
export * from './turnsToMeet'
