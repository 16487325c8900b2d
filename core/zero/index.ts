export * from './tdcFromStops'
export * from './pinOffsetShift'
export * from './combineZero'
export * from './halfFromWitnesses'
