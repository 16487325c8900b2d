export * from './makeStore'
export * from './hooks'
export * from './drawnCrank'
