export * from './wear'
