import { degFromRad, radFromDeg, wrapTo360 } from '../units'

export interface Point {
  readonly x: number
  readonly y: number
}

export const distance = (a: Point, b: Point) => Math.hypot(b.x - a.x, b.y - a.y)

/** The point so far from a centre in a direction of the plane. */
export const polar = (centre: Point, radius: number, deg: number): Point => ({
  x: centre.x + radius * Math.cos(radFromDeg(deg)),
  y: centre.y + radius * Math.sin(radFromDeg(deg)),
})

/** Direction of a vector in the plane, [0, 360). */
export const directionDeg = ({ x, y }: Point) => wrapTo360(degFromRad(Math.atan2(y, x)))
