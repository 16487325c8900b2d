import type { CauseCode, LobeRead, Readings, ShaftRead } from '../diagnose'
import { gaussian } from '../random'

/* Engines with one fault or two, and what a job might read of them: made lobe by lobe from what each fault does to metal, and nothing of how causes are
 * told. Sizes are drawn evenly from what is met; readings with the noise of their own sigma, the zero's common to all. */

export interface FaultyEngine {
  readonly faults: readonly Fault[]
  readonly readings: Readings
  /** How far the reading that shows it most would lie from right without any noise, sigma. */
  readonly shows: number
}

export type Fault = Exclude<CauseCode, 'halfTurn'> | 'markOnWrongTooth'

interface Metal {
  readonly shafts: readonly ShaftRead[]
  readonly lobes: { readonly shaftId: string; readonly perLash: number; swapped: { late: number; longer: number } }[]
  /** Truth: crank degrees late of each camshaft, of its mark besides, and of what its counts see. */
  readonly late: Record<string, number>
  readonly markOff: Record<string, number>
  readonly counted: Record<string, number>
  readonly lobeLate: number[]
  readonly longer: number[]
  readonly lash: number[]
  readonly lift: number[]
  readonly grown: Record<string, number>
  readonly lower: Record<string, number>
  readonly gearTeeth: Record<string, number>
  zeroOffDeg: number
  cameRunning: boolean
  zeroProved: boolean
}

export const FAULTS: readonly Fault[] = [
  'teeth',
  'gearTeeth',
  'zeroOff',
  'crankKey',
  'slipped',
  'stretch',
  'skim',
  'slack',
  'lash',
  'wear',
  'wrongLift',
  'camSwapped',
  'mark',
  'markOnWrongTooth',
  'wrongCam',
]

export function makeDraws(random: () => number) {
  return {
    random,
    noise: () => gaussian(random),
    pick: <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T,
    between: (low: number, high: number) => low + (high - low) * random(),
    chance: (share: number) => random() < share,
  }
}
type Draws = ReturnType<typeof makeDraws>

/** One camshaft or two on a chain; a chain to each bank; gears alone. Undefined where the fault cannot be on it. */
function newMetal({ pick, chance, between }: Draws): Metal {
  const shape = pick(['single', 'twin', 'twin', 'banks', 'gears'] as const)
  const ids = shape === 'single' || shape === 'gears' ? ['cam'] : ['exhaust', 'inlet']
  const toothDeg = pick([18, 20, 36])
  const slips = chance(0.3)
  const shafts = ids.map((shaftId, i): ShaftRead => {
    const loop = shape === 'banks' ? `chain-${i}` : 'chain'
    const perMm = 1.9
    const common = { shaftId, crankWheelId: shape === 'banks' ? `crank-${i}` : 'crank', canSlip: slips }
    if (shape === 'gears') return { ...common, perMeshTooth: { mesh: toothDeg } }
    return {
      ...common,
      toothDeg,
      perStretch: { [loop]: (shape === 'twin' ? 3 + 0.9 * i : 3) * between(0.95, 1.05) },
      perSkim: { [shape === 'banks' ? `bank-${i}` : 'bank']: perMm },
      perSlack: { [loop]: perMm },
    }
  })
  const many = chance(0.1) ? 6 : pick([1, 2, 2, 4])
  const lobes = ids.flatMap((shaftId, i) =>
    Array.from({ length: many }, () => ({
      shaftId,
      perLash: 30,
      swapped: { late: i === 0 ? 7 : -7, longer: i === 0 ? 12 : -12 },
    })),
  )
  const none = () => Object.fromEntries(ids.map((id) => [id, 0]))
  const flat = () => lobes.map(() => 0)
  return {
    shafts,
    lobes,
    late: none(),
    markOff: none(),
    counted: none(),
    lobeLate: flat(),
    longer: flat(),
    lash: flat(),
    lift: flat(),
    grown: {},
    lower: {},
    gearTeeth: {},
    zeroOffDeg: 0,
    cameRunning: chance(0.7),
    zeroProved: chance(0.6),
  }
}

const add = (to: Record<string, number>, key: string, n: number) => void (to[key] = (to[key] ?? 0) + n)
const each = <T extends object>(of: T | undefined) => Object.entries(of ?? {}) as [string, number][]

