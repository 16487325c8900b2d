import { describe, expect, test } from 'vitest'
import { namePlace } from './namePlace'

const order = ['right', 'left', 'above', 'below'] as const
const words = { words: 'exhaust sprocket, 40', gap: 18, order }
const wheel = { x: 600, y: 300, r: 70 }

describe('a name beside its wheel', () => {
  test('on the first side that is free', () =>
    expect(namePlace(wheel, [], words)).toEqual({ x: 688, y: 305, textAnchor: 'start' }))
  test('another wheel on the right: on the left; both sides taken: above', () => {
    const right = { x: 760, y: 300, r: 70 }
    expect(namePlace(wheel, [right], words)).toMatchObject({ textAnchor: 'end', x: 512 })
    expect(namePlace(wheel, [right, { x: 440, y: 300, r: 70 }], words)).toMatchObject({ textAnchor: 'middle', y: 212 })
  })
  test('never over the readout at the upper left', () =>
    expect(namePlace({ x: 300, y: 120, r: 40 }, [{ x: 420, y: 120, r: 40 }], words)).toMatchObject({
      textAnchor: 'middle',
      y: 188,
    }))
  test('nowhere free: the first side', () =>
    expect(namePlace(wheel, [{ x: 600, y: 300, r: 2000 }], words).textAnchor).toBe('start'))
})
