import { describe, expect, test } from 'vitest'
import { gaussian, makeRandom } from '../random'
import { diagnose, type CauseCode, type Diagnosis, type LobeRead, type Readings } from '.'

const TOOTH_DEG = 18
/** A twin-cam engine with two lobes a camshaft: what each cause is worth on it, independently computed from r 60.7 mm and runs of 157 and
 *  205 mm at half speed (handbook 10: 0.5% over 157 mm is 1.48°). */
const shape = [
  { shaftId: 'exhaust', perStretch: 2.96, perSkim: 1.88, perSlack: 1.89 },
  { shaftId: 'inlet', perStretch: 3.87, perSkim: 1.88, perSlack: 1.89 },
]
interface Bench {
  readonly sigmaDeg: number
  readonly lateDeg: (shaftId: string, lobe: number) => number
  readonly longerDeg?: (lobe: number) => number
  readonly markOffDeg?: number
  readonly lashOverMm?: (lobe: number) => number
  readonly topLiftOverMm?: number
  readonly elongation?: number
  readonly skimmedMm?: number
  readonly cameRunning?: boolean
  readonly half?: Readings['half']
  readonly noise?: () => number
}
const PER_LASH = 30

function read(bench: Bench): Readings {
  const noise = bench.noise ?? (() => 0)
  const lobes = shape.flatMap(({ shaftId, perStretch, perSkim, perSlack }, s) =>
    [0, 1].map((k): LobeRead => {
      const lobe = 2 * s + k
      const sigmaDeg = bench.sigmaDeg
      return {
        camId: `cam-${lobe}`,
        shaftId,
        perStretch: { chain: perStretch },
        perSkim: { bank: perSkim },
        perSlack: { chain: perSlack },
        toothDeg: TOOTH_DEG,
        perLash: PER_LASH,
        latenessDeg: bench.lateDeg(shaftId, lobe) + sigmaDeg * noise(),
        sigmaDeg,
        duration: { deg: (bench.longerDeg?.(lobe) ?? 0) + 2 * sigmaDeg * noise(), sigmaDeg: 2 * sigmaDeg },
        mark:
          bench.markOffDeg === undefined
            ? undefined
            : { latenessDeg: bench.lateDeg(shaftId, lobe) + bench.markOffDeg + sigmaDeg * noise(), sigmaDeg },
        lashOverMm: bench.lashOverMm?.(lobe),
        topLiftOverMm: bench.topLiftOverMm,
        ifSwapped: { latenessDeg: s === 0 ? 7 : -7, durationDeg: s === 0 ? 12 : -12 },
      }
    }),
  )
  return {
    lobes,
    elongation:
      bench.elongation === undefined ? undefined : { chain: { value: bench.elongation + 0.05 * noise(), sigma: 0.05 } },
    skimmed:
      bench.skimmedMm === undefined ? undefined : { bank: { value: bench.skimmedMm + 0.05 * noise(), sigma: 0.05 } },
    cameRunning: bench.cameRunning ?? true,
    half: bench.half ?? 'agrees',
  }
}
const first = ({ fits }: Diagnosis) => fits[0]?.causes.join('+')
const quiet = (bench: Omit<Bench, 'sigmaDeg'>) => diagnose(read({ sigmaDeg: 0.5, ...bench }))

