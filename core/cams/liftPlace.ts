import type { Cam } from '../model/buildSheet'

/** A lift read at the valve or at the follower, as it would be where the sheet's lifts are told: valve lift is the follower's times the rocker's
 *  ratio, less the lash. Without a ratio it is one to one. Millimetres, never below nothing. Source: geometry of a rocker, small angles. */
export function liftAtBookPlace(cam: Cam, liftMm: number, readAt: 'valve' | 'follower'): number {
  const bookAt = cam.measuredAt ?? 'valve'
  if (bookAt === readAt) return liftMm
  const ratio = cam.rockerRatio?.value ?? 1
  const lash = cam.lashMm?.value ?? 0
  return bookAt === 'valve' ? Math.max(0, liftMm * ratio - lash) : (liftMm + lash) / ratio
}
