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
