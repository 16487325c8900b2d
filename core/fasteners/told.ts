import type { BoltGroup } from '../model/buildSheet'
import type { Tightening } from './tightening'

/** What has to be told of a group before, or while, it is tightened: oil keeps thread-locker from holding; a stretch bolt that came out goes in no more, nor one that is new each
 *  time; two sources have two figures; a later torque is less than one before; a bolt went through an angle twice; bolts of a head or cap that were lubricated otherwise. */
export type Told =
  'oilWithLocker' | 'stretchUsed' | 'usedAgain' | 'twoFigures' | 'lessThanBefore' | 'angleTwice' | 'whichBoltsNotSaid'

/** Nearer than this two figures are the same, as a share. Ours. */
const SAME = 0.05

/** What has to be told of a group of bolts; with how its tightening stands also what was done. */
export function toldOf(
  group: BoltGroup,
  { begun, twice, passes }: Pick<Tightening, 'begun' | 'twice' | 'passes'>,
): readonly Told[] {
  const { threadWith = [], stages, alsoNm, stretch, newEachTime } = group
  const torques = stages.flatMap((one) => (one.by === 'torque' ? [one.nm.value] : []))
  const last = torques.at(-1)
  const told: readonly (readonly [Told, boolean])[] = [
    ['oilWithLocker', threadWith.includes('oil') && threadWith.includes('locker')],
    ['stretchUsed', Boolean(stretch && begun?.boltsAre === 'used')],
    ['usedAgain', Boolean(!stretch && newEachTime && begun?.boltsAre === 'used')],
    ['whichBoltsNotSaid', Boolean((stretch || newEachTime) && begun && !begun.boltsAre)],
    ['twoFigures', alsoNm !== undefined && last !== undefined && Math.abs(alsoNm.value - last) > SAME * last],
    ['lessThanBefore', torques.some((nm, i) => nm < (torques[i - 1] ?? 0))],
    ['angleTwice', twice.some(({ pass }) => passes[pass]?.by === 'angle')],
  ]
  return told.flatMap(([one, is]) => (is ? [one] : []))
}