describe('one cause', () => {
  test('nothing: all within their ±, and the reading that would prove it', () => {
    expect(quiet({ lateDeg: () => 0.4 })).toMatchObject({
      verdict: 'nothingShown',
      fits: [],
      next: 'countRuns',
      halfOpen: false,
    })
    expect(quiet({ lateDeg: () => 0.4, half: 'notWitnessed' })).toMatchObject({
      verdict: 'onlyTheHalf',
      next: 'witnessByAir',
      halfOpen: true,
    })
  })
  test('a tooth on one camshaft, with the margin by which the others are ruled out', () => {
    const said = quiet({ lateDeg: (shaft) => (shaft === 'inlet' ? 18 : 0) })
    expect(said).toMatchObject({ verdict: 'told', fits: [{ causes: ['teeth'], teeth: { inlet: 1, exhaust: 0 } }] })
    expect(said.ruledOut.find(({ cause }) => cause === 'skim')?.bySigmas).toBeGreaterThan(10)
  })
  test('a stretched chain is told by its run lengths once it was measured; before, by nothing but a measurement', () => {
    const e = 1.1
    const late = (shaft: string) => e * (shape.find(({ shaftId }) => shaftId === shaft)?.perStretch ?? 0)
    expect(quiet({ lateDeg: late, elongation: e })).toMatchObject({ verdict: 'told', fits: [{ causes: ['stretch'] }] })
    const small = (shaft: string) => 0.6 * (shape.find(({ shaftId }) => shaftId === shaft)?.perStretch ?? 0)
    expect(quiet({ lateDeg: small, elongation: undefined })).toMatchObject({
      verdict: 'notEnough',
      next: 'measureChain',
    })
  })
  test('late alike with a sound chain: the head was skimmed, or slack lies on the pulled run unless it was come to running', () => {
    expect(quiet({ lateDeg: () => 2.8, elongation: 0 })).toMatchObject({
      verdict: 'told',
      fits: [{ causes: ['skim'] }],
    })
    const either = quiet({ lateDeg: () => 2.8, elongation: 0, cameRunning: false })
    expect(either).toMatchObject({ verdict: 'notEnough', next: 'comeAgainRunning' })
    expect(either.fits.map(({ causes: [one] }) => one)).toEqual(['skim', 'slack'])
  })
  test('open for too short with the phase right: lash, wear or the wrong lift, told apart by lash and top lift', () => {
    const short = (lobe: number) => (lobe === 1 ? -9 : 0)
    expect(quiet({ lateDeg: () => 0, longerDeg: short })).toMatchObject({ verdict: 'notEnough', next: 'measureLash' })
    const over = (lobe: number) => (lobe === 1 ? 0.3 : 0)
    expect(first(quiet({ lateDeg: () => 0, longerDeg: short, lashOverMm: over }))).toBe('lash')
    expect(quiet({ lateDeg: () => 0, longerDeg: short, lashOverMm: () => 0 })).toMatchObject({
      verdict: 'told',
      fits: [{ causes: ['wear'] }],
    })
    const all = quiet({ lateDeg: () => 0, longerDeg: () => -9, lashOverMm: () => 0, topLiftOverMm: 0 })
    expect(all).toMatchObject({ verdict: 'told', fits: [{ causes: ['wrongLift'] }] })
    expect(all.fits[0]?.size).toBeCloseTo(0.3, 6)
  })
  test('the two camshafts changed over; a mark that is not what it seems', () => {
    const swapped = quiet({
      lateDeg: (shaft) => (shaft === 'exhaust' ? 7 : -7),
      longerDeg: (lobe) => (lobe < 2 ? 12 : -12),
    })
    expect(swapped).toMatchObject({ verdict: 'told', fits: [{ causes: ['camSwapped'] }] })
    expect(quiet({ lateDeg: () => 0, markOffDeg: 9 })).toMatchObject({ verdict: 'told', fits: [{ causes: ['mark'] }] })
  })
  test('half a turn out shows on no wheel; a witness by air against the lobes tells it', () => {
    expect(quiet({ lateDeg: () => 0, half: 'opposite' })).toMatchObject({
      verdict: 'told',
      fits: [{ causes: ['halfTurn'] }],
    })
    const both = quiet({ lateDeg: (shaft) => (shaft === 'inlet' ? 18 : 0), half: 'opposite' })
    expect(both).toMatchObject({ verdict: 'told', fits: [{ causes: ['halfTurn', 'teeth'] }] })
  })
})

