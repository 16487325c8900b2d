import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '../../model'
import { beginSheet } from '../../starters'
import { canAllBeShut } from './relief'

/* Source: handbook 17. */
const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
const bare = beginSheet({
  id: 's',
  engineId: 'e',
  at: '2026-01-05T08:00:00.000Z',
  cylinders: 2,
  guide: false,
  tensioner: true,
})
/** Two cylinders whose lobes sit on one camshaft, the second firing so many degrees on. */
const twin = (firesDeg: number, events = false): BuildSheet => ({
  ...bare,
  cylinders: bare.cylinders.map((one, i) => ({ ...one, firingDeg: known(i === 0 ? 0 : firesDeg) })),
  cams: ['cyl-1', 'cyl-2'].flatMap((cylinderId) =>
    (['inlet', 'exhaust'] as const).map((valve) => ({
      id: `${cylinderId} ${valve}`,
      name: valve,
      shaftId: 'camshaft',
      cylinderId,
      valve,
      ...(events
        ? { opensDeg: known(valve === 'inlet' ? 17 : 60), closesDeg: known(valve === 'inlet' ? 57 : 20) }
        : {}),
    })),
  ),
})

describe('a place where every valve of a camshaft is shut', () => {
  test('nothing known of its events: both of a twin that fires half a turn apart, and of no other', () => {
    expect(canAllBeShut(twin(180), 'camshaft')).toBe(true)
    expect(canAllBeShut(twin(540), 'camshaft')).toBe(true)
    for (const firesDeg of [270, 290, 360]) expect(canAllBeShut(twin(firesDeg), 'camshaft')).toBe(false)
  })
  test('with 17/57/60/20 it is computed: the same', () => {
    expect(canAllBeShut(twin(180, true), 'camshaft')).toBe(true)
    for (const firesDeg of [270, 360]) expect(canAllBeShut(twin(firesDeg, true), 'camshaft')).toBe(false)
  })
  test('where it fires is not known: it is not taken', () => {
    const [first, second] = twin(180).cylinders
    if (!first || !second) throw new Error('no twin')
    const { firingDeg: _unknown, crankpinDeg: _pin, ...rest } = second
    expect(canAllBeShut({ ...twin(180), cylinders: [first, rest] }, 'camshaft')).toBe(false)
  })
})
