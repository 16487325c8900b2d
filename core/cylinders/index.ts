export * from './firingOrder'
export * from './judgeFiring'
export * from './tdcResidue'
export * from './throwPatterns'
