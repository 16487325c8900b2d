export * from './lookAlikes'
