export * from './scale'