/** What each fault does to metal; false where this engine cannot have it. */
const spoil: { readonly [K in Fault]: (metal: Metal, draws: Draws) => boolean } = {
  teeth: ({ shafts, late, counted }, { pick, chance }) => {
    if (shafts.some(({ toothDeg }) => !toothDeg)) return false
    const n = pick([-2, -1, -1, 1, 1, 2])
    const moved = chance(0.25) ? shafts : [pick(shafts)]
    for (const { shaftId, toothDeg = 0 } of moved) {
      add(late, shaftId, n * toothDeg)
      add(counted, shaftId, n * toothDeg)
    }
    return true
  },
  gearTeeth: ({ shafts, late, gearTeeth }, { pick }) => {
    const [mesh] = each(shafts[0]?.perMeshTooth)
    if (!mesh) return false
    const n = pick([-2, -1, -1, 1, 1, 2])
    add(gearTeeth, mesh[0], n)
    for (const { shaftId, perMeshTooth } of shafts) add(late, shaftId, n * (perMeshTooth?.[mesh[0]] ?? 0))
    return true
  },
  zeroOff: (metal, { pick, between }) => {
    metal.zeroProved = false
    metal.zeroOffDeg += pick([-1, 1]) * between(2, 20)
    return true
  },
  crankKey: ({ shafts, late }, { pick, between }) => {
    const wheel = pick(shafts).crankWheelId
    const deg = pick([-1, 1]) * between(2, 30)
    for (const { shaftId, crankWheelId } of shafts) if (crankWheelId === wheel) add(late, shaftId, deg)
    return true
  },
  slipped: ({ shafts, late, markOff }, { pick, between }) => {
    const { shaftId, canSlip } = pick(shafts)
    const deg = pick([-1, 1]) * between(2, 30)
    add(late, shaftId, deg)
    // The mark is on the wheel and stays with it.
    add(markOff, shaftId, -deg)
    return canSlip === true
  },
  stretch: ({ shafts, late, grown }, { pick, between }) => {
    const [loop] = pick(each(pick(shafts).perStretch))?.slice(0, 1) ?? []
    if (loop === undefined) return false
    const percent = between(0.1, 2)
    add(grown, loop as string, percent)
    for (const { shaftId, perStretch } of shafts) add(late, shaftId, percent * (perStretch?.[loop as string] ?? 0))
    return true
  },
  skim: ({ shafts, late, lower }, { pick, between }) => {
    const [bank] = pick(each(pick(shafts).perSkim))?.slice(0, 1) ?? []
    if (bank === undefined) return false
    const mm = between(0.2, 2.2)
    add(lower, bank as string, mm)
    for (const { shaftId, perSkim } of shafts) add(late, shaftId, mm * (perSkim?.[bank as string] ?? 0))
    return true
  },
  slack: (metal, { pick, between }) => {
    const [loop] = pick(each(pick(metal.shafts).perSlack))?.slice(0, 1) ?? []
    if (loop === undefined) return false
    metal.cameRunning = false
    const mm = between(0.3, 6)
    for (const { shaftId, perSlack } of metal.shafts) add(metal.late, shaftId, mm * (perSlack?.[loop as string] ?? 0))
    return true
  },
  lash: ({ lobes, longer, lash }, { chance, between, random }) => {
    const first = Math.floor(random() * lobes.length)
    lobes.forEach(({ perLash }, i) => {
      if (i !== first && !chance(0.4)) return
      const over = between(-0.2, 0.5)
      lash[i] = (lash[i] ?? 0) + over
      longer[i] = (longer[i] ?? 0) - perLash * over
    })
    return true
  },
  wear: ({ lobes, longer, lift }, { chance, between, random }) => {
    const first = Math.floor(random() * lobes.length)
    lobes.forEach((_, i) => {
      if (i !== first && !chance(0.2)) return
      longer[i] = (longer[i] ?? 0) - between(2, 14)
      lift[i] = (lift[i] ?? 0) - between(0.1, 1)
    })
    return true
  },
  wrongLift: ({ lobes, longer }, { pick, between }) => {
    const off = pick([-1, 1]) * between(0.05, 0.4)
    lobes.forEach(({ perLash }, i) => (longer[i] = (longer[i] ?? 0) - perLash * off))
    return lobes.length > 1
  },
  camSwapped: ({ shafts, lobes, lobeLate, longer }) => {
    if (shafts.length !== 2) return false
    lobes.forEach(({ swapped }, i) => {
      lobeLate[i] = (lobeLate[i] ?? 0) + swapped.late
      longer[i] = (longer[i] ?? 0) + swapped.longer
    })
    return true
  },
  mark: ({ shafts, markOff }, { pick, between }) => {
    add(markOff, pick(shafts).shaftId, pick([-1, 1]) * between(3, 25))
    return true
  },
  markOnWrongTooth: ({ shafts, markOff }, { pick }) => {
    const { shaftId, toothDeg } = pick(shafts)
    add(markOff, shaftId, pick([-1, 1]) * (toothDeg ?? 18))
    return true
  },
  wrongCam: ({ shafts, lobes, lobeLate, longer, lift }, { pick, between }) => {
    const { shaftId } = pick(shafts)
    lobes.forEach((lobe, i) => {
      if (lobe.shaftId !== shaftId) return
      lobeLate[i] = (lobeLate[i] ?? 0) + between(-10, 10)
      longer[i] = (longer[i] ?? 0) + between(-15, 20)
      lift[i] = (lift[i] ?? 0) + between(-0.6, 0.8)
    })
    return lobes.filter((lobe) => lobe.shaftId === shaftId).length > 1
  },
}

