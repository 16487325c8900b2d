import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, Member, Shaft } from '../model'
import { ratioOf, ratioValue } from '../units'
import { oneChainSheet } from '../testing/oneChain'
import { identifyChain, judgeLengths } from '.'
import { readDrive } from './readDrive'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
type Passed = 'inside' | 'outside'

interface Parts {
  readonly shafts: Record<string, readonly [kind: Shaft['kind'], num: number, den: number]>
  readonly members: Record<string, readonly [shaftId: string, teeth?: number, kind?: Member['kind']]>
  readonly loops?: Record<string, { path: readonly (readonly [memberId: string, passed?: Passed])[]; pitches?: number }>
  readonly meshes?: readonly (readonly [string, string])[]
  readonly couplings?: readonly (readonly [string, string])[]
}

function drive({ shafts, members, loops = {}, meshes = [], couplings = [] }: Parts): BuildSheet {
  return oneChainSheet({
    shafts: Object.entries(shafts).map(([id, [kind, num, den]]) => ({ id, name: id, kind, ratio: ratioOf(num, den) })),
    members: Object.entries(members).map(([id, [shaftId, teeth, kind = 'sprocket']]) => ({
      id,
      name: id,
      kind,
      shaftId,
      ...(teeth === undefined ? {} : { teeth: known(teeth) }),
    })),
    loops: Object.entries(loops).map(([id, { path, pitches }]) => ({
      id,
      name: id,
      kind: 'rollerChain',
      path: path.map(([memberId, passed = 'inside']) => ({ memberId, passed })),
      ...(pitches === undefined ? {} : { pitches: known(pitches) }),
    })),
    couplings: [
      ...meshes.map(([fromId, toId], i) => ({ id: `mesh-${i}`, kind: 'gearMesh' as const, fromId, toId })),
      ...couplings.map(([fromId, toId], i) => ({ id: `coupling-${i}`, kind: 'spline' as const, fromId, toId })),
    ],
  })
}

describe('ratios by walking the drive', () => {
  test('two-stage: 21 to 28, then 18 to 27, is half speed exactly', () => {
    const sheet = drive({
      shafts: { crank: ['crank', 1, 1], mid: ['intermediate', 3, 4], in: ['cam', 1, 2], ex: ['cam', 1, 2] },
      members: { a: ['crank', 21], b: ['mid', 28], c: ['mid', 18], d: ['in', 27], e: ['ex', 27] },
      loops: { lower: { path: [['a'], ['b']] }, upper: { path: [['c'], ['d'], ['e']] } },
    })
    const { ratios, conflicts, wrong, undriven } = readDrive(sheet)
    expect(ratios).toMatchObject({ mid: { num: 3, den: 4 }, in: { num: 1, den: 2 }, ex: { num: 1, den: 2 } })
    expect([conflicts, wrong, undriven]).toEqual([[], [], []])
  })
  test('a gear turns the other way, and what a belt passes outside does too', () => {
    const sheet = drive({
      shafts: { crank: ['crank', 1, 1], gear: ['intermediate', 1, 2], cam: ['cam', 1, 2], pump: ['pump', 1, 1] },
      members: {
        pinion: ['crank', 20, 'gear'],
        big: ['gear', 40, 'gear'],
        s1: ['gear', 30],
        s2: ['cam', 30],
        p1: ['crank', 22],
        p2: ['pump', 22],
      },
      meshes: [['pinion', 'big']],
      loops: { chain: { path: [['s1'], ['s2']] }, belt: { path: [['p1'], ['p2', 'outside']] } },
    })
    expect(readDrive(sheet).ratios).toMatchObject({
      gear: { num: -1, den: 2 },
      cam: { num: -1, den: 2 },
      pump: { num: -1, den: 1 },
    })
  })
  test('a spline carries its ratio on; a shaft nothing drives is named', () => {
    const sheet = drive({
      shafts: { crank: ['crank', 1, 1], cam: ['cam', 1, 2], quill: ['magneto', 1, 2], lone: ['pump', 1, 2] },
      members: { a: ['crank', 20], b: ['cam', 40] },
      loops: { chain: { path: [['a'], ['b']] } },
      couplings: [['cam', 'quill']],
    })
    expect(readDrive(sheet)).toMatchObject({ ratios: { quill: { num: 1, den: 2 } }, undriven: ['lone'] })
  })
  test('two ways round that disagree are found', () => {
    const sheet = drive({
      shafts: { crank: ['crank', 1, 1], cam: ['cam', 1, 2] },
      members: { a: ['crank', 20], b: ['cam', 40], g: ['crank', 20, 'gear'], h: ['cam', 41, 'gear'] },
      loops: { chain: { path: [['a'], ['b']] } },
      meshes: [['g', 'h']],
    })
    expect(readDrive(sheet).conflicts).toMatchObject([{ shaftId: 'cam' }])
  })
  test('20 to 42 is not half speed: is it 21 or 40? (handbook 6, independently computed)', () => {
    const sheet = drive({
      shafts: { crank: ['crank', 1, 1], cam: ['cam', 1, 2] },
      members: { a: ['crank', 20], b: ['cam', 42] },
      loops: { chain: { path: [['a'], ['b']] } },
    })
    const [wrong] = readDrive(sheet).wrong
    expect(wrong?.recounts.map(({ memberId, shouldBe }) => [memberId, shouldBe])).toEqual([
      ['a', 21],
      ['b', 40],
    ])
  })
  test('over several stages any one miscount on the way is offered, an idler never', () => {
    const sheet = drive({
      shafts: { crank: ['crank', 1, 1], idle: ['idler', 1, 1], mid: ['intermediate', 3, 4], cam: ['cam', 1, 2] },
      members: {
        a: ['crank', 21, 'gear'],
        i: ['idle', 31, 'gear'],
        b: ['mid', 28, 'gear'],
        c: ['mid', 18],
        d: ['cam', 28],
      },
      meshes: [
        ['a', 'i'],
        ['i', 'b'],
      ],
      loops: { upper: { path: [['c'], ['d']] } },
    })
    const [wrong] = readDrive(sheet).wrong
    expect(wrong).toMatchObject({ shaftId: 'cam', ratio: { num: 27, den: 56 } })
    expect(wrong?.recounts.map(({ memberId, shouldBe }) => [memberId, shouldBe])).toEqual([
      ['b', 27],
      ['d', 27],
    ])
  })
  test('along a chain of random gears the ratio is the quotient of the ends, sign by their number', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 8, max: 120 }), { minLength: 2, maxLength: 12 }), (teeth) => {
        const name = (i: number) => `s${i}`
        const sheet = drive({
          shafts: Object.fromEntries(teeth.map((_z, i) => [name(i), [i === 0 ? 'crank' : 'idler', 1, 1]])),
          members: Object.fromEntries(teeth.map((z, i) => [`g${i}`, [name(i), z, 'gear']])),
          meshes: teeth.slice(1).map((_z, i) => [`g${i}`, `g${i + 1}`] as const),
        })
        const last = readDrive(sheet).ratios[name(teeth.length - 1)]
        const expected = ((teeth.length % 2 === 0 ? -1 : 1) * (teeth[0] ?? 1)) / (teeth.at(-1) ?? 1)
        expect(last && ratioValue(last)).toBeCloseTo(expected, 12)
      }),
    )
  })
})