test('two at once: a tooth on one camshaft, and both late from the chain', () => {
  const late = (shaft: string) =>
    1.2 * (shape.find(({ shaftId }) => shaftId === shaft)?.perStretch ?? 0) + (shaft === 'inlet' ? -18 : 0)
  const said = quiet({ lateDeg: late, elongation: 1.2 })
  expect(said).toMatchObject({
    verdict: 'told',
    fits: [{ causes: ['teeth', 'stretch'], teeth: { inlet: -1, exhaust: 0 } }],
  })
  expect(said.fits[0]?.size).toBeCloseTo(1.2, 2)
})

test('a stretched chain and a skimmed head at once are told where both were measured', () => {
  const late = (shaft: string) => {
    const per = shape.find(({ shaftId }) => shaftId === shaft)
    return 0.9 * (per?.perStretch ?? 0) + 2 * (per?.perSkim ?? 0)
  }
  expect(quiet({ lateDeg: late, elongation: 0.9, skimmedMm: 2 })).toMatchObject({
    verdict: 'told',
    fits: [{ causes: ['stretch', 'skim'] }],
  })
  expect(quiet({ lateDeg: late, elongation: 0.9 }).fits.map(({ causes }) => causes)).not.toContainEqual(['stretch'])
})

test('the height of the head measured: as the book rules it out, lower by what the lateness asks tells it', () => {
  const small = { lateDeg: () => 2.8, cameRunning: false } as const
  expect(quiet({ ...small, elongation: 0, skimmedMm: 1.5 })).toMatchObject({
    verdict: 'told',
    fits: [{ causes: ['skim'], size: expect.closeTo(1.5, 1) }],
  })
  expect(quiet({ ...small, elongation: 0, skimmedMm: 0 })).toMatchObject({
    verdict: 'told',
    fits: [{ causes: ['slack'] }],
  })
})

describe('a camshaft that is not the book’s', () => {
  test('its lobes stand otherwise to each other than the book’s: nothing on the drive does that', () =>
    expect(quiet({ lateDeg: (shaft, lobe) => (shaft === 'inlet' ? (lobe === 2 ? 3 : 12) : 0) })).toMatchObject({
      verdict: 'told',
      fits: [{ causes: ['wrongCam'] }],
      next: 'camIdentity',
    }))
  test('open for longer with the lash measured and right; while the lash is not, it may be the lash', () => {
    const bench = {
      lateDeg: (shaft: string) => (shaft === 'inlet' ? 6 : 0),
      longerDeg: (lobe: number) => (lobe > 1 ? 14 : 0),
    }
    expect(first(quiet({ ...bench, lashOverMm: () => 0 }))).toBe('wrongCam')
    expect(first(quiet(bench))).not.toBe('wrongCam')
  })
  test('never while a cause of its own fits, and never where the other camshaft is out as well', () => {
    expect(first(quiet({ lateDeg: (shaft) => (shaft === 'inlet' ? 18 : 0), lashOverMm: () => 0 }))).toBe('teeth')
    expect(quiet({ lateDeg: (shaft, lobe) => (shaft === 'inlet' ? (lobe === 2 ? 3 : 12) : -5) })).toMatchObject({
      verdict: 'none',
      fits: [],
    })
  })
})

test('what no listed cause explains is said so', () =>
  expect(quiet({ lateDeg: (shaft) => (shaft === 'inlet' ? -9 : 4) })).toMatchObject({ verdict: 'none', fits: [] }))

