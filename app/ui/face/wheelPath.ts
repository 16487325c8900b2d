import type { Wheel } from './driveScene'
import { gearPath, sprocketPath } from './sprocketPath'

/** Whether a wheel has the straight teeth of a gear or belt pulley, and not a sprocket's rounded gaps. */
export const isStraight = ({ kind }: Pick<Wheel, 'kind'>) => kind === 'gear' || kind === 'pulley'

/** The outline of a wheel as what it is. */
export function wheelPath(wheel: Wheel, scale: number): string {
  const outline = isStraight(wheel) ? gearPath : sprocketPath
  return outline(wheel.teeth, wheel.radiusMm * scale, wheel.pitchMm * scale)
}
