import { placesOfTwoRows, type PlacesMoved } from '../drive'
import type { BuildSheet, Follower } from '../model/buildSheet'
import type { EntryOf } from '../model/entry'
import { degFromRad } from '../units'
import { beforeTdc } from './beforeTdc'
import { ratioOfFollower } from './direction'
import type { FollowerReading } from './followerOfJob'
import type { FollowerAim } from './target'

/** How far to move a follower for what is wanted, and which way. */
export interface NextMove {
  readonly towards: 'advance' | 'retard'
  /** What is wanted less what it reads, in the unit of the aim; + = it has to come earlier. */
  readonly short: number
  /** With its bolts loose it is set to this, so that tightening brings it to the aim; in the unit of the aim. */
  readonly looseTo: number
  /** At the slots, mm; where its rate by two readings, or the slots' radius, is known. */
  readonly slotMm: number | undefined
  /** What a millimetre at the slots is worth, in the unit of the aim, by the last two readings. */
  readonly perMm: number | undefined
  /** The same for a degree of the crank, where the slots' radius is known. */
  readonly perCrankDeg: number | undefined
  /** Degrees of the crank and of its own shaft; of a lift not known. */
  readonly crankDeg: number | undefined
  readonly ownDeg: number | undefined
  /** Of a coupling with one or two rows of places. */
  readonly places: PlacesMoved | undefined
  /** As many teeth of a gear hidden inside it, where that is nearly whole: it was put together so far out. */
  readonly insideTeeth: number | undefined
}

type Moved = EntryOf<'followerMoved'>

/** Nearer than this the last two readings tell no rate: less than so many mm at the slots. Ours. */
const LEAST_MM = 0.2

/** The move that brings a follower to its aim, by its last reading. What it needs of two readings is worked out from them: how much a millimetre of slot is worth, and what
 *  tightening pulls. Less than wanted is late for each kind of figure, so it has to come earlier. Source: handbook 14 and 19. */
export function nextMove({
  sheet,
  follower,
  aim,
  readings,
  moves,
  order,
}: {
  readonly sheet: BuildSheet
  readonly follower: Follower
  readonly aim: FollowerAim | undefined
  readonly readings: readonly FollowerReading[]
  readonly moves: readonly Moved[]
  readonly order: (id: string) => number
}): { readonly move: NextMove | undefined; readonly pull: number | undefined } {
  const line = placedReadings(readings, moves, order)
  const pull = pullOf(line)
  const last = line.at(-1)
  if (!last || !aim) return { move: undefined, pull }
  const perMm = rateOf(line)
  // A loose one is set so that tightening brings it in. A tight one, let go, is read again loose: until then it is told from where it stands.
  const looseTo = aim.value - (pull ?? 0)
  const short = (last.bolts === 'loose' ? looseTo : aim.value) - last.value
  const ratio = ratioOfFollower(sheet, follower)
  const radius = follower.slotRadiusMm?.value
  const byPlace = crankDegOf(sheet, aim, short)
  const byRate = perMm === undefined ? undefined : short / perMm
  const ownOfRate = byRate !== undefined && radius ? degreesOfMm(byRate, radius) : undefined
  const ownDeg = byPlace !== undefined && ratio ? byPlace * Math.abs(ratio) : ownOfRate
  const slotMm = byRate ?? (ownDeg !== undefined && radius ? mmOfDegrees(ownDeg, radius) : undefined)
  const { places, placesTo } = follower
  return {
    pull,
    move: {
      towards: short >= 0 ? 'advance' : 'retard',
      short,
      looseTo,
      slotMm,
      perMm,
      perCrankDeg:
        perMm !== undefined && radius && ratio ? (perMm * Math.abs(ratio)) / degreesOfMm(1, radius) : undefined,
      crankDeg: byPlace ?? (ownDeg !== undefined && ratio ? ownDeg / Math.abs(ratio) : undefined),
      ownDeg,
      insideTeeth: wholeTeeth(ownDeg, follower.insideTeeth?.value),
      places:
        ownDeg !== undefined && places
          ? placesOfTwoRows(
              ownDeg,
              { places: places.value, eachDeg: 360 / places.value },
              placesTo && { places: placesTo.value, eachDeg: 360 / placesTo.value },
            )
          : undefined,
    },
  }
}