describe('two banks, a chain to each', () => {
  const lobe = (bank: 'a' | 'b', k: number, latenessDeg: number): LobeRead => ({
    camId: `${bank}${k}`,
    shaftId: `cam-${bank}`,
    latenessDeg,
    sigmaDeg: 0.5,
    duration: { deg: 0, sigmaDeg: 1 },
    toothDeg: TOOTH_DEG,
    perStretch: { [`chain-${bank}`]: 3 },
    perSkim: { [bank]: 1.9 },
    perSlack: { [`chain-${bank}`]: 1.9 },
  })
  const both = (a: number, b: number, more: Partial<Readings> = {}): Readings => ({
    lobes: [lobe('a', 0, a), lobe('a', 1, a), lobe('b', 0, b), lobe('b', 1, b)],
    cameRunning: true,
    half: 'agrees',
    ...more,
  })
  const grown = (a: number, b: number) => ({
    elongation: { 'chain-a': { value: a, sigma: 0.05 }, 'chain-b': { value: b, sigma: 0.05 } },
  })
  test('one chain stretched makes its own bank late and leaves the other', () => {
    const said = diagnose(both(3.6, 0.1, grown(1.2, 0)))
    expect(said).toMatchObject({ verdict: 'told', fits: [{ causes: ['stretch'] }] })
    expect(said.fits[0]?.sizes?.['chain-a']).toBeCloseTo(1.2, 1)
    expect(said.fits[0]?.sizes?.['chain-b'] ?? 9).toBeLessThan(0.1)
  })
  test('with one of the two chains measured the other is asked for', () => {
    const { elongation } = grown(1.2, 0)
    const one = both(3.6, 3.6, { elongation: { 'chain-a': elongation['chain-a'] }, cameRunning: false })
    expect(diagnose(one)).toMatchObject({ verdict: 'told', fits: [{ causes: ['stretch'] }] })
    expect(diagnose(both(3.6, 3.6))).toMatchObject({ verdict: 'notEnough', next: 'measureChain' })
  })
  test('one head skimmed, by the heights of both', () => {
    const skimmed = { a: { value: 1.9, sigma: 0.05 }, b: { value: 0, sigma: 0.05 } }
    const said = diagnose(both(3.6, 0, { ...grown(0, 0), skimmed }))
    expect(said).toMatchObject({ verdict: 'told', fits: [{ causes: ['skim'], sizes: { b: expect.closeTo(0, 2) } }] })
  })
  test('a chain only grows: one bank early is none of these', () => {
    expect(diagnose(both(-3.6, 0, grown(0, 0))).verdict).toBe('none')
  })
})

test('two chains on the way of each camshaft: what one of them measures is its own share', () => {
  const lobe = (camId: string, upper: number, latenessDeg: number): LobeRead => ({
    camId,
    shaftId: camId,
    latenessDeg,
    sigmaDeg: 0.4,
    perStretch: { lower: 2, upper },
  })
  // 0.5% below is 1° on both; 1.2% above 3.6° and 4.8°.
  const readings: Readings = {
    lobes: [lobe('exhaust', 3, 4.6), lobe('inlet', 4, 5.8)],
    elongation: { lower: { value: 0.5, sigma: 0.05 } },
    cameRunning: true,
    half: 'agrees',
  }
  const [fit] = diagnose(readings).fits
  expect(fit?.causes).toEqual(['stretch'])
  expect(fit?.sizes?.['lower']).toBeCloseTo(0.5, 1)
  expect(fit?.sizes?.['upper']).toBeCloseTo(1.2, 1)
})

