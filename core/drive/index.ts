export * from './readDrive'
export * from './sprocket'
export * from './path'
export * from './positions'
export { placeOfLink, placeOfShaft, timingPlaces } from './places'
export * from './loopKinds'
export * from './layOut'
export * from './counts'
export * from './countedTooth'
export * from './chainIdentity'
export * from './lengthsForSale'
export * from './paintedLinks'
export * from './teethFromDiameter'
export * from './couplings'
export * from './placesOfTwoRows'
export * from './meshCounts'
export * from './hangingOrder'
export { isTurnedRound } from './turnedRound'
export { hangs } from './schematicPlaces'
export { sectionBetween, sectionsCounted, sectionsWithout } from './joinedSections'
export { solveLoop, type LoopError, type SolvedLoop, type SolvedRun } from './solveLoop'
export type { DriveLink, DriveRatios, Recount } from './walkDrive'
export type { Holding, WayLink } from './holding'
export type { Repeats } from './repeats'
export {
  countedThen,
  latenessByCounts,
  linkMap,
  moveOverDriver,
  movesOf,
  spokenOf,
  sumOfSections,
  type LinkMapPlace,
  type LoopMove,
  type Section,
  type SectionCount,
  type MemberLateness,
} from './sections'
