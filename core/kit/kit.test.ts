import { describe, expect, test } from 'vitest'
import type { BoltGroup, NewEntry } from '../model'
import { oneChainSheet, stateAfter } from '../testing/oneChain'
import { kitOf, kitOwed, saidOfKit, socketFor } from '.'

const group = (change: Partial<BoltGroup>): BoltGroup => ({
  id: 'g',
  name: 'Bolts',
  on: 'flywheel',
  laid: 'ring',
  bolts: Array.from({ length: 6 }, (_, i) => ({ id: `b${i}`, x: 0, y: 0 })),
  order: 'star',
  stages: [],
  ...change,
})
const nm = (value: number) =>
  ({ by: 'torque', nm: { value, typed: `${value} N·m`, trust: 'manual' } }) as BoltGroup['stages'][number]
const nothing = stateAfter([], oneChainSheet())
const kit = (groups: BoltGroup[], entries: NewEntry[] = []) =>
  kitOf(
    { boltGroups: groups },
    [{ kind: 'makeSafe' }, { kind: 'lashFound' }, { kind: 'lashLeft' }],
    stateAfter(entries, oneChainSheet()),
  )
const ids = (lines: readonly { readonly id: string }[]) => lines.map(({ id }) => id)

describe('what fits a hexagon', () => {
  // ISO 4014, DIN 931, ASME B18.2.1; a Whitworth spanner is named after its thread.
  test.each([
    ['M8', '13 mm'],
    ['M10 x 1.25', '16 or 17 mm'],
    ['3/8-24 UNF', '9/16 in'],
    ['3/8 x 16 BSW', '3/8 Whitworth'],
    ['3/8 x 20 BSF', '3/8 BSF'],
    ['M7', undefined],
    ['something', undefined],
    [undefined, undefined],
  ])('%s: %s', (thread, fits) => expect(socketFor(thread)).toBe(fits))
})

describe('what a job wants at hand', () => {
  test('tools of its steps, each once', () =>
    expect(ids(kitOf({}, [{ kind: 'lashFound' }, { kind: 'lashLeft' }, { kind: 'wear' }], nothing))).toEqual([
      'tool-feelers',
      'tool-rule',
      'tool-lamp',
    ]))
  test('by the bolts of its sheet: sockets once, one wrench over all torques, new ones counted', () => {
    const lines = kit([
      group({ id: 'a', thread: 'M8', stages: [nm(11), nm(25)], newEachTime: true }),
      group({
        id: 'b',
        thread: 'M8',
        stages: [nm(40)],
        lockedBy: 'tab',
        threadWith: ['locker'],
        lockerGrade: 'medium',
      }),
      group({ id: 'c', stages: [], stretch: true, threadWith: ['oil', 'locker'], lockerGrade: 'medium' }),
    ])
    expect(ids(lines).slice(3)).toEqual([
      'socket-13 mm',
      'torqueWrench',
      'new-a',
      'locks-b',
      'new-c',
      'thread-locker-medium',
      'thread-oil',
    ])
    expect(lines).toContainEqual({ id: 'torqueWrench', is: 'torqueWrench', leastNm: 11, mostNm: 40 })
    expect(lines.find(({ id }) => id === 'new-a')).toMatchObject({ n: 6 })
  })
  test('what was found worn, and what was written down by hand', () => {
    const lines = kit(
      [],
      [
        { kind: 'finding', part: 'guide', partId: 'guide', saw: 'grooved', verdict: 'renewNow' },
        { kind: 'finding', part: 'seal', partId: 'seal', saw: '', verdict: 'goesOn' },
        { kind: 'kit', itemId: 'own-1', is: 'owed', words: 'gasket' },
        { kind: 'kit', itemId: 'tool-feelers', is: 'here', words: '' },
      ],
    )
    expect(ids(lines)).toEqual(['tool-feelers', 'tool-turningTool', 'tool-rags', 'renew-guide', 'own-1'])
  })
  test('owed is what was said to be, and nothing that nobody spoke of', () => {
    const said: NewEntry[] = [
      { kind: 'kit', itemId: 'tool-rags', is: 'owed', words: '' },
      { kind: 'kit', itemId: 'tool-feelers', is: 'owed', words: '' },
      { kind: 'kit', itemId: 'tool-feelers', is: 'here', words: '' },
    ]
    const state = stateAfter(said, oneChainSheet())
    expect(ids(kitOwed(kit([], said), state))).toEqual(['tool-rags'])
    expect(saidOfKit(state, 'tool-turningTool')).toBeUndefined()
  })
})
