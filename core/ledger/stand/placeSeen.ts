import { timingPlaces } from '../../drive'
import type { BuildSheet } from '../../model/buildSheet'
import type { Stand } from './stand'

/** Where the crank's ledger stood when it was seen in this job at a place at which something meets: the timing position, or a camshaft's own. Undefined when it
 *  was not seen there. */
export const seenAtPlace = (
  { sheet, poseSeenDeg, placeSeen }: Pick<Stand, 'poseSeenDeg' | 'placeSeen'> & { readonly sheet: BuildSheet },
  placeDeg: number,
): number | undefined =>
  placeDeg === timingPlaces(sheet)[0] ? poseSeenDeg : placeSeen?.placeDeg === placeDeg ? placeSeen.totalDeg : undefined
