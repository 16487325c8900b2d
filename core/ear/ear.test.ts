import { PitchDetector } from 'pitchy'
import { describe, expect, test } from 'vitest'
import { makeRandom } from '../random'
import {
  combinePlucks,
  drawString,
  listen,
  partialHz,
  readWav,
  simulateSound,
  writeWav,
  type PitchRead,
  type Pluck,
} from '.'

/** `npm run long` listens to 2,000. */
const PLUCKS = Number(process.env['EAR_PLUCKS'] ?? 240)
const RATE = 4800

interface Tried {
  readonly truthHz: number
  readonly read: PitchRead | undefined
  readonly common: number
  readonly ms: readonly [number, number]
}

/** One pluck as the acceptance has it; in the second set another pluck over it, or hum as near as may be. */
function tryOne(i: number, set: 'plain' | 'overlapping' | 'nearHum', leastDb: number): Tried {
  const random = makeRandom(7000 + i)
  let string = drawString(random)
  const snrDb = leastDb + (30 - leastDb) * random()
  const mains = random() < 0.5 ? 50 : 60
  const share = 0.8 * random()
  const times = 1 + Math.floor(3 * random())
  if (set === 'nearHum') string = { ...string, hz: mains * times * (0.97 + 0.06 * random()) }
  const near = [1, 2, 3].some((k) => Math.abs(string.hz / (mains * k) - 1) < 0.03)
  const hum = (set === 'nearHum' || !near) && random() < 0.5 ? { hz: mains as 50 | 60, share } : undefined
  const at = 0.4 + 0.1 * random()
  const pluckedAtS = set === 'overlapping' ? [at, at + 0.02 + 0.5 * random()] : [at]
  const sound = simulateSound({ string, pluckedAtS, lengthS: 2.2, sampleRate: RATE, snrDb, hum, seed: i })
  const started = performance.now()
  const { plucks } = listen(sound, RATE)
  const heard = performance.now()
  const [common] = commonPitch(sound.subarray(Math.round((at + 0.01) * RATE)))
  const ended = performance.now()
  const reads = plucks.map(({ read }) => read)
  return {
    truthHz: partialHz(string, 1),
    read: reads.find(({ is }) => is === 'heard') ?? reads[0],
    common,
    ms: [heard - started, ended - heard],
  }
}

/** What a common package for pitch makes of the same sound. */
function commonPitch(sound: Float32Array): [number] {
  const size = 1024
  const detector = PitchDetector.forFloat32Array(size)
  const [hz] = detector.findPitch(sound.subarray(0, size), RATE)
  return [hz]
}

const share = (list: readonly boolean[]) => list.filter(Boolean).length / list.length
const median = (list: readonly number[]) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)] ?? NaN
const octaveWrong = (hz: number, truthHz: number) => Math.abs(hz / truthHz - 1) > 0.2

describe(`the ear, over ${PLUCKS} simulated plucks`, () => {
  const tried = Array.from({ length: PLUCKS }, (_, i) => tryOne(i, 'plain', 10))
  const heard = tried.flatMap(({ truthHz, read }) => (read?.is === 'heard' ? [{ truthHz, read }] : []))
  test('from 10 dB on nearly every one has an answer', () => expect(heard.length / PLUCKS).toBeGreaterThanOrEqual(0.95))
  test('the ± holds the truth as often as two sigma should', () => {
    const holds = share(heard.map(({ truthHz, read }) => Math.abs(read.hz - truthHz) <= read.plusMinusHz))
    // Of a few hundred, chance alone moves it by a percent and a half.
    const chance = PLUCKS < 2000 ? 0.03 : 0
    expect(holds).toBeGreaterThanOrEqual(0.94 - chance)
    expect(holds).toBeLessThanOrEqual(0.98 + chance)
  })
  test('the median ± is at most half a percent, and an octave is hardly ever wrong', () => {
    expect(median(heard.map(({ read }) => read.plusMinusHz / read.hz))).toBeLessThanOrEqual(0.005)
    expect(share(heard.map(({ truthHz, read }) => octaveWrong(read.hz, truthHz)))).toBeLessThan(0.005)
  })
  test('a common package is less right on the same sounds', () => {
    const common = tried.map((one) => Math.abs(one.common / one.truthHz - 1))
    const own = heard.map(({ truthHz, read }) => Math.abs(read.hz / truthHz - 1))
    const wrong = share(tried.map((one) => octaveWrong(one.common, one.truthHz)))
    console.log(
      `ear: ${PLUCKS} plucks, answered ${(100 * heard.length) / PLUCKS}%, ± holds ${100 * share(heard.map(({ truthHz, read }) => Math.abs(read.hz - truthHz) <= read.plusMinusHz))}%, median error ${100 * median(own)}%, a common package ${100 * median(common)}% and an octave wrong in ${100 * wrong}%; ${median(tried.map(({ ms }) => ms[0]))} ms against ${median(tried.map(({ ms }) => ms[1]))} ms`,
    )
    expect(median(own)).toBeLessThan(median(common))
  })
})

