export * from './tolerance'
export * from './point'
export * from './tangent'
