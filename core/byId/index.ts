export * from './byId'