/** What a job might read of it. */
function read(metal: Metal, { noise, chance, pick }: Draws): Omit<FaultyEngine, 'faults'> {
  const sigmaDeg = pick([0.4, 0.7, 1])
  const zeroSigma = pick([0.15, 0.3, 0.6])
  const zeroNoise = zeroSigma * noise()
  const [durations, marks, counts, lashes, lifts] = [0.8, 0.5, 0.4, 0.5, 0.3].map(chance)
  let shows = 0
  const drawn = (truth: number, sigma: number, besides = 0) => {
    shows = Math.max(shows, Math.abs(truth) / Math.hypot(sigma, besides))
    return truth + sigma * noise()
  }
  const lobes = metal.lobes.map(({ shaftId, perLash, swapped }, i): LobeRead => {
    const late = (metal.late[shaftId] ?? 0) + (metal.lobeLate[i] ?? 0) + metal.zeroOffDeg
    return {
      camId: `cam-${i}`,
      shaftId,
      perLash,
      sigmaDeg,
      latenessDeg: drawn(late, sigmaDeg, zeroSigma) + zeroNoise,
      ...(durations ? { duration: { deg: drawn(metal.longer[i] ?? 0, 2 * sigmaDeg), sigmaDeg: 2 * sigmaDeg } } : {}),
      ...(lashes ? { lashOverMm: drawn(metal.lash[i] ?? 0, 0.03) } : {}),
      ...(lifts ? { topLiftOverMm: drawn(metal.lift[i] ?? 0, 0.05) } : {}),
      ...(metal.shafts.length === 2 ? { ifSwapped: { latenessDeg: swapped.late, durationDeg: swapped.longer } } : {}),
    }
  })
  const shafts = metal.shafts.map((shaft): ShaftRead => {
    const { shaftId, toothDeg } = shaft
    const late = (metal.late[shaftId] ?? 0) + (metal.markOff[shaftId] ?? 0) + metal.zeroOffDeg
    return {
      ...shaft,
      ...(marks
        ? { mark: { latenessDeg: drawn(late, 0.6, zeroSigma) + zeroNoise, sigmaDeg: 0.6, onWheel: true } }
        : {}),
      ...(counts && toothDeg
        ? { count: { value: drawn(metal.counted[shaftId] ?? 0, 0.25 * toothDeg), sigma: 0.25 * toothDeg } }
        : {}),
    }
  })
  const measured = (parts: string[], of: Record<string, number>, sigma: number) =>
    Object.fromEntries(parts.map((part) => [part, { value: drawn(of[part] ?? 0, sigma), sigma }]))
  const partsOf = (per: 'perStretch' | 'perSkim' | 'perMeshTooth') => [
    ...new Set(metal.shafts.flatMap((shaft) => Object.keys(shaft[per] ?? {}))),
  ]
  const [chains, heads, gears] = [partsOf('perStretch'), partsOf('perSkim'), partsOf('perMeshTooth')]
  const readings: Readings = {
    shafts,
    lobes,
    zero: { sigmaDeg: zeroSigma, proved: metal.zeroProved },
    elongation: chains.length > 0 && chance(0.4) ? measured(chains, metal.grown, 0.05) : undefined,
    skimmed: heads.length > 0 && chance(0.2) ? measured(heads, metal.lower, 0.05) : undefined,
    meshCounts:
      gears.length > 0 && counts
        ? Object.fromEntries(gears.map((mesh) => [mesh, metal.gearTeeth[mesh] ?? 0]))
        : undefined,
    cameRunning: metal.cameRunning,
    half: 'agrees',
  }
  return { readings, shows }
}

/** An engine with these faults; undefined where no shape of drive can have them all. */
export function faultyEngine(draws: Draws, faults: readonly Fault[]): FaultyEngine | undefined {
  for (let again = 0; again < 200; again++) {
    const metal = newMetal(draws)
    if (faults.every((fault) => spoil[fault](metal, draws))) return { faults, ...read(metal, draws) }
  }
  return undefined
}

/** The cause that a fault goes by. */
export const causeOf = (fault: Fault): CauseCode => (fault === 'markOnWrongTooth' ? 'mark' : fault)
