export * from './rivals'
