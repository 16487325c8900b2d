import { describe, expect, test } from 'vitest'
import { makeRandom } from '../random'
import { combineZero, shareHeld, type SimulatedReader, type ZeroReading } from '.'

/* Independently computed: two sigma of a Gaussian hold 95.45%. Ten thousand simulated benches for each method; seeds are fixed. */
const TRIALS = 10_000
const half = (random: () => number) => 15 + 25 * random()
const drop = (random: () => number) => 0.8 + 7 * random()

const methods: readonly (readonly [string, (reader: SimulatedReader, random: () => number) => ZeroReading[]])[] = [
  ['positive stop', (reader, random) => [reader.stop(half(random))]],
  ['dial at one drop', (reader, random) => [reader.dial(drop(random))]],
  ['dial at six drops', (reader) => [1, 2, 3, 4, 5, 6].map((drop) => reader.dial(drop))],
  ['dwell felt once', (reader) => [reader.dwell('screwdriver', 1)]],
  ['dwell felt three times', (reader) => [reader.dwell('pick', 3)]],
  ['dwell felt eight times', (reader) => [reader.dwell('valve', 8)]],
  ['stop at two depths', (reader, random) => [reader.stop(15 + 8 * random()), reader.stop(28 + 8 * random())]],
  [
    'stop, dial and dwell together',
    (reader, random) => [
      reader.stop(half(random)),
      reader.dial(2),
      reader.dial(4),
      reader.dial(6),
      reader.dwell('pick', 3),
    ],
  ],
]

describe.each(methods)('the ± of: %s', (_name, readings) => {
  test('holds the truth in 94 to 96.5% with Gaussian noise', () => {
    const share = shareHeld({ trials: TRIALS, random: makeRandom(20261124), noise: 'gaussian', readings })
    expect(share).toBeGreaterThanOrEqual(0.94)
    expect(share).toBeLessThanOrEqual(0.965)
  })
  test('holds the truth in at least 94% with readings rounded to the divisions', () => {
    const share = shareHeld({ trials: TRIALS, random: makeRandom(7), noise: 'rounded', readings })
    expect(share).toBeGreaterThanOrEqual(0.94)
  })
})

/* Every mix of two to six readings. In npm test a share of them, all in npm run long. */
type OneReading = (reader: SimulatedReader, random: () => number, k: number) => ZeroReading
const tools = ['screwdriver', 'pick', 'valve', 'stick'] as const
const oneOf: Readonly<Record<string, OneReading>> = {
  stop: (reader, random, k) => ({ ...reader.stop(15 + 6 * k + 3 * random()), setUp: `stop ${k}` }),
  'dial each way': (reader, random, k) => ({ ...reader.dial(0.8 + k + random()), setUp: `dial ${k}` }),
  'dial one way, with play': (reader, random, k) => ({
    ...reader.dial(0.8 + k + random(), 'oneWay'),
    setUp: `dial ${k}`,
  }),
  'one dwell': (reader, _random, k) => ({ ...reader.dwell(tools[k % 4] ?? 'pick', 1), setUp: `dwell ${k}` }),
  'three to five dwells': (reader, _random, k) => ({
    ...reader.dwell(tools[k % 4] ?? 'pick', 3 + (k % 3)),
    setUp: `dwell ${k}`,
  }),
}
const mixesOf = (n: number, from: readonly string[] = Object.keys(oneOf)): string[][] =>
  n === 0 ? [[]] : from.flatMap((name, i) => mixesOf(n - 1, from.slice(i)).map((rest) => [name, ...rest]))
const mixes = [2, 3, 4, 5, 6].flatMap((n) => mixesOf(n))
const share = Number(process.env['ZERO_MIXES'] ?? 4)
const step = Math.max(1, Math.floor(mixes.length / share))
const MIX_TRIALS = 4000

describe(`the ± of mixed readings, ${share} of ${mixes.length} mixes`, () => {
  test.each(mixes.filter((_, i) => i % step === Math.floor(step / 2)).map((mix) => [mix.join(', '), mix] as const))(
    '%s',
    (_name, mix) => {
      for (const noise of ['gaussian', 'rounded'] as const) {
        const held = shareHeld({
          trials: MIX_TRIALS,
          random: makeRandom(20261127),
          noise,
          readings: (reader, random) => mix.map((name, k) => oneOf[name]?.(reader, random, k) as ZeroReading),
        })
        expect(held).toBeGreaterThanOrEqual(0.94)
        expect(held).toBeLessThanOrEqual(0.98)
      }
    },
  )
})

test.each(['gaussian', 'rounded'] as const)('the ± of chords on a rim, far from the datum as near it: %s', (noise) => {
  const scale = {
    kind: 'rim',
    rises: 'running',
    circumferenceMm: 586,
    datumMm: 0,
    measure: 'chord',
    readToMm: 1,
  } as const
  const readings = (reader: SimulatedReader, random: () => number) => [reader.stop(half(random))]
  const held = shareHeld({ trials: TRIALS, random: makeRandom(3), noise, readings, scale })
  expect(held).toBeGreaterThanOrEqual(0.94)
  expect(held).toBeLessThanOrEqual(0.98)
})

test('of two that contradict the ± covers both, the blunter one as well', () => {
  const read = (setUp: string, wheelDeg: number, sigmaDeg: number): ZeroReading => ({
    entryId: setUp,
    method: 'positiveStop',
    cylinderId: 'cyl-1',
    setUp,
    wheelDeg,
    sigmaDeg,
  })
  const zero = combineZero([read('a', 10, 0.2), read('b', 20, 1)])
  expect(zero?.widenedBy).toBe('contradiction')
  for (const deg of [10, 20])
    expect(Math.abs((zero?.wheelDeg ?? 0) - deg)).toBeLessThanOrEqual((zero?.plusMinusDeg ?? 0) + 1e-9)
})
