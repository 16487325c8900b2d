import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '../model'
import { beginSheet } from '../starters'
import { canBeSet, lashRound } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })

/** An engine in line that fires in this order, every valve 17/57/60/20. */
function engine(order: readonly number[], events = true): BuildSheet {
  const base = beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: order.length,
    guide: false,
    tensioner: true,
  })
  return {
    ...base,
    cylinders: base.cylinders.map((one, i) => ({
      ...one,
      firingDeg: known((order.indexOf(i + 1) * 720) / order.length),
    })),
    cams: base.cylinders.flatMap(({ id }, i) =>
      (['inlet', 'exhaust'] as const).map((valve) => ({
        id: `${i + 1} ${valve}`,
        name: `${i + 1} ${valve}`,
        shaftId: 'camshaft',
        cylinderId: id,
        valve,
        ...(events
          ? { opensDeg: known(valve === 'inlet' ? 17 : 60), closesDeg: known(valve === 'inlet' ? 57 : 20) }
          : {}),
      })),
    ),
  }
}

/** The fewest stops by trying every set of places every 30°, the slow truth. */
function fewestSlowly(sheet: BuildSheet): number {
  const places = Array.from({ length: 24 }, (_, i) => i * 30)
  const reach = places.map((deg) =>
    sheet.cams.reduce((bits, cam, i) => (canBeSet(sheet, cam, deg, 'lobeAway') ? bits | (1 << i) : bits), 0),
  )
  const all = (1 << sheet.cams.length) - 1
  let covered = new Set([0])
  for (let n = 1; n <= 6; n++) {
    covered = new Set([...covered].flatMap((bits) => reach.map((one) => bits | one)))
    if (covered.has(all)) return n
  }
  return Infinity
}

describe('the shortest round of crank places that reaches every valve', () => {
  test('a four firing 1-3-4-2, by lobe away: two stops. Common practice: TDC of 1, then a turn on', () => {
    const round = lashRound(engine([1, 3, 4, 2]), 'lobeAway')
    expect(round).toHaveLength(2)
    expect(new Set(round.flatMap(({ camIds }) => camIds)).size).toBe(8)
    const [first] = round
    expect(first?.crankDeg).toBe(0)
    expect([...(first?.camIds ?? [])].sort()).toEqual(['1 exhaust', '1 inlet', '2 inlet', '3 exhaust'])
  })
  test('by the companion’s overlap each cylinder has its own stop, in firing order from where it stands', () => {
    const round = lashRound(engine([1, 3, 4, 2]), 'companion', 200)
    expect(round.map(({ crankDeg }) => crankDeg)).toEqual([360, 540, 0, 180])
    expect(round.map(({ overlapsId }) => overlapsId)).toEqual(['cyl-1', 'cyl-3', 'cyl-4', 'cyl-2'])
  })
  test.each([[[1]], [[1, 2]], [[1, 2, 3]], [[1, 3, 4, 2]], [[1, 5, 3, 6, 2, 4]]])(
    'firing %j: no round is shorter, by trying them all',
    (order) => {
      const sheet = engine(order)
      expect(lashRound(sheet, 'lobeAway').length).toBe(fewestSlowly(sheet))
    },
  )
  test('nothing known of the events: at each own firing TDC', () => {
    expect(lashRound(engine([1, 3, 4, 2], false), 'lobeAway')).toHaveLength(4)
  })
})
