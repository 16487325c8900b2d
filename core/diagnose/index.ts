export * from './diagnose'
export type { CauseCode, LobeRead, Measured, PerPart, Readings } from './causes'
export * from './readingsOfJob'
export * from './schools'
