import type { Wheel } from './driveScene'
import { gearPath, sprocketPath } from './sprocketPath'

/** The outline of a wheel as what it is: a sprocket's rounded gaps, or the straight teeth of a gear or belt pulley. */
export function wheelPath({ kind, teeth, radiusMm, pitchMm }: Wheel, scale: number): string {
  const outline = kind === 'gear' || kind === 'pulley' ? gearPath : sprocketPath
  return outline(teeth, radiusMm * scale, pitchMm * scale)
}
