/* What follows the cams: fuel and spark. */

/** What sits on the shaft. */
export const FOLLOWER_KINDS = [
  'inLinePump',
  'distributorPump',
  'singlePumps',
  'magneto',
  'distributor',
  'contactBreaker',
  'trigger',
] as const
export type FollowerKind = (typeof FOLLOWER_KINDS)[number]

/** How it can be set. */
export const FOLLOWER_SET_BY = ['swing', 'places', 'vernier', 'tooth', 'shims', 'spline', 'pointsGap'] as const
export type FollowerSetBy = (typeof FOLLOWER_SET_BY)[number]

/** What it is set to: lift of the pump on a dial at firing TDC; the crank's place before firing TDC, in degrees, as a drop of the piston, or along a rim. */
export const FOLLOWER_FIGURES = ['lift', 'beforeTdc', 'piston', 'rim'] as const
export type FollowerFigure = (typeof FOLLOWER_FIGURES)[number]
