export * from './diagnose'
export type { CauseCode, LobeRead, Readings } from './causes'
