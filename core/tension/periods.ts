import { readDrive } from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import { partsOf } from '../sheet'
import { ratioValue } from '../units'

/** What comes round on a loop, and after how many crank turns. */
export interface Period {
  /** The wheels that run out alike often, or the loop itself. */
  readonly of: { readonly wheels: readonly string[] } | 'loop'
  readonly turns: number
}

export interface DrivePeriods {
  readonly periods: readonly Period[]
  /** Pitches that pass for one turn of the crank, and how many the loop has; undefined where it is not counted. */
  readonly loop: { readonly perTurn: number; readonly pitches: number } | undefined
  /** Crank turns until everything stands as it stood. */
  readonly allTurns: number
}

/** What a loop's slack can come and go with: the turn of every wheel on it, and the loop's own. Undefined where no wheel of it is counted. Source: whole-number
 *  arithmetic. */
export function periodsOf(sheet: BuildSheet, loop: Loop): DrivePeriods | undefined {
  const drive = readDrive(sheet)
  const parts = partsOf(sheet)
  const driver = drive.driverOf(loop)
  const shaft = parts.shaft(driver?.shaftId)
  if (!driver?.teeth || !shaft) return undefined
  const perTurn = driver.teeth.value * Math.abs(ratioValue(drive.ratioOf(shaft)))
  const wheels = new Map<string, { turns: number; wheels: string[] }>()
  for (const { memberId } of loop.path) {
    const z = parts.member(memberId)?.teeth?.value
    if (!z) continue
    const turns = z / perTurn
    const key = turns.toFixed(6)
    const known = wheels.get(key)
    if (known) known.wheels.push(memberId)
    else wheels.set(key, { turns, wheels: [memberId] })
  }
  const pitches = loop.pitches?.value
  return {
    periods: [
      ...[...wheels.values()].map(({ turns, wheels: ids }): Period => ({ of: { wheels: ids }, turns })),
      ...(pitches === undefined ? [] : [{ of: 'loop' as const, turns: pitches / perTurn }]),
    ],
    loop: pitches === undefined ? undefined : { perTurn, pitches },
    allTurns: drive.repeats.loops.find(({ loopId }) => loopId === loop.id)?.turns ?? drive.repeats.allTurns,
  }
}

/** Where a round of readings is taken. */
export interface PlacesWanted {
  /** Crank degrees from one place to the next. */
  readonly stepDeg: number
  readonly places: number
}

const STEPS = [180, 270, 240, 120, 90] as const
const MOST_PLACES = 30

/** At how many places, and how far apart, slack has to be read so that nothing of a drive goes unseen: every wheel in every third of its turn at least, and every link on
 *  the run once. The fewest places that do. Source: ours. */
export function placesWanted({ periods, loop }: DrivePeriods, runPitches: number): PlacesWanted {
  const enough = (stepDeg: number, places: number) => {
    const turns = Array.from({ length: places }, (_, i) => (i * stepDeg) / 360)
    return periods.every(({ of, turns: period }) => {
      const most = of === 'loop' ? Math.max(runPitches, 1) / (loop?.pitches ?? Infinity) : 1 / 3
      return widestGap(turns.map((turn) => turn / period)) <= most + 1e-6
    })
  }
  const found = STEPS.flatMap((stepDeg) => {
    for (let places = 3; places <= MOST_PLACES; places++) if (enough(stepDeg, places)) return [{ stepDeg, places }]
    return []
  })
  return found.toSorted((a, b) => a.places - b.places)[0] ?? { stepDeg: 180, places: MOST_PLACES }
}

/** The widest gap between phases on one turn, as a share of it. */
export function widestGap(phases: readonly number[]): number {
  const sorted = phases.map((phase) => phase - Math.floor(phase)).toSorted((a, b) => a - b)
  const [first] = sorted
  if (first === undefined) return 1
  return sorted.reduce((widest, phase, i) => Math.max(widest, (sorted[i + 1] ?? first + 1) - phase), 0)
}