describe('plucks over each other, hum close by, and much noise', () => {
  const few = Math.max(80, Math.floor(PLUCKS / 4))
  test.each(['overlapping', 'nearHum', 'plain'] as const)(
    '%s: an honest ± or a refusal, hardly ever an octave wrong',
    (set) => {
      const tried = Array.from({ length: few }, (_, i) => tryOne(50_000 + i, set, set === 'plain' ? 0 : 5))
      const heard = tried.flatMap(({ truthHz, read }) => (read?.is === 'heard' ? [{ truthHz, read }] : []))
      expect(share(heard.map(({ truthHz, read }) => octaveWrong(read.hz, truthHz)))).toBeLessThanOrEqual(0.005)
      const holds = share(heard.map(({ truthHz, read }) => Math.abs(read.hz - truthHz) <= read.plusMinusHz))
      // Of so few, chance alone moves it by three percent.
      expect(holds).toBeGreaterThanOrEqual(0.94 - (few < 500 ? 0.03 : 0.01))
    },
  )
})

describe('what is no pluck', () => {
  test('silence and noise alone are heard as nothing', () => {
    const random = makeRandom(3)
    expect(listen(new Float32Array(RATE), RATE).plucks).toEqual([])
    const noise = Float32Array.from({ length: 3 * RATE }, () => 0.2 * (random() - 0.5))
    expect(listen(noise, RATE).plucks).toEqual([])
  })
  test('a run that cannot sound so high is not told to', () => {
    const string = { hz: 96, inharmonicity: 0.002, partials: [0.3, 1, 0.5, 0.3], decayS: 0.4 }
    const sound = simulateSound({ string, pluckedAtS: [0.4], lengthS: 2, sampleRate: RATE, snrDb: 25, seed: 5 })
    const [pluck] = listen(sound, RATE, { leastHz: 60, mostHz: 150 }).plucks
    expect(pluck?.read.is === 'heard' && pluck.read.hz).toBeCloseTo(partialHz(string, 1), 0)
  })
  test('at 48,000 samples a second, several plucks in ten seconds', () => {
    const string = { hz: 96, inharmonicity: 0.002, partials: [0.4, 1, 0.5, 0.3, 0.2], decayS: 0.35 }
    const pluckedAtS = [0.7, 2.1, 3.6, 5, 6.4, 8.1]
    const sound = simulateSound({
      string,
      pluckedAtS,
      lengthS: 10,
      sampleRate: 48_000,
      snrDb: 20,
      hum: { hz: 50, share: 0.5 },
      seed: 8,
    })
    const heard = listen(sound, 48_000)
    expect(heard.plucks.map(({ atS }) => Math.round(10 * atS) / 10)).toEqual(pluckedAtS)
    expect(heard.hum).toBe(50)
    const together = combinePlucks(heard.plucks)
    expect(together.used).toBe(6)
    expect(together.hz).toBeCloseTo(partialHz(string, 1), 1)
  })
})

describe('plucks together', () => {
  const pluck = (hz: number, plusMinusHz = 0.2): Pluck => ({
    atS: 0,
    untilS: 1,
    read: { is: 'heard', hz, plusMinusHz, decayS: 0.3, partials: [{ n: 1, hz }], orHz: undefined },
  })
  // By hand: mean 95.9, scatter 0.424, of two t is 12.71: 12.71 · 0.3 = 3.8.
  test('two that agree and one an octave off', () => {
    const { hz, plucks, spreadHz, plusMinusHz, used } = combinePlucks([pluck(95.6), pluck(96.2), pluck(192.1)])
    expect(hz).toBeCloseTo(95.9, 9)
    expect(spreadHz).toBeCloseTo(0.6, 9)
    expect(plusMinusHz).toBeCloseTo(Math.hypot(12.71 * 0.3, 0.1414, 0.003 * 95.9), 2)
    expect(used).toBe(2)
    expect(plucks.map(({ why }) => why)).toEqual([undefined, undefined, 'octave'])
  })
  test('one that is apart says so, and one that was refused says why', () => {
    const refused: Pluck = { atS: 0, untilS: 1, read: { is: 'refused', why: 'noise' } }
    const { plucks } = combinePlucks([pluck(96), pluck(96.1), pluck(96.2), pluck(110), refused])
    expect(plucks.map(({ why }) => why)).toEqual([undefined, undefined, undefined, 'apart', 'noise'])
  })
  test('none, no pitch', () => expect(combinePlucks([]).hz).toBeUndefined())
  test('one alone is a percent unsure', () => expect(combinePlucks([pluck(100, 0.02)]).plusMinusHz).toBeCloseTo(1, 3))
})

describe('a recording', () => {
  const string = { hz: 96, inharmonicity: 0.002, partials: [0.4, 1, 0.5], decayS: 0.35 }
  const samples = simulateSound({ string, pluckedAtS: [0.4], lengthS: 1.5, sampleRate: 8000, snrDb: 30, seed: 2 })
  test('written and read again it is the same', () => {
    const read = readWav(writeWav({ samples, sampleRate: 8000 }))
    if (!read.ok) throw new Error(read.error.code)
    expect(read.value.sampleRate).toBe(8000)
    expect(read.value.samples.length).toBe(samples.length)
    expect(Math.max(...read.value.samples.map((one, i) => Math.abs(one - (samples[i] ?? 0))))).toBeLessThan(1 / 16_000)
  })
  test('what is no WAV is refused, whatever it is', () => {
    const bytes = writeWav({ samples, sampleRate: 8000 })
    for (const bad of [
      new Uint8Array(),
      new Uint8Array([1, 2, 3]),
      bytes.slice(0, 30),
      new TextEncoder().encode('RIFF....WAVEjunk'),
    ])
      expect(readWav(bad)).toMatchObject({ ok: false })
  })
})
