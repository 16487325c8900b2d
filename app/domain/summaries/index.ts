export * from './madeBy'
export * from './slice'
export type * from './summary'
export * from './table'
