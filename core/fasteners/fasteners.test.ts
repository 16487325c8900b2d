import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BoltGroup, NewEntry } from '../model'
import { parseTorque, torqueIn } from '../units'
import { oneChainSheet, stateAfter } from '../testing/oneChain'
import {
  crowFootSetting,
  inHand,
  layBolts,
  locksBefore,
  passesOf,
  readThread,
  stageOf,
  tighteningOf,
  toldOf,
  torqueSuits,
  wrenchReaches,
} from '.'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'manual' as const })
const group = (more: Partial<BoltGroup> = {}): BoltGroup => ({
  id: 'caps',
  name: 'Cap bolts',
  on: 'cap',
  laid: 'pairs',
  bolts: layBolts('pairs', 10),
  order: 'fromMiddle',
  stages: [
    { by: 'torque', nm: known(10) },
    { by: 'torque', nm: known(20) },
    { by: 'angle', deg: known(90) },
  ],
  ...more,
})
const did = (
  boltId: string,
  pass: number,
  how: Extract<NewEntry, { kind: 'bolt' }>['did'] = 'tightened',
): NewEntry => ({
  kind: 'bolt',
  groupId: 'caps',
  boltId,
  pass,
  did: how,
})
const begun: NewEntry = { kind: 'boltGroup', groupId: 'caps', change: 'begun' }
const loosened: NewEntry = { kind: 'boltGroup', groupId: 'caps', change: 'loosened' }
const after = (of: BoltGroup, ...entries: NewEntry[]) => tighteningOf(of, stateAfter(entries, oneChainSheet()))

describe('torques', () => {
  // Source: NIST SP 811; handbook 20.
  test.each([
    ['29.5 ft-lb', 39.997],
    ['33 ft-lb', 44.742],
    ['15 ft-lb', 20.337],
    ['132 in-lb', 14.914],
    ['1 kgf·m', 9.80665],
  ])('%s', (text, nm) => {
    const read = parseTorque(text)
    expect(read.ok && read.value.value).toBeCloseTo(nm, 3)
  })
  test('8.5 N·m are 75.23 in-lb', () => expect(torqueIn(8.5, 'in-lb')).toBeCloseTo(75.23, 2))
  test('11 without a unit is asked about', () =>
    expect(parseTorque('11')).toMatchObject({ ok: false, error: { code: 'unitMissing' } }))
})

describe('a crow-foot of 50 on a wrench of 400 (handbook 20, worked out by levers)', () => {
  test.each([
    [0, 0.889],
    [45, 0.919],
    [90, 1],
  ])('at %s° set %s of what is wanted', (angleDeg, share) =>
    expect(crowFootSetting(1, { wrenchMm: 400, footMm: 50, angleDeg })).toBeCloseTo(share, 3),
  )
  test('folded back it is set higher', () =>
    expect(crowFootSetting(40, { wrenchMm: 400, footMm: 50, angleDeg: 180 })).toBeGreaterThan(40))
  test('what a wrench is made for', () =>
    expect([4, 5, 25, 26].map((nm) => wrenchReaches(nm, { least: 5, most: 25 }))).toEqual([
      'below',
      'within',
      'within',
      'above',
    ]))
})

describe('stages', () => {
  test('half turns are a time round each; without a stage it is by hand, once', () => {
    expect(
      passesOf({
        stages: [
          { by: 'halfTurns', rounds: 3 },
          { by: 'torque', nm: known(8) },
        ],
      }),
    ).toHaveLength(4)
    expect(passesOf({ stages: [] })).toEqual([{ by: 'hand', stage: 0 }])
  })
  test('one left out is the next, and nothing is gone past', () => {
    const { next, order } = after(group(), begun, did('b5', 0), did('b3', 0))
    expect(next).toMatchObject({ bolt: { id: order[1]?.id }, pass: 0 })
  })
  test('one done twice is seen, and an angle twice is told', () => {
    const three = group({ bolts: layBolts('ring', 3), order: 'asStamped' })
    const all = [0, 1, 2].flatMap((pass) => ['b1', 'b2', 'b3'].map((id) => did(id, pass)))
    const { next, twice, begun: at, passes } = after(three, begun, ...all, did('b2', 2))
    expect(next).toBeUndefined()
    expect(twice).toEqual([{ boltId: 'b2', pass: 2 }])
    expect(toldOf(three, { twice, begun: at, passes })).toContain('angleTwice')
    // The wrench held to it again turns nothing further.
    expect(after(three, begun, ...all, did('b2', 1, 'checked')).twice).toEqual([])
  })
  test('slackened, one starts afresh; loosened, all of them do', () => {
    const done = [did('b5', 0), did('b6', 0)]
    expect(after(group(), begun, ...done, did('b5', 0, 'slackened')).next).toMatchObject({
      bolt: { id: 'b5' },
      pass: 0,
    })
    const again = after(group(), begun, ...done, loosened)
    expect(stageOf(again)).toBe('notBegun')
    expect(stageOf(after(group(), begun, ...done))).toBe('inWork')
  })
})

