export * from './table'
