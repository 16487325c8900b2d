import { durationRows } from './durationCauses'
import type { Besides, Size } from './evidence'
import { lateRows } from './lateCauses'
import type { CauseCode, Readings } from './readings'
import { USUAL } from './usual'

/* Causes that change how late lobes are and how long they stay open, both at once. */

export interface Whole {
  readonly causes: readonly CauseCode[]
  readonly late: Besides
  readonly duration: Besides
  /** How often it is this one of several alike, its logarithm. */
  readonly often: number
}

/** The two camshafts changed over; a camshaft that is not the book's; one of each. */
export function wholes(readings: Readings): Whole[] {
  const [changed, others] = [swapped(readings), strange(readings)]
  const both = changed.flatMap((one) =>
    others.map((other): Whole => ({
      causes: [...one.causes, ...other.causes],
      late: { certain: one.late.certain, sizes: other.late.sizes },
      duration: { certain: one.duration.certain, sizes: other.duration.sizes },
      often: one.often + other.often,
    })),
  )
  return [...changed, ...others, ...both]
}

/** The inlet camshaft where the exhaust belongs, and the other way about. */
function swapped(readings: Readings): Whole[] {
  const { lobes } = readings
  if (lobes.length === 0 || lobes.some(({ ifSwapped }) => !ifSwapped)) return []
  const late = lateRows(readings).map(({ of }) => (of.kind === 'lobe' ? (of.lobe.ifSwapped?.latenessDeg ?? 0) : 0))
  const lasting = durationRows(readings).map(({ kind, lobe }) =>
    kind === 'duration' ? (lobe.ifSwapped?.durationDeg ?? 0) : 0,
  )
  return [
    { causes: ['camSwapped'], late: { certain: late, sizes: [] }, duration: { certain: lasting, sizes: [] }, often: 0 },
  ]
}

/** Every lobe of one camshaft may stand, last and lift otherwise; the other camshafts have to be right. Only of one that more than one thing was read of:
 *  lobes that stand otherwise to each other, or how long one stays open. */
function strange(readings: Readings): Whole[] {
  const shafts = [...new Set(readings.lobes.map(({ shaftId }) => shaftId))]
  const [rows, lasting] = [lateRows(readings), durationRows(readings)]
  return shafts.flatMap((shaftId): Whole[] => {
    const own = readings.lobes.filter((lobe) => lobe.shaftId === shaftId)
    if (own.length < 2 && !own.some(({ duration }) => duration)) return []
    const lates = own.map((lobe): Size => ({
      sigma: USUAL.wrongCam.late,
      does: rows.map(({ of }) => (of.kind === 'lobe' && of.lobe === lobe ? 1 : 0)),
    }))
    const shapes = own.flatMap((lobe) =>
      (['duration', 'lift'] as const).map((what): Size => ({
        sigma: USUAL.wrongCam[what],
        does: lasting.map((row) => (row.lobe === lobe && row.kind === what ? 1 : 0)),
      })),
    )
    return [
      {
        causes: ['wrongCam'],
        late: { certain: rows.map(() => 0), sizes: lates },
        duration: { certain: lasting.map(() => 0), sizes: shapes },
        often: -Math.log(shafts.length),
      },
    ]
  })
}