describe('after an interruption', () => {
  const two = [...[0, 1].flatMap((pass) => layBolts('pairs', 10).map(({ id }) => did(id, pass)))]
  test('in a torque stage the wrench is held to it again', () =>
    expect(inHand(after(group(), begun, did('b5', 0)), false)).toBe('wrenchAgain'))
  test('in an angle stage its paint line decides', () => {
    const at = after(group(), begun, ...two, did('b5', 2), did('b6', 2), did('b7', 2), did('b4', 2))
    expect(at.next).toMatchObject({ pass: 2 })
    expect(inHand(at, false)).toBe('paintSays')
    expect(inHand(at, true)).toBe('known')
  })
  test('where nothing was begun, or all is done, nothing is asked', () => {
    expect(inHand(after(group()), false)).toBe('known')
    expect(inHand(after(group({ stages: [{ by: 'torque', nm: known(10) }] }), begun, ...two.slice(0, 10)), false)).toBe(
      'known',
    )
  })
  test('any interruption resumes at the bolt that is next, whatever was done before', () =>
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 12 }), fc.nat(40), (n, done) => {
        const some = group({ bolts: layBolts('ring', n), order: 'star' })
        const { order, passes } = after(some)
        const line = passes.flatMap((_, pass) => order.map(({ id }) => did(id, pass)))
        const so = line.slice(0, done)
        const { next } = after(some, begun, ...so)
        const wanted = line[so.length]
        expect(next && [next.bolt.id, next.pass]).toEqual(
          wanted?.kind === 'bolt' ? [wanted.boltId, wanted.pass] : undefined,
        )
      }),
      { numRuns: 60 },
    ))
})

describe('whether a figure suits its thread', () => {
  const one = (nm: number, more: Partial<BoltGroup> = {}) =>
    torqueSuits(
      group({ stages: [{ by: 'torque', nm: known(nm) }], thread: 'M8', strength: '8.8', into: 'steel', ...more }),
    )
  test('by the table of class 8.8 (handbook 20, from memory)', () => {
    expect(one(25)).toMatchObject({ is: 'suits', usualNm: 25, from: 'table' })
    expect(one(132)).toMatchObject({ is: 'muchMore' })
    expect(one(11)).toMatchObject({ is: 'muchLess' })
  })
  // By hand: M10 x 1 of 10.9: 64.5 mm², 0.75 · 830 · 64.5 = 40.15 kN, times 0.2 · 10 mm is 80.3 N·m.
  test('otherwise by its stress area (independently computed)', () => {
    const fine = one(80, { thread: 'M10 x 1', strength: '10.9' })
    expect(fine).toMatchObject({ is: 'suits', from: 'stressArea' })
    expect('usualNm' in fine && fine.usualNm).toBeCloseTo(80.3, 0)
  })
  test('what is not known is never judged', () => {
    const whys = [
      one(25, { into: 'lightMetal' }),
      one(25, { thread: '3/8 BSC' }),
      one(25, { strength: '' }),
      one(25, { stretch: true }),
      torqueSuits(group()),
      torqueSuits(group({ stages: [] })),
    ]
    expect(whys.map((said) => said.is === 'cannotJudge' && said.why)).toEqual([
      'material',
      'thread',
      'strength',
      'stretch',
      'angle',
      'noTorque',
    ])
  })
  // Source: ISO 898-1 and ASME B1.1 tables of nominal stress areas, mm².
  test.each([
    ['M6', 20.1],
    ['M10', 58],
    ['M12 x 1.25', 92.1],
    ['3/8-24 UNF', 56.6],
    ['1/2-13 UNC', 91.5],
  ])('stress area of %s', (text, area) => expect(readThread(text)?.stressAreaMm2).toBeCloseTo(area, 0))
  test.each(['M7', '3/8', 'M', '', '3/8-0 UNF', '3/8 x 26 BSC'])('%s is no thread that is told here', (text) =>
    expect(readThread(text)).toBeUndefined(),
  )
})

describe('what is told', () => {
  const told = (more: Partial<BoltGroup>, ...entries: NewEntry[]) => {
    const of = group(more)
    return toldOf(of, after(of, ...entries))
  }
  const with_ = (boltsAre: 'new' | 'used'): NewEntry => ({ ...begun, boltsAre }) as NewEntry
  test('oil with thread-locker', () => expect(told({ threadWith: ['oil', 'locker'] })).toEqual(['oilWithLocker']))
  test('a stretch bolt used again, or nobody said', () => {
    expect(told({ stretch: true }, with_('used'))).toEqual(['stretchUsed'])
    expect(told({ stretch: true }, with_('new'))).toEqual([])
    expect(told({ stretch: true }, begun)).toEqual(['whichBoltsNotSaid'])
    expect(told({ newEachTime: true }, with_('used'))).toEqual(['usedAgain'])
  })
  test('two figures for one group, and a stage less than the one before', () => {
    expect(told({ alsoNm: known(26) })).toEqual(['twoFigures'])
    expect(told({ alsoNm: known(20.5) })).toEqual([])
    expect(
      told({
        stages: [
          { by: 'torque', nm: known(20) },
          { by: 'torque', nm: known(12) },
        ],
      }),
    ).toEqual(['lessThanBefore'])
  })
})

describe('locks and torque', () => {
  const lock: NewEntry = { kind: 'item', itemId: 'lock', item: 'lock', where: '', change: 'in' }
  const state = stateAfter([lock], oneChainSheet())
  const sprocket = (locks?: 'stayIn' | 'outFirst') => group({ on: 'sprocket', ...(locks ? { locks } : {}) })
  test('which comes first is asked, and no torque goes through a lock', () => {
    expect(locksBefore(sprocket(), state, false)).toBe('notSaid')
    expect(locksBefore(sprocket('outFirst'), state, true)).toBe('outFirst')
    expect(locksBefore(sprocket('stayIn'), state, false)).toBe('counterHold')
    expect(locksBefore(sprocket('stayIn'), state, true)).toBeUndefined()
  })
  test('without a lock, or on a cover, nothing stands before it', () => {
    expect(locksBefore(sprocket(), stateAfter([], oneChainSheet()), false)).toBeUndefined()
    expect(locksBefore(group({ on: 'cover' }), state, false)).toBeUndefined()
  })
})
