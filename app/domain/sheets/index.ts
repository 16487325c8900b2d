export * from './table'
export * from './slice'
