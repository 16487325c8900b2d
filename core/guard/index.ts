export * from './guard'
export * from './judgeGuard'
export * from './planTurn'
