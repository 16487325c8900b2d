export * from './parseFile'
export * from './mergeRecords'
export * from './writeFile'
export * from './liftTable'
