export * from './oncePerSheet'
export * from './partsOf'
export * from './rivals'
export * from './edits'