/** How near to whole teeth counts as that, as a share of one. Ours. */
const NEAR_TOOTH = 0.15

function wholeTeeth(ownDeg: number | undefined, teeth: number | undefined): number | undefined {
  if (ownDeg === undefined || teeth === undefined) return undefined
  const n = (ownDeg * teeth) / 360
  const whole = Math.round(n)
  return whole !== 0 && Math.abs(n - whole) <= NEAR_TOOTH ? whole : undefined
}

/** Millimetres at a radius as degrees: mm · 180/(π·R). Source: handbook 14, plain geometry. */
export const degreesOfMm = (mm: number, radiusMm: number) => degFromRad(mm / radiusMm)
export const mmOfDegrees = (deg: number, radiusMm: number) => (deg * Math.PI * radiusMm) / 180

interface Placed {
  readonly value: number
  readonly bolts: 'loose' | 'tight'
  /** Millimetres that it had been moved at its slots by then, + = earlier; undefined after a move in another unit. */
  readonly mm: number
  /** Moves in another unit before it: readings across one tell no rate. */
  readonly other: number
}

/** The readings that say something, in their order, with how far it had been moved by then. What was read before its drive moved is left out. */
function placedReadings(
  readings: readonly FollowerReading[],
  moves: readonly Moved[],
  order: (id: string) => number,
): readonly Placed[] {
  return readings.flatMap(({ entry, value, stale }) => {
    if (value === undefined || stale === 'drive') return []
    const before = moves.filter(({ id }) => order(id) < order(entry.id))
    const mm = before.reduce((sum, one) => sum + (one.unit === 'mm' ? signed(one) : 0), 0)
    return [{ value, bolts: entry.bolts, mm, other: before.filter(({ unit }) => unit !== 'mm').length }]
  })
}

const signed = ({ amount, towards }: Moved) => (towards === 'advance' ? amount : -amount)

/** What tightening did the last time it was read loose and then tight, with nothing moved between. */
function pullOf(line: readonly Placed[]): number | undefined {
  for (let i = line.length - 1; i > 0; i--) {
    const [before, after] = [line[i - 1], line[i]]
    if (!before || !after) continue
    if (before.bolts === 'loose' && after.bolts === 'tight' && before.mm === after.mm && before.other === after.other)
      return after.value - before.value
  }
  return undefined
}

/** What a millimetre at the slots is worth: by the last two loose readings that were moved apart, since tightening can pull each time otherwise; without such by tight ones. */
const rateOf = (line: readonly Placed[]) =>
  rateOfLike(line.filter(({ bolts }) => bolts === 'loose')) ?? rateOfLike(line.filter(({ bolts }) => bolts === 'tight'))

function rateOfLike(line: readonly Placed[]): number | undefined {
  for (let i = line.length - 1; i > 0; i--) {
    for (let k = i - 1; k >= 0; k--) {
      const [before, after] = [line[k], line[i]]
      if (!before || !after || before.other !== after.other) continue
      const mm = after.mm - before.mm
      if (Math.abs(mm) < LEAST_MM) continue
      const rate = (after.value - before.value) / mm
      // The wrong way round it is no rate: one of the two was misread, or moved otherwise than it was written.
      return rate > 0 ? rate : undefined
    }
  }
  return undefined
}

/** So much of an aim as degrees of the crank, by its slope there; undefined of a lift. */
export function crankDegOf(sheet: BuildSheet, aim: FollowerAim, short: number): number | undefined {
  const at = beforeTdc(sheet, { by: aim.by, value: aim.value, plusMinus: 0 })
  const from = beforeTdc(sheet, { by: aim.by, value: Math.max(0, aim.value - short), plusMinus: 0 })
  return typeof at === 'string' || typeof from === 'string' ? undefined : at.deg - from.deg
}
