export * from './model'
