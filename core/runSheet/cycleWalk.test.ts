import { describe, expect, test } from 'vitest'
import type { EntryOf } from '../model'
import { beginSheet } from '../starters'
import { sheetWithCams } from '../testing/sheetWithCams'
import { judgeWalk, walkLooks, walkStops, type WalkLook } from '.'

const sheet = sheetWithCams({ opensDeg: 17, closesDeg: 57 }, { opensDeg: 60, closesDeg: 20 })
const at = (deg: number) =>
  Object.fromEntries(
    walkLooks(sheet, deg).map((look) => [
      look.what,
      'valve' in look ? look.valve : 'piston' in look ? look.piston : true,
    ]),
  )

// Worked out by hand from 17/57/60/20 about TDC and BDC; firing TDC of the one cylinder is 0.
describe('a four-stroke every half turn', () => {
  test('0: piston up, both shut, the marks meet', () =>
    expect(at(0)).toMatchObject({ piston: 'top', inlet: 'shut', exhaust: 'shut', mark: true }))
  test('180: piston down, the exhaust has opened 60 before it', () =>
    expect(at(180)).toMatchObject({ piston: 'bottom', inlet: 'shut', exhaust: 'open' }))
  test('360: piston up, both a little open', () =>
    expect(at(360)).toMatchObject({ piston: 'top', inlet: 'barelyOpen', exhaust: 'barelyOpen' }))
  test('540: piston down, the inlet closes 57 after it', () =>
    expect(at(540)).toMatchObject({ piston: 'bottom', inlet: 'open', exhaust: 'shut' }))
  test('a cylinder whose place is not known is left out', () => {
    const [first] = sheet.cylinders
    if (!first) throw new Error('no cylinder')
    const { firingDeg: _gone, ...second } = { ...first, id: 'cyl-2', name: '2' }
    const looks = walkLooks({ ...sheet, cylinders: [first, second] }, 90)
    expect(looks.every(({ cylinderId }) => cylinderId === first.id)).toBe(true)
  })
})

const saw = (wrong: (look: WalkLook, deg: number) => boolean) =>
  judgeWalk(
    sheet,
    walkStops(sheet).flatMap((crankDeg) =>
      walkLooks(sheet, crankDeg).map(
        (look) =>
          ({
            kind: 'walk',
            crankDeg,
            cylinderId: look.cylinderId,
            what: look.what,
            saw: wrong(look, crankDeg) ? 'otherwise' : 'asExpected',
          }) as EntryOf<'walk'>,
      ),
    ),
  )

describe('what the looks mean', () => {
  test('nothing looked at says nothing; all right says how much of it was looked at', () => {
    expect(judgeWalk(sheet, [])).toMatchObject({ meaning: 'nothingYet', looked: 0 })
    expect(saw(() => false)).toMatchObject({ meaning: 'allRight', looked: 14, of: 14 })
  })
  test('pistons right and every valve otherwise: half a turn, or the wrong half', () =>
    expect(saw(({ what }) => what === 'inlet' || what === 'exhaust').meaning).toBe('halfTurn'))
  test('only marks, only pistons, both kinds', () => {
    expect(saw(({ what }) => what === 'mark').meaning).toBe('mark')
    expect(saw(({ what }) => what === 'piston').meaning).toBe('pistons')
    expect(saw(({ what }) => what !== 'mark').meaning).toBe('mixed')
  })
})

