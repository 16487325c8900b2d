export * from './guard'
export * from './wanted'
export * from './judgeGuard'
export * from './planTurn'
