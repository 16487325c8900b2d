export * from './slice'
