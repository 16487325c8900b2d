export { cutSigmaDeg, markSigmaDeg } from './markExact'
export { crankMarkOf, crankMarksOf, type CrankMark } from './crankMarks'
export {
  drivenWheel,
  inTeeth,
  isByMark,
  offPlace,
  ownToothDeg,
  ROCKING_SIGMA_DEG,
  seenOff,
  tellsToothBy,
  type InTeeth,
  type OffPlace,
  type SeenOff,
} from './seenOff'
