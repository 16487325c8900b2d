export * from './diagnose'
export type { CauseCode, LobeRead, Measured, PerPart, Readings } from './readings'
export * from './readingsOfJob'
export * from './schools'
