export * from './judgeGuard'
export * from './planTurn'