describe('what meets again, and when', () => {
  const chain = (crank: number, cam: number, pitches: number) =>
    drive({
      shafts: { crank: ['crank', 1, 1], cam: ['cam', 1, 2] },
      members: { a: ['crank', crank], b: ['cam', cam] },
      loops: { chain: { path: [['a'], ['b']], pitches } },
    })
  // Independently computed (handbook 6).
  test.each([
    [21, 42, 114, 38],
    [20, 40, 96, 24],
  ])('%i/%i with %i links: links repeat after %i turns', (crank, cam, pitches, turns) =>
    expect(readDrive(chain(crank, cam, pitches)).repeats).toMatchObject({
      loops: [{ turns }],
      shafts: [{ turns: 1 }, { turns: 2 }],
    }),
  )
  test('idler marks that meet every ten turns are ordinary (handbook 6, common practice)', () => {
    const sheet = drive({
      shafts: { crank: ['crank', 1, 1], idle: ['idler', 7, 10] },
      members: { a: ['crank', 21, 'gear'], b: ['idle', 30, 'gear'] },
      meshes: [['a', 'b']],
    })
    expect(readDrive(sheet).repeats).toMatchObject({ meshes: [{ turns: 10 }], allTurns: 10 })
  })
  test('against turning it over tooth by tooth until everything is back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 9, max: 30 }), fc.integer({ min: 40, max: 130 }), (z, links) => {
        const { allTurns } = readDrive(chain(z, 2 * z, links)).repeats
        let turns = 0
        do turns++
        while ((turns * z) % links !== 0 || turns % 2 !== 0)
        expect(allTurns).toBe(turns)
      }),
    )
  })
})

describe('which chain is it', () => {
  test('ten pitches of 95.73 mm, roller 6.3, inner 5.7: 3/8 in, the wider, half a percent long', () => {
    const [best] = identifyChain({ spanMm: 95.73, pitches: 10, rollerMm: 6.3, widthMm: 5.7 })
    expect(best).toMatchObject({ size: { name: '06B' }, fits: true })
    expect(best?.elongation).toBeCloseTo(0.00504, 4)
  })
  test('the same pitch with a thin roller is the other one', () =>
    expect(identifyChain({ spanMm: 95.25, pitches: 10, rollerMm: 5.05, widthMm: 4.7 })[0]?.size.name).toBe('06C'))
  test('pitch alone leaves several, none of them gauged out', () =>
    expect(identifyChain({ spanMm: 127, pitches: 10 }).map(({ size }) => size.name)).toEqual([
      '08A',
      '08B',
      '081',
      '082',
      '083',
      '084',
      '085',
    ]))
  test('nothing near is nothing', () => expect(identifyChain({ spanMm: 77.74, pitches: 10 })).toEqual([]))
})

test('lengths for sale: which closes, with how much left', () => {
  const sheet = oneChainSheet()
  const geometric: BuildSheet = {
    ...sheet,
    shafts: sheet.shafts.map((shaft) =>
      shaft.kind === 'cam' ? { ...shaft, position: { how: 'xy', xMm: known(14), yMm: known(193.2746) } } : shaft,
    ),
    members: sheet.members.map((member) => (member.kind === 'tensioner' ? { ...member, radiusMm: known(62) } : member)),
    loops: sheet.loops.map((loop) => ({ ...loop, pitchMm: known(9.525) })),
  }
  const offers = judgeLengths(geometric, geometric.loops[0] as never, [68, 69, 70, 71])
  expect(offers.map(({ closes }) => closes)).toEqual([false, false, true, true])
  expect(offers[0]?.leftPitches).toBeLessThan(-1)
  expect(offers[2]?.leftPitches).toBeGreaterThan(0)
  expect(offers.map(({ crankedLink }) => crankedLink)).toEqual([false, true, false, true])
})
