export * from './table'
export * from './newestSheet'
