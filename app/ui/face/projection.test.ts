import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { sheetWith } from '@link-count/core/testing/threeMembers'
import { AS_MARKED, makeDriveScene } from '@link-count/core/scene'
import { boxOf, makeProjection, MOST_ZOOM, WHOLE, zoomAt } from './projection'

const box = { left: -100, right: 100, bottom: -50, top: 250 }
const view = { width: 800, height: 600, side: 'timing' as const, margin: { left: 50, right: 50, y: 20 } }

describe('from the plane to the screen', () => {
  test('the whole box fits between the margins, up is up', () => {
    const { x, y, scale } = makeProjection(box, view)
    // 300 mm have 560 px, 200 mm would have 700: the height settles it.
    expect(scale).toBeCloseTo(560 / 300, 9)
    expect(y({ x: 0, y: 250 })).toBeCloseTo(20, 9)
    expect(y({ x: 0, y: -50 })).toBeCloseTo(580, 9)
    expect(x({ x: 0, y: 0 })).toBeCloseTo(400, 9)
    expect(x({ x: 100, y: 0 })).toBeGreaterThan(400)
  })
  test('from the other side it is its mirror image, and turns go the other way', () => {
    const [here, there] = [makeProjection(box, view), makeProjection(box, { ...view, side: 'opposite' })]
    fc.assert(
      fc.property(
        fc.double({ min: -100, max: 100, noNaN: true }),
        fc.double({ min: -50, max: 250, noNaN: true }),
        (px, py) => {
          expect(here.x({ x: px, y: py }) + there.x({ x: px, y: py })).toBeCloseTo(800, 6)
          expect(here.y({ x: px, y: py })).toBeCloseTo(there.y({ x: px, y: py }), 6)
        },
      ),
    )
    expect(here.rotation(30) + there.rotation(30)).toBe(0)
    expect([here.mirror, there.mirror]).toEqual([1, -1])
  })
  test('a box of nothing does not divide by it', () => {
    const { scale, x } = makeProjection({ left: 0, right: 0, bottom: 0, top: 0 }, { ...view, width: 40 })
    expect(Number.isFinite(scale) && Number.isFinite(x({ x: 0, y: 0 }))).toBe(true)
  })
})

describe('coming nearer', () => {
  test('what is under the fingers stays there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.01, max: MOST_ZOOM, noNaN: true }),
        fc.double({ min: 0, max: 800, noNaN: true }),
        fc.double({ min: 0, max: 600, noNaN: true }),
        (zoom, x, y) => {
          const before = makeProjection(box, view)
          const after = makeProjection(box, { ...view, look: zoomAt(WHOLE, zoom, { x, y }) })
          // The place of the plane under the finger, worked back through the first projection.
          const plane = {
            x: (x - before.x({ x: 0, y: 0 })) / before.scale,
            y: (before.y({ x: 0, y: 0 }) - y) / before.scale,
          }
          expect(after.x(plane)).toBeCloseTo(x, 6)
          expect(after.y(plane)).toBeCloseTo(y, 6)
        },
      ),
    )
  })
  test('never nearer than the most, and all the way back is the whole again', () => {
    expect(zoomAt(WHOLE, 99, { x: 10, y: 10 }).zoom).toBe(MOST_ZOOM)
    expect(zoomAt(zoomAt(WHOLE, 4, { x: 10, y: 10 }), 0.2, { x: 500, y: 1 })).toEqual(WHOLE)
  })
})

test('the box of a drive holds its sprockets whole', () => {
  const scene = makeDriveScene(sheetWith({}), AS_MARKED)
  const { left, right, bottom, top } = boxOf(scene)
  for (const { centre, radiusMm } of scene.toothed) {
    expect(centre.x - radiusMm).toBeGreaterThan(left)
    expect(centre.x + radiusMm).toBeLessThan(right)
    expect(centre.y - radiusMm).toBeGreaterThan(bottom)
    expect(centre.y + radiusMm).toBeLessThan(top)
  }
})
