import type { ToothedPart } from '@link-count/core/scene'
import { gearPath, sprocketPath } from './sprocketPath'

/** Whether a part has the straight teeth of a gear or belt pulley, and not a sprocket's rounded gaps. */
export const isStraight = ({ kind }: Pick<ToothedPart, 'kind'>) => kind === 'gear' || kind === 'pulley'

/** The outline of a toothed part as what it is. */
export function toothedPath(part: ToothedPart, scale: number): string {
  const outline = isStraight(part) ? gearPath : sprocketPath
  return outline(part.teeth, part.radiusMm * scale, part.pitchMm * scale)
}
