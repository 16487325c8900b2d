export * from './secondCopy'
export type { CopySummary } from './copyLog'
