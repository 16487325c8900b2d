import { describe, expect, test } from 'vitest'
import { makeRandom } from '../random'
import { shareHeld, type SimulatedReader, type ZeroReading } from '.'

/* Independently computed: two sigma of a Gaussian hold 95.45%. Ten thousand simulated benches for each method; seeds are fixed. */
const TRIALS = 10_000
const half = (random: () => number) => 15 + 25 * random()
const drop = (random: () => number) => 0.8 + 7 * random()

const methods: readonly (readonly [string, (reader: SimulatedReader, random: () => number) => ZeroReading[]])[] = [
  ['positive stop', (reader, random) => [reader.stop(half(random))]],
  ['dial at one drop', (reader, random) => [reader.dial(drop(random))]],
  ['dial at six drops', (reader) => [1, 2, 3, 4, 5, 6].map(reader.dial)],
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
