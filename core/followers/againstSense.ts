import type { EntryOf } from '../model/entry'

/** Why a reading was taken so that it tells nothing: come to backwards, with the play of the drive in it; a lift from a zero elsewhere than where the needle falls no more; with
 *  the needle at its own stop, where it falls no more whatever the pump does; with the cold-start advance on. */
export type AgainstSense = 'cameBackwards' | 'zeroElsewhere' | 'needleAtStop' | 'startAdvanceOn'

/** Pressed in by less than this at its zero, a needle may rest on its own stop; mm. Ours. */
const LEAST_PRESSED_IN_MM = 0.1

/** Whether a reading was taken as such a reading has to be; undefined where nothing was said against it. Source: handbook 14. */
export function againstSense({
  approach,
  by,
  zeroed,
  pressedInMm,
  startAdvance,
}: Pick<EntryOf<'followerRead'>, 'approach' | 'by' | 'zeroed' | 'pressedInMm' | 'startAdvance'>):
  AgainstSense | undefined {
  if (approach === 'against') return 'cameBackwards'
  if (by !== 'lift') return undefined
  if (zeroed === 'elsewhere') return 'zeroElsewhere'
  if (pressedInMm !== undefined && pressedInMm < LEAST_PRESSED_IN_MM) return 'needleAtStop'
  return startAdvance === 'on' ? 'startAdvanceOn' : undefined
}