describe('two thousand faulty engines, seeded', () => {
  const random = makeRandom(20261125)
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)] as T
  const between = (low: number, high: number) => low + (high - low) * random()
  const faults: Readonly<Record<string, () => Omit<Bench, 'sigmaDeg' | 'noise'>>> = {
    teeth: () => {
      const [shaft, k] = [pick(['inlet', 'exhaust']), pick([-2, -1, 1, 2])]
      return { lateDeg: (one) => (one === shaft ? k * TOOTH_DEG : 0) }
    },
    stretch: () => {
      const e = between(0.1, 2.5)
      return {
        lateDeg: (one) => e * (shape.find(({ shaftId }) => shaftId === one)?.perStretch ?? 0),
        ...(random() < 0.6 ? { elongation: e } : {}),
      }
    },
    skim: () => {
      const deg = between(0.3, 4)
      return {
        lateDeg: () => deg,
        ...(random() < 0.6 ? { elongation: 0 } : {}),
        ...(random() < 0.3 ? { skimmedMm: deg / 1.88 } : {}),
      }
    },
    slack: () => {
      const deg = between(0.3, 8)
      return { lateDeg: () => deg, cameRunning: false, ...(random() < 0.6 ? { elongation: 0 } : {}) }
    },
    lash: () => {
      const over = [0, 0, 0, 0].map(() => (random() < 0.5 ? between(-0.2, 0.5) : 0))
      const known = random() < 0.6
      return {
        lateDeg: () => 0,
        longerDeg: (lobe) => -PER_LASH * (over[lobe] ?? 0),
        ...(known ? { lashOverMm: (lobe: number) => over[lobe] ?? 0 } : {}),
      }
    },
    wear: () => {
      const [lobe, deg] = [pick([0, 1, 2, 3]), between(2, 14)]
      return {
        lateDeg: () => 0,
        longerDeg: (one) => (one === lobe ? -deg : 0),
        ...(random() < 0.6 ? { lashOverMm: () => 0 } : {}),
      }
    },
    wrongLift: () => {
      const off = between(-0.4, 0.4)
      return {
        lateDeg: () => 0,
        longerDeg: () => -PER_LASH * off,
        ...(random() < 0.6 ? { lashOverMm: () => 0, topLiftOverMm: 0 } : {}),
      }
    },
    camSwapped: () => ({ lateDeg: (one) => (one === 'exhaust' ? 7 : -7), longerDeg: (lobe) => (lobe < 2 ? 12 : -12) }),
    mark: () => {
      const off = between(3, 20)
      return { lateDeg: () => 0, markOffDeg: off }
    },
    wrongCam: () => {
      const [shaft, apart, longer] = [pick([0, 1]), between(5, 14), between(6, 20)]
      return {
        lateDeg: (_shaft, lobe) => (lobe === 2 * shaft ? apart : 0),
        longerDeg: (lobe) => (lobe >> 1 === shaft ? longer : 0),
        lashOverMm: () => 0,
      }
    },
    halfTurn: () => ({ lateDeg: () => 0, half: pick<Readings['half']>(['opposite', 'notWitnessed']) }),
  }
  const engines = Array.from({ length: 2000 }, (_, i) => {
    const cause = Object.keys(faults)[i % Object.keys(faults).length] as CauseCode
    const said = diagnose(
      read({ ...(faults[cause] as () => Bench)(), sigmaDeg: pick([0.4, 0.7, 1]), noise: () => gaussian(random) }),
    )
    return { cause, said }
  })
  const told = engines.filter(({ said }) => said.verdict === 'told')

  test('where one cause alone stands it is the right one, at least 95 in a hundred', () => {
    expect(told.length).toBeGreaterThan(800)
    expect(told.filter(({ cause, said }) => first(said) === cause).length / told.length).toBeGreaterThanOrEqual(0.95)
  })
  test('in all the others the reading that would settle it is named', () => {
    const others = engines.filter(({ said }) => said.verdict !== 'told')
    expect(others.length).toBeGreaterThan(300)
    expect(others.every(({ said }) => said.next !== undefined)).toBe(true)
  })
  test('of those where several stand the right one is among them, at least 95 in a hundred', () => {
    const several = engines.filter(({ said }) => said.verdict === 'notEnough')
    const among = several.filter(({ cause, said }) => said.fits.some(({ causes }) => causes.includes(cause)))
    expect(among.length / several.length).toBeGreaterThanOrEqual(0.95)
  })
  test('half a turn out, unwitnessed, is never told as right', () => {
    const open = engines.filter(({ cause, said }) => cause === 'halfTurn' && said.verdict === 'onlyTheHalf')
    expect(open.length).toBeGreaterThan(20)
    expect(open.every(({ said }) => said.halfOpen && said.next === 'witnessByAir')).toBe(true)
  })
})
