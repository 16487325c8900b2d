export * from './diagnose'
export type { CauseCode, LobeRead, Readings } from './causes'
export * from './readingsOfJob'
export * from './schools'
