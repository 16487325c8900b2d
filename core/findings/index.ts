export * from './sets'
