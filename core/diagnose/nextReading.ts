import type { CauseCode, Readings } from './readings'

export type NextReading =
  | 'witnessByAir'
  | 'comeAgainRunning'
  | 'countRuns'
  | 'countGears'
  | 'measureLash'
  | 'zeroAgain'
  | 'readMark'
  | 'topLift'
  | 'measureChain'
  | 'openingAndClosing'
  | 'checkDial'
  | 'seeHub'
  | 'measureHead'
  | 'seeCrankKey'
  | 'camIdentity'
  | 'readAgain'

interface Parting {
  readonly reading: NextReading
  /** What it finds, or rules out. */
  readonly tells: readonly CauseCode[]
  readonly isOpen: (readings: Readings) => boolean
}

const measuredAll = ({ shafts }: Readings, per: 'perStretch' | 'perSkim', known: Readings['elongation']) =>
  shafts.every((shaft) => Object.keys(shaft[per] ?? {}).every((part) => known?.[part]))

/** Readings that part causes, the cheapest first: ours, by what has to come off for each. */
const partings: readonly Parting[] = [
  { reading: 'comeAgainRunning', tells: ['slack'], isOpen: ({ cameRunning }) => !cameRunning },
  {
    reading: 'countRuns',
    tells: ['teeth'],
    isOpen: ({ shafts }) => shafts.some(({ toothDeg, count }) => toothDeg !== undefined && !count),
  },
  {
    reading: 'countGears',
    tells: ['gearTeeth'],
    isOpen: ({ shafts, meshCounts }) =>
      shafts.some(({ perMeshTooth }) =>
        Object.keys(perMeshTooth ?? {}).some((mesh) => meshCounts?.[mesh] === undefined),
      ),
  },
  {
    reading: 'measureLash',
    tells: ['lash'],
    isOpen: ({ lobes }) => lobes.some(({ lashOverMm, duration }) => duration && lashOverMm === undefined),
  },
  { reading: 'zeroAgain', tells: ['zeroOff'], isOpen: ({ zero }) => !zero.proved },
  {
    reading: 'readMark',
    tells: ['slipped', 'mark'],
    isOpen: ({ shafts }) => shafts.some(({ mark }) => !mark),
  },
  {
    reading: 'openingAndClosing',
    tells: ['lash', 'wear', 'wrongLift', 'camSwapped', 'wrongCam', 'mark'],
    isOpen: ({ lobes }) => lobes.length === 0 || lobes.some(({ duration }) => !duration),
  },
  {
    reading: 'topLift',
    tells: ['wear', 'wrongCam'],
    isOpen: ({ lobes }) => lobes.some(({ topLiftOverMm, duration }) => duration && topLiftOverMm === undefined),
  },
  {
    reading: 'measureChain',
    tells: ['stretch'],
    isOpen: (readings) => !measuredAll(readings, 'perStretch', readings.elongation),
  },
  { reading: 'checkDial', tells: ['wrongLift'], isOpen: () => true },
  { reading: 'seeHub', tells: ['slipped'], isOpen: () => true },
  {
    reading: 'measureHead',
    tells: ['skim'],
    isOpen: (readings) => !measuredAll(readings, 'perSkim', readings.skimmed),
  },
  { reading: 'seeCrankKey', tells: ['crankKey'], isOpen: () => true },
  { reading: 'camIdentity', tells: ['wrongCam', 'camSwapped'], isOpen: () => true },
]

/** The cheapest reading, not made yet, that tells some of these sets of causes from the others; read again where none does. */
export function partingReading(readings: Readings, sets: readonly (readonly CauseCode[])[]): NextReading {
  const parts = ({ tells }: Parting) => {
    const told = sets.filter((causes) => causes.some((code) => tells.includes(code))).length
    return told > 0 && told < sets.length
  }
  return partings.find((one) => one.isOpen(readings) && parts(one))?.reading ?? 'readAgain'
}

/** What would prove one that stands alone: a reading that sees it by another way. */
export function provingReading(readings: Readings, causes: readonly CauseCode[]): NextReading {
  const { half, lobes } = readings
  if (causes.includes('wrongCam')) return 'camIdentity'
  if (half === 'notWitnessed' || half === 'opposite') return 'witnessByAir'
  const own = partings.find(({ tells, isOpen }) => causes.some((code) => tells.includes(code)) && isOpen(readings))
  if (own) return own.reading
  return lobes.some(({ duration }) => !duration) ? 'openingAndClosing' : 'countRuns'
}
