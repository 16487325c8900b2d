export * from './parseFile'
export * from './mergeRecords'
export * from './writeFile'
