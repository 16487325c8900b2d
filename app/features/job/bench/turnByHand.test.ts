import type { PointerEvent as ReactPointerEvent } from 'react'
import { describe, expect, test } from 'vitest'
import { makeProjection } from '../../../ui/face'
import { makeDrawnCrank } from '../../../store'
import { viewOf } from '../../../testing/viewOf'
import { startTurning } from './turnByHand'

const box = { left: -100, right: 100, bottom: -100, top: 100 }
const projectionFrom = (side: 'timing' | 'opposite') =>
  makeProjection(box, { width: 400, height: 400, side, margin: { left: 0, right: 0, y: 0 } })

/** A pointer put down on a board of 400 px, its crank in the middle, and moved through places told in degrees counter-clockwise on the screen. */
function drag(degs: readonly number[], { side = 'timing' as 'timing' | 'opposite', button = 0, startDeg = 0 } = {}) {
  const element = document.createElement('div')
  element.setPointerCapture = () => undefined
  element.getBoundingClientRect = () => ({ left: 0, top: 0, width: 400, height: 400 }) as DOMRect
  const at = (deg: number) => ({
    clientX: 200 + 80 * Math.cos((deg * Math.PI) / 180),
    clientY: 200 - 80 * Math.sin((deg * Math.PI) / 180),
  })
  const drawn = makeDrawnCrank(startDeg)
  const [first = 0, ...rest] = degs
  startTurning(
    { currentTarget: element, button, pointerId: 1, ...at(first) } as unknown as ReactPointerEvent<HTMLElement>,
    {
      projection: projectionFrom(side),
      centre: { x: 0, y: 0 },
      view: viewOf([]),
      drawn,
    },
  )
  const send = (kind: string, deg: number) => element.dispatchEvent(Object.assign(new Event(kind), at(deg)))
  for (const deg of rest) send('pointermove', deg)
  return { drawn, send }
}

describe('turning the drawn crank by hand', () => {
  // The bench engine runs clockwise seen from the timing side: going round that way turns it on.
  test('the way it runs turns it on, seen from either side', () => {
    expect(drag([90, 60, 30]).drawn.get()).toBeCloseTo(60, 6)
    expect(drag([90, 120, 150], { side: 'opposite' }).drawn.get()).toBeCloseTo(60, 6)
  })
  test('back past nothing comes out at the end of the cycle', () =>
    expect(drag([0, 30], { startDeg: 10 }).drawn.get()).toBeCloseTo(700, 6))
  test('across the left, where the angle jumps, it goes on smoothly', () =>
    expect(drag([170, 185, 200]).drawn.get()).toBeCloseTo(690, 6))
  test('let go, it stays; another button does nothing', () => {
    const { drawn, send } = drag([90, 60])
    send('pointerup', 60)
    send('pointermove', 0)
    expect(drawn.get()).toBeCloseTo(30, 6)
    expect(drag([90, 60], { button: 2 }).drawn.get()).toBe(0)
  })
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
