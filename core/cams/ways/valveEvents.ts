import type { Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { wrapToSigned } from '../../units'
import { pairSigmaDeg } from '../../zero/tdcFromPair'
import { camSpec, eventLiftMm } from '../camSpec'
import { convertEvent, type Flank } from '../profile'
import { camOf, onLobe } from './ofCam'
import { withZero, type ReadBy, type CamLateness, type CamWay, type ReadLateness } from './way'

export const valveEventsShape = entryShape('valveEvents', 'Where a valve opens and closes', {
  camId: field.id('The valve'),
  phase: field.phase,
  opensWheelDeg: field.onWheel('Where it opens'),
  closesWheelDeg: field.onWheel('Where it closes'),
  checkingLiftMm: field.typedBetween("The lift it was read at, mm; without it, the book's", 0, 50).optional(),
  byFeeler: field.yesNo('By blades: lash less the blade is the lift at which it nips').optional(),
})

/** A valve's opening or closing judged at the checking lift, one sigma. Common practice, no source. */
export const EVENT_SIGMA_DEG = 0.75
/** The same by a blade that nips and frees. Common practice, no source. */
export const FEELER_EVENT_SIGMA_DEG = 1.2

export interface EventRead {
  readonly opensWheelDeg: number
  readonly closesWheelDeg: number
  /** The lift they were read at, where it is not the book's. */
  readonly liftMm?: number | undefined
}
export interface EventsLateness extends CamLateness {
  readonly opensLateDeg: number
  readonly closesLateDeg: number
  /** Closing less opening lateness: what lash, wear or another lift does; its sigma. */
  readonly durationDeg: number
  readonly durationSigmaDeg: number
  /** Read at another lift than the book's and converted by the lobe. */
  readonly converted: boolean
}

/** Lateness from an opening and a closing. Read at another lift than the book's they are converted through the lobe, with what that may be wrong
 *  by; without a lobe they are refused and never compared. Source: handbook 12. */
export function latenessFromEvents(
  { sheet, zero, wheelSigmaAt }: ReadBy,
  cam: Cam,
  read: EventRead,
  eventSigmaDeg: number,
): ReadLateness<EventsLateness> {
  const { figures, profile, centreOnCycleDeg } = camSpec(sheet, cam)
  if (!figures.opens || !figures.closes || centreOnCycleDeg === undefined) return 'noSpec'
  const bookMm = eventLiftMm(cam)
  const differs = read.liftMm !== undefined && bookMm !== undefined && Math.abs(read.liftMm - bookMm) > 0.005
  const shift = (flank: Flank) =>
    differs && profile ? convertEvent(profile, flank, { fromMm: read.liftMm ?? 0, toMm: bookMm ?? 0 }) : undefined
  const [opening, closing] = [shift('opening'), shift('closing')]
  if (differs && !profile) return 'noProfile'
  if (differs && (!opening || !closing)) return 'outsideLobe'
  const inlet = cam.valve === 'inlet'
  const firing = centreOnCycleDeg - (inlet ? 1 : -1) * (figures.centre?.value ?? 0) - 360
  const [openAt, closeAt] = inlet ? [360, 540] : [180, 360]
  const late = (wheelDeg: number, laterDeg: number, specDeg: number) =>
    wrapToSigned(wheelDeg - zero.wheelDeg + laterDeg - firing - specDeg, 360)
  const opensLateDeg = late(read.opensWheelDeg, opening?.laterDeg ?? 0, openAt - figures.opens.value)
  const closesLateDeg = late(read.closesWheelDeg, closing?.laterDeg ?? 0, closeAt + figures.closes.value)
  const one = Math.hypot(eventSigmaDeg, pairSigmaDeg(wheelSigmaAt, read.opensWheelDeg, read.closesWheelDeg))
  const converted = (opening?.sigmaDeg ?? 0) + (closing?.sigmaDeg ?? 0)
  return {
    opensLateDeg,
    closesLateDeg,
    latenessDeg: (opensLateDeg + closesLateDeg) / 2,
    durationDeg: closesLateDeg - opensLateDeg,
    sigmaDeg: Math.hypot(one / Math.SQRT2, converted / 4, zero.sigmaDeg),
    durationSigmaDeg: Math.hypot(one * Math.SQRT2, converted),
    converted: differs,
  }
}

export const valveEvents: CamWay<'valveEvents'> = {
  ...onLobe,
  lateness: withZero((bench, read) => {
    const cam = camOf(bench.sheet, read)
    const sigmaDeg = read.byFeeler ? FEELER_EVENT_SIGMA_DEG : EVENT_SIGMA_DEG
    return cam ? latenessFromEvents(bench, cam, { ...read, liftMm: read.checkingLiftMm }, sigmaDeg) : 'noSpec'
  }),
  leansOnWheel: true,
  samples: [
    {
      kind: 'valveEvents',
      camId: 'cam-1-inlet',
      phase: 'found',
      opensWheelDeg: 348,
      closesWheelDeg: 242,
      checkingLiftMm: 0.5,
    },
  ],
}
