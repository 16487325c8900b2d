export * from './fields'
export * from './useDraft'
export * from './LengthInput'
export * from './DegreesInput'
