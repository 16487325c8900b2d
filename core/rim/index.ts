export * from './layOutRim'
export * from './pistonTable'
