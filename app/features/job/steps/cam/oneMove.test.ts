import { describe, expect, test } from 'vitest'
import { correctByTeeth } from '@link-count/core/cams'
import type { Adjuster, BuildSheet } from '@link-count/core/model'
import type { Move, MoverOf } from '@link-count/core/search'
import { beginSheet } from '@link-count/core/starters'
import { newEntriesOf, oneMoveWords, othersOf } from './oneMove'

const base = beginSheet({
  id: 's',
  engineId: 'e',
  at: '2026-01-01T00:00:00.000Z',
  cylinders: 2,
  layout: 'flat',
  drive: 'twinCam',
  guide: false,
  tensioner: true,
})
const sheet: BuildSheet = {
  ...base,
  running: { value: 'clockwise', typed: 'clockwise', trust: 'measured' },
  couplings: [{ id: 'spline', kind: 'spline', fromId: 'inlet-cam', toId: 'pump' }],
  shafts: [...base.shafts, { id: 'pump', name: 'Pump', kind: 'pump', ratio: { num: 1, den: 2 } }],
  adjusters: [
    { id: 'hub', kind: 'hub', memberId: 'inlet-sprocket', positions: 17 },
    { id: 'keys', kind: 'offsetKey', memberId: 'inlet-sprocket', keysMm: [0.5, 0.8], shaftMm: 25 },
  ],
}
/** 21 to 28 and 18 to 27: a half. */
const withTeeth = (on: BuildSheet): BuildSheet => ({
  ...on,
  members: on.members.map((member) => {
    const n = {
      'crank-sprocket': 21,
      'middle-large': 28,
      'middle-small': 18,
      'exhaust-sprocket': 27,
      'inlet-sprocket': 27,
    }[member.id]
    return n === undefined ? member : { ...member, teeth: { value: n, typed: String(n), trust: 'measured' as const } }
  }),
})
const move = (of: MoverOf, amount: number, laterDeg: number): Move => ({ moverId: of.part, of, amount, laterDeg })
const tooth = (memberId: string): MoverOf => ({ part: 'tooth', loopId: 'chain', memberId })
const adjuster = (adjusterId: string): MoverOf => ({ part: 'adjuster', adjusterId })
const words = (one: Move, side: 'timing' | 'opposite' = 'timing') => oneMoveWords(one, sheet, side)

describe('a move in words, engine clockwise from the timing side', () => {
  test('a late cam: the chain laid back, the other hand from the other side', () => {
    expect(words(move(tooth('inlet-sprocket'), -1, -18))).toBe(
      'Lay the chain one tooth further round the inlet sprocket, anticlockwise.',
    )
    expect(words(move(tooth('inlet-sprocket'), -1, -18), 'opposite')).toContain(', clockwise.')
  })
  test('late all of them: at the driver the chain is laid on, the way the engine runs', () =>
    expect(words(move(tooth('crank-sprocket'), -1, -18))).toBe(
      'Lay the chain one tooth further round the crank sprocket, clockwise.',
    ))
  // 720/17 of the crank later is 21.18° of a camshaft at half speed, and later is against the way it runs.
  test('a hub: the camshaft later in its wheel is turned against the way it runs', () => {
    expect(words(move(adjuster('hub'), 1, 720 / 17))).toBe(
      'Hub of the inlet sprocket, 1 place: the inlet camshaft 21.18° anticlockwise in its sprocket.',
    )
    expect(words(move(adjuster('hub'), -2, -1440 / 17))).toContain('42.35° clockwise in its sprocket')
  })
  test('an offset key by its size, either way round', () => {
    expect(words(move(adjuster('keys'), 2, 7))).toContain('Offset key of 0.8 mm in the inlet sprocket')
    expect(words(move(adjuster('keys'), 3, -4.6))).toContain('Offset key of 0.5 mm in the inlet sprocket')
  })
  test('a coupling put together on makes it earlier', () =>
    expect(words(move({ part: 'coupling', couplingId: 'spline', end: 'near' }, -2, -60))).toBe(
      'Spline of the pump: put together 2 places on.',
    ))
})

