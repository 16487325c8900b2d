export * from './removals'
