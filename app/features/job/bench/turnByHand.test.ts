import { describe, expect, test } from 'vitest'
import { makeProjection } from '../../../ui/face'
import { makeDrawnCrank } from '../../../store'
import { viewOf } from '../../../testing/viewOf'
import { turnFrom } from './turnByHand'

const box = { left: -100, right: 100, bottom: -100, top: 100 }
const projectionFrom = (side: 'timing' | 'opposite') =>
  makeProjection(box, { width: 400, height: 400, side, margin: { left: 0, right: 0, y: 0 } })

/** A pointer put down on a board of 400 px, its crank in the middle, and moved through places told in degrees counter-clockwise on the screen. */
function drag(
  [first = 0, ...rest]: readonly number[],
  { side = 'timing' as 'timing' | 'opposite', startDeg = 0 } = {},
) {
  const at = (deg: number) =>
    [200 + 80 * Math.cos((deg * Math.PI) / 180), 200 - 80 * Math.sin((deg * Math.PI) / 180)] as const
  const drawn = makeDrawnCrank(startDeg)
  const turn = turnFrom(at(first), {
    projection: projectionFrom(side),
    centre: { x: 0, y: 0 },
    view: viewOf([]),
    drawn,
  })
  for (const deg of rest) turn(at(deg))
  return drawn.get()
}

describe('turning the drawn crank by hand', () => {
  // The bench engine runs clockwise seen from the timing side: going round that way turns it on.
  test('the way it runs turns it on, seen from either side', () => {
    expect(drag([90, 60, 30])).toBeCloseTo(60, 6)
    expect(drag([90, 120, 150], { side: 'opposite' })).toBeCloseTo(60, 6)
  })
  test('back past nothing comes out at the end of the cycle', () =>
    expect(drag([0, 30], { startDeg: 10 })).toBeCloseTo(700, 6))
  test('across the left, where the angle jumps, it goes on smoothly', () =>
    expect(drag([170, 185, 200])).toBeCloseTo(690, 6))
})

describe('the drawn crank', () => {
  test('tells its listeners when it moves, and only then', () => {
    const crank = makeDrawnCrank(5)
    const heard: number[] = []
    const leave = crank.subscribe(() => heard.push(crank.get()))
    crank.set(5)
    crank.set(7)
    leave()
    crank.set(9)
    expect(heard).toEqual([7])
    expect(crank.get()).toBe(9)
  })
})