/* By another route than the code's: what is said is done on a drive of plain angles, counter-clockwise from the timing side, and the cams read again. */
describe('what an adjuster asks for, done by hand and read again', () => {
  const staged = (running: 'clockwise' | 'anticlockwise', kind: Adjuster['kind'], memberId: string): BuildSheet => ({
    ...beginSheet({
      id: 's',
      engineId: 'e',
      at: '2026-01-01T00:00:00.000Z',
      cylinders: 4,
      drive: 'twoStage',
      guide: false,
      tensioner: true,
    }),
    running: { value: running, typed: running, trust: 'measured' },
    adjusters: [{ id: 'one', kind, memberId, positions: 17, keysMm: [0.5], shaftMm: 25 }],
  })
  /** Plane degrees that the words turn the thing by: which of the two is turned, and by how much. */
  function turnSaid(text: string, side: 'timing' | 'opposite') {
    const [, what = '', deg = '', hand, how] =
      /: the (.+) ([\d.]+)° (clockwise|anticlockwise) (in its|on the)/.exec(text) ?? []
    const asSeen = Number(deg) * (hand === 'anticlockwise' ? 1 : -1)
    return { what, wheelOnShaft: how === 'on the', planeDeg: side === 'timing' ? asSeen : -asSeen }
  }
  /** Every wheel's and shaft's own sense is the crank's here; the crank stands. Gives how much later the camshafts come, crank degrees. */
  function laterBy(text: string, side: 'timing' | 'opposite', { running, perTurn, drives }: Case): number {
    const { wheelOnShaft, planeDeg } = turnSaid(text, side)
    expect(wheelOnShaft, text).toBe(drives)
    // A wheel turned on the shaft that drives it takes all behind it along; a camshaft turned in its wheel goes by itself: the shaft moves as said, either way.
    const alongRunning = running === 'clockwise' ? -planeDeg : planeDeg
    return -alongRunning / perTurn
  }
  interface Case {
    readonly running: 'clockwise' | 'anticlockwise'
    readonly perTurn: number
    readonly drives: boolean
  }
  const kinds = ['hub', 'keyway', 'offsetKey', 'slots', 'taper', 'grubScrews', 'turnedOver', 'couplingSlip'] as const
  const places = [
    ['crank-sprocket', 1, true],
    ['middle-small', 0.75, true],
    ['middle-large', 0.75, false],
    ['inlet-sprocket', 0.5, false],
  ] as const
  test.each(kinds)('%s', (kind) => {
    for (const [memberId, perTurn, drives] of places)
      for (const running of ['clockwise', 'anticlockwise'] as const)
        for (const side of ['timing', 'opposite'] as const)
          for (const laterDeg of [-1.91, 1.91, 12]) {
            const on = withTeeth(staged(running, kind, memberId))
            const text = oneMoveWords(move(adjuster('one'), 1, laterDeg), on, side)
            expect(Math.abs(laterBy(text, side, { running, perTurn, drives }) - laterDeg), text).toBeLessThan(0.02)
          }
  })
})

test('what is written is what the ledger means by it: a late cam is laid back by as many teeth as the count would', () => {
  const set = {
    shared: [],
    cams: [
      {
        id: 'inlet-cam',
        moves: [move(tooth('inlet-sprocket'), -1, -18), move(adjuster('hub'), 1, 720 / 17)],
        leftoverDeg: 0,
      },
    ],
    misses: 0,
    effort: 5,
  }
  const [hub, laidOver] = newEntriesOf(set, [], { sheet, side: 'timing', stepId: 'step' })
  expect(laidOver).toMatchObject({
    kind: 'moved',
    loopId: 'chain',
    memberId: 'inlet-sprocket',
    teeth: correctByTeeth(18, 40, { num: 1, den: 2 }).layTeeth,
  })
  expect(hub).toMatchObject({ kind: 'adjusted', adjusterId: 'hub', laterDeg: 720 / 17 })
  const meant = { loop: sheet.loops[0] as BuildSheet['loops'][number], counts: [], seats: { 'inlet-sprocket': -1 } }
  const [, laid] = newEntriesOf(set, [meant], { sheet, side: 'timing', stepId: 'step' })
  expect(laid).toEqual({ ...laidOver, seats: { 'inlet-sprocket': -1 } })
})

test('other ways: the nearest first, none twice, never the one that is to be done', () => {
  const set = (misses: number, effort: number) => ({ shared: [], cams: [], misses, effort })
  const found = { nearest: [set(0, 9), set(1, 8)], front: [set(9, 0), set(4, 2), set(0, 9)] }
  expect(othersOf(found, found.front[1] ?? set(0, 0)).map(({ effort }) => effort)).toEqual([9, 0])
})
