import { noneDrivenSays } from './hindrances'
import type { StepKindRecord } from './step'

export const whichTdc: StepKindRecord = {
  // On a two-stroke every TDC is the same.
  targets: ({ cycleDeg, zeroCylinderId }) => (cycleDeg === 720 ? [[zeroCylinderId]] : []),
  needs: ['zero'],
  gives: ['half'],
  crankAt: () => ({ at: 'tdc', deg: 0 }),
  evidence: ({ state: { half, crank } }) => {
    if (half.known === 'unknown') return crank.sinceReferenceDeg === 0 && crank.totalDeg === 0 ? 'none' : 'part'
    return half.known === 'conflict' || crank.deg === undefined ? 'part' : half.known
  },
  hindrance: noneDrivenSays,
}
