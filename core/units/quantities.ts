/* Signs and frames, in one place (handbook 1):
 *  plane       mm, +x right, +y up, seen from the timing side; directions counter-clockwise from +x
 *  degree wheel as read and normalised to rise in the running direction, zero not yet proven, [0, 360)
 *  crank       0 = firing TDC of the zero cylinder, + = running direction, wrapped only when asked
 *  any shaft   + = its own running direction, exact signed ratio to the crank
 *  lateness    read minus specified, + = late
 *  sigma       one standard deviation, never negative; what is shown is two */
declare const unit: unique symbol
type Quantity<U extends string> = number & { readonly [unit]: U }

export type WheelDeg = Quantity<'wheelDeg'>
export type CrankDeg = Quantity<'crankDeg'>
export type ShaftDeg = Quantity<'shaftDeg'>
/** A direction in the plane, counter-clockwise from +x, seen from the timing side. */
export type PlaneDeg = Quantity<'planeDeg'>
export type Mm = Quantity<'mm'>
/** Pitches of a loop; never a count by somebody's rule. */
export type Pitches = Quantity<'pitches'>

export const wheelDeg = (n: number) => n as WheelDeg
export const crankDeg = (n: number) => n as CrankDeg
export const shaftDeg = (n: number) => n as ShaftDeg
export const planeDeg = (n: number) => n as PlaneDeg
export const mm = (n: number) => n as Mm
export const pitches = (n: number) => n as Pitches

export const degFromRad = (rad: number) => (rad * 180) / Math.PI
export const radFromDeg = (deg: number) => (deg * Math.PI) / 180