test('one bank against the other: the bank whose valves are otherwise', () => {
  const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
  const base = beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 2,
    layout: 'vee',
    drive: 'fourCamBelt',
    guide: false,
    tensioner: true,
  })
  const vee = {
    ...base,
    cylinders: base.cylinders.map((one, i) => ({ ...one, firingDeg: known(i * 270) })),
    cams: base.cams.map((cam) => ({
      ...cam,
      opensDeg: known(cam.valve === 'inlet' ? 17 : 60),
      closesDeg: known(cam.valve === 'inlet' ? 57 : 20),
    })),
  }
  const second = vee.cylinders[1]?.id
  const walks = walkStops(vee).flatMap((crankDeg) =>
    walkLooks(vee, crankDeg).map(
      ({ cylinderId, what }) =>
        ({
          kind: 'walk',
          crankDeg,
          cylinderId,
          what,
          saw: cylinderId === second && (what === 'inlet' || what === 'exhaust') ? 'otherwise' : 'asExpected',
        }) as EntryOf<'walk'>,
    ),
  )
  expect(judgeWalk(vee, walks)).toMatchObject({ meaning: 'oneBank', targetId: vee.cylinders[1]?.bankId })
})

describe('what an eye sees, written as it is', () => {
  const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
  const clocked = { ...sheet, cams: sheet.cams.map((cam) => ({ ...cam, fullLiftClock: known(6) })) }
  const cylinderId = clocked.cylinders[0]?.id ?? ''
  const hourAt = (crankDeg: number, what: 'inlet' | 'exhaust') => {
    const look = walkLooks(clocked, crankDeg).find((one) => one.what === what)
    return look && 'hour' in look ? (look.hour ?? 0) : 0
  }
  const seen = (crankDeg: number, what: 'inlet' | 'exhaust', off = 0) => ({
    crankDeg,
    cylinderId,
    what,
    lobeHour: (hourAt(crankDeg, what) + off + 12) % 12,
  })
  test('pistons and valves as they should be; a valve that is barely open may be seen either way', () => {
    const at = (deg: number, what: 'piston' | 'inlet', said: object) => ({ crankDeg: deg, cylinderId, what, ...said })
    expect(judgeWalk(clocked, [at(0, 'piston', { piston: 'top' }), at(0, 'inlet', { valve: 'shut' })]).meaning).toBe(
      'allRight',
    )
    expect(judgeWalk(clocked, [at(0, 'piston', { piston: 'bottom' })]).meaning).toBe('pistons')
    for (const valve of ['open', 'shut'])
      expect(judgeWalk(clocked, [at(360, 'inlet', { valve })]).meaning).toBe('allRight')
    expect(judgeWalk(clocked, [at(0, 'inlet', { valve: 'open' })]).meaning).toBe('halfTurn')
  })
  test('a lobe an hour and a half off is not held against it, two hours are', () => {
    expect(judgeWalk(clocked, [seen(0, 'inlet', 1.5)]).meaning).toBe('allRight')
    expect(judgeWalk(clocked, [seen(0, 'inlet', 2)]).meaning).toBe('halfTurn')
  })
  test('a camshaft goes 3 hours in half a turn of the crank: a lobe that stood still was misread', () => {
    const stood = { ...seen(0, 'inlet'), crankDeg: 180 }
    const verdict = judgeWalk(clocked, [seen(0, 'inlet'), stood, seen(0, 'exhaust'), seen(180, 'exhaust')])
    expect(verdict.meaning).toBe('misread')
    expect(verdict.impossible).toMatchObject([{ fromDeg: 0, toDeg: 180, sawHours: 0 }])
    expect(Math.abs(verdict.impossible[0]?.goesHours ?? 0)).toBeCloseTo(3, 6)
  })
  test('one lobe off by the same at every stop is that valve, or its camshaft where it has no other', () => {
    const wrong = walkStops(clocked).map((deg) => seen(deg, 'inlet', 3))
    const right = walkStops(clocked).map((deg) => seen(deg, 'exhaust'))
    expect(judgeWalk(clocked, [...wrong, ...right])).toMatchObject({ impossible: [] })
    expect(['oneValve', 'oneCamshaft']).toContain(judgeWalk(clocked, [...wrong, ...right]).meaning)
  })
  test('from where the crank stands', () => {
    expect(walkStops(clocked, 100)).toEqual([100, 280, 460, 640])
    expect(judgeWalk(clocked, [seen(100, 'inlet')], 100)).toMatchObject({ looked: 1, meaning: 'allRight' })
  })
})
