export * from './combineAngles'
export * from './student'
