import { fitSize, measured, nothing } from './predict'
import type { LobeRead, Prediction, Readings } from './readings'

/* Causes that lie in the lobes, their lash and how they were read. */

const durationRows = ({ lobes }: Readings) =>
  lobes.map((lobe) => ({
    of: lobe.duration?.deg ?? 0,
    by: 0 - (lobe.perLash ?? 0),
    sigma: lobe.duration?.sigmaDeg ?? 1,
    lobe,
  }))
const lasting = (degs: readonly number[]): Prediction['lobes'] =>
  degs.map((durationDeg) => ({ latenessDeg: 0, durationDeg, markDeg: 0 }))

/** Each lobe opens late and closes early by what its lash is over; a lash that was measured is held to. */
export function lash(readings: Readings): Prediction[] {
  const rows = durationRows(readings)
  if (!rows.some(({ lobe }) => lobe.duration && lobe.perLash)) return []
  const overs = rows.map(({ of, by, lobe }) => lobe.lashOverMm ?? (lobe.duration && by !== 0 ? of / by : 0))
  if (overs.some((over) => over < -0.6 || over > 1.5)) return []
  const size = overs.reduce((most, over) => (Math.abs(over) > Math.abs(most) ? over : most), 0)
  return [
    {
      ...nothing(readings),
      causes: ['lash'],
      size,
      lobes: lasting(rows.map(({ by }, i) => by * (overs[i] ?? 0))),
      besides: lifts(readings, 0),
    },
  ]
}

const LIFT_SIGMA_MM = 0.05
const lifts = (readings: Readings, lostMm: number): Prediction['besides'] => [
  ...measured(readings, {}),
  ...readings.lobes.flatMap(({ topLiftOverMm, duration }) =>
    topLiftOverMm === undefined || !duration || Math.abs(duration.deg) < 3 * duration.sigmaDeg
      ? []
      : [{ off: topLiftOverMm + lostMm, sigma: LIFT_SIGMA_MM }],
  ),
]

/** Worn lobes open late and close early with the lash right, and lift less. */
export function wear(readings: Readings): Prediction[] {
  const rows = durationRows(readings)
  const short = rows.filter(({ lobe }) => lobe.duration && lobe.perLash && lobe.duration.deg < 0)
  const excused = rows.some(({ lobe }) => (lobe.lashOverMm ?? 0) > 0.05)
  const kept = short.some(({ lobe }) => lobe.topLiftOverMm !== undefined && lobe.topLiftOverMm > -2 * LIFT_SIGMA_MM)
  if (short.length === 0 || excused || kept) return []
  const worn = rows.map(({ of, lobe }) => (lobe.duration && of < 0 ? of : 0))
  const size = Math.max(...rows.map(({ by }, i) => (by === 0 ? 0 : (worn[i] ?? 0) / by)))
  return [{ ...nothing(readings), causes: ['wear'], size, lobes: lasting(worn) }]
}

/** Every lobe read at another lift than the book's: all of them longer or all shorter, by one and the same lift. */
export function wrongLift(readings: Readings): Prediction[] {
  const rows = durationRows(readings).filter(({ lobe }) => lobe.duration && lobe.perLash)
  const size = fitSize(rows)
  if (rows.length < 2 || size === undefined || Math.abs(size) > 1.5) return []
  return [
    {
      ...nothing(readings),
      causes: ['wrongLift'],
      size,
      lobes: lasting(durationRows(readings).map(({ by }) => by * size)),
      besides: lifts(readings, 0),
    },
  ]
}

/** The inlet camshaft where the exhaust belongs, and the other way about. */
export function camSwapped(readings: Readings): Prediction[] {
  const swapped = readings.lobes.map(({ ifSwapped }) => ifSwapped)
  if (readings.lobes.length === 0 || swapped.some((one) => !one)) return []
  return [
    {
      ...nothing(readings),
      causes: ['camSwapped'],
      lobes: swapped.map((one) => ({
        latenessDeg: one?.latenessDeg ?? 0,
        durationDeg: one?.durationDeg ?? 0,
        markDeg: 0,
      })),
    },
  ]
}

/** A camshaft that is not the book's: on one shaft the lobes stand otherwise to each other than they should, or one is open for longer or shorter, or
 *  lifts more, with its lash measured and right. How its lobes read is then its own; the other camshafts have to be right. Only where no
 *  other cause is left, since it would fit anything. */
export function wrongCam(readings: Readings): Prediction[] {
  const { lobes } = readings
  const strange = [...new Set(lobes.map(({ shaftId }) => shaftId))].filter((shaftId) =>
    isStrange(lobes.filter((lobe) => lobe.shaftId === shaftId)),
  )
  if (strange.length === 0) return []
  return [
    {
      ...nothing(readings),
      causes: ['wrongCam'],
      lobes: lobes.map((lobe) =>
        strange.includes(lobe.shaftId)
          ? { latenessDeg: lobe.latenessDeg, durationDeg: lobe.duration?.deg ?? 0, markDeg: undefined }
          : { latenessDeg: 0, durationDeg: 0, markDeg: 0 },
      ),
    },
  ]
}

const STRANGE_SIGMAS = 3
const RIGHT_LASH_MM = 0.05

function isStrange(lobes: readonly LobeRead[]): boolean {
  const apart = lobes.some((a) =>
    lobes.some((b) => Math.abs(a.latenessDeg - b.latenessDeg) > STRANGE_SIGMAS * Math.hypot(a.sigmaDeg, b.sigmaDeg)),
  )
  const shaped = lobes.some(
    ({ duration, lashOverMm, topLiftOverMm = 0 }) =>
      topLiftOverMm > STRANGE_SIGMAS * LIFT_SIGMA_MM ||
      (duration &&
        lashOverMm !== undefined &&
        Math.abs(lashOverMm) <= RIGHT_LASH_MM &&
        Math.abs(duration.deg) > STRANGE_SIGMAS * duration.sigmaDeg),
  )
  return apart || shaped
}

/** The cam is right and its mark is not what it seems: another version's, a leftover, or on a wheel that sits elsewhere. */
export const mark = (readings: Readings): Prediction[] =>
  readings.lobes.some((lobe) => lobe.mark)
    ? [
        {
          ...nothing(readings),
          causes: ['mark'],
          lobes: readings.lobes.map(() => ({ latenessDeg: 0, durationDeg: 0, markDeg: undefined })),
        },
      ]
    : []
