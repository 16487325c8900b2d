import {
  EVENT_SIGMA_DEG,
  FEELER_EVENT_SIGMA_DEG,
  isSaid,
  latenessFromCentre,
  latenessFromClock,
  latenessFromEqualLift,
  latenessFromEvents,
  latenessFromGauge,
  latenessFromRocking,
  latenessFromTdcLift,
  MARK_BY_EYE_SIGMA_DEG,
  type CentreLateness,
  type EventsLateness,
  type NotSaid,
  type ReadLateness,
  type TimingWitness,
} from '../cams'
import { markPoseDeg } from '../drive'
import { scaleSigmaDeg } from '../degreeWheel'
import type { BuildSheet } from '../model/buildSheet'
import type { Entry, EntryDraft, EntryOf, Phase } from '../model/entry'
import { wrapToSigned } from '../units'
import type { Zero } from '../zero'
import { zeroOfEntry, type Zeros } from './zeros'

const KINDS = ['camMark', 'valveEvents', 'lobeCentre', 'tdcLift', 'rocking', 'camGauge', 'lobeClock'] as const
export type CamReadKind = (typeof KINDS)[number]
/** A reading of how a camshaft stands. */
export type CamRead = EntryOf<CamReadKind>
export const isCamRead = (entry: Entry): entry is CamRead => (KINDS as readonly string[]).includes(entry.kind)

/** The camshaft that a reading speaks of; of rocking, the one that carries both lobes. */
export function shaftOfRead(sheet: BuildSheet, read: CamRead): string | undefined {
  switch (read.kind) {
    case 'camMark':
    case 'camGauge':
      return read.shaftId
    case 'rocking':
      return sheet.cams.find(({ cylinderId }) => cylinderId === read.cylinderId)?.shaftId
    default:
      return sheet.cams.find(({ id }) => id === read.camId)?.shaftId
  }
}

/** What a reading was made on, so that a later try takes the place of an earlier one: one mark, one lobe, one cylinder's pair. */
const thingOf = (read: CamRead): string =>
  read.kind === 'camMark' || read.kind === 'camGauge'
    ? read.shaftId
    : read.kind === 'rocking'
      ? read.cylinderId
      : read.camId

/** A reading as it is about to be written. */
export type CamReadDraft = Extract<EntryDraft, { kind: CamReadKind }>

/** Lateness by one reading, on the setting of the degree wheel that it was written in; or why it says nothing. */
export const latenessOfRead = (sheet: BuildSheet, zeros: Zeros, read: CamRead) =>
  latenessOn(sheet, zeroOfEntry(zeros, read.id), read)

/** The same on a given setting of the wheel, for what is still being typed. */
export function latenessOn(
  sheet: BuildSheet,
  frame: Zeros['frames'][number] | undefined,
  read: CamReadDraft,
): ReadLateness<EventsLateness> | ReadLateness<CentreLateness> | ReadLateness {
  const zero = frame?.zero
  if (read.kind === 'lobeClock') {
    const cam = sheet.cams.find(({ id }) => id === read.camId)
    return cam ? latenessFromClock(sheet, cam, read) : 'noSpec'
  }
  if (!frame || !zero) return 'noZero'
  const bench = { sheet, zero, wheelSigmaDeg: scaleSigmaDeg(frame.scale) }
  if (read.kind === 'camMark') {
    const latenessDeg = camMarkLateness({
      wheelDeg: read.wheelDeg,
      zero,
      poseDeg: markPoseDeg(
        sheet,
        sheet.marks.find(({ id }) => id === read.markId),
      ),
    })
    return { latenessDeg, sigmaDeg: Math.hypot(MARK_BY_EYE_SIGMA_DEG, bench.wheelSigmaDeg, zero.sigmaDeg) }
  }
  if (read.kind === 'camGauge') return latenessFromGauge(bench, read.shaftId, read)
  if (read.kind === 'rocking') {
    const pair = (['inlet', 'exhaust'] as const).map((valve) =>
      sheet.cams.find((cam) => cam.cylinderId === read.cylinderId && cam.valve === valve),
    )
    const [inlet, exhaust] = pair
    if (!inlet || !exhaust) return 'noSpec'
    return read.read.by === 'lifts'
      ? latenessFromRocking(bench, { inlet, exhaust }, read.read)
      : latenessFromEqualLift(bench, { inlet, exhaust }, read.read.wheelDeg, EVENT_SIGMA_DEG)
  }
  const cam = sheet.cams.find(({ id }) => id === read.camId)
  if (!cam) return 'noSpec'
  if (read.kind === 'lobeCentre') return latenessFromCentre(bench, cam, read.pairs)
  if (read.kind === 'tdcLift') return latenessFromTdcLift(bench, cam, read.liftMm)
  const sigmaDeg = read.byFeeler ? FEELER_EVENT_SIGMA_DEG : EVENT_SIGMA_DEG
  return latenessFromEvents(bench, cam, { ...read, liftMm: read.checkingLiftMm }, sigmaDeg)
}

/** Lateness of a cam from the crank's place when the cam's mark meets: read minus pose, crank degrees in (-180, 180]. A
 *  crank already past the pose means a late cam (handbook, trap A15). A whole turn out does not show: that is the half. */
export const camMarkLateness = ({
  wheelDeg,
  zero,
  poseDeg,
}: {
  wheelDeg: number
  zero: Pick<Zero, 'wheelDeg'>
  poseDeg: number
}) => wrapToSigned(wheelDeg - zero.wheelDeg - poseDeg, 360)

/** Everything that was read of a camshaft in a phase, the last of each way on each thing, as witnesses; those that say nothing with why. */
export function camWitnesses(
  {
    sheet,
    zeros,
    camReads,
  }: { readonly sheet: BuildSheet; readonly zeros: Zeros; readonly camReads: readonly CamRead[] },
  shaftId: string,
  phase: Phase,
): { readonly witnesses: TimingWitness[]; readonly silent: { readonly entryId: string; readonly why: NotSaid }[] } {
  const own = camReads.filter((read) => read.phase === phase && shaftOfRead(sheet, read) === shaftId)
  // Lobes at several places of the crank are several looks; of everything else an earlier one was a try.
  const key = (read: CamRead) => [read.kind, thingOf(read), read.kind === 'lobeClock' ? read.crankDeg : ''].join(' ')
  const last = new Map(own.map((read) => [key(read), read]))
  const said = [...last.values()].map((read) => ({ read, lateness: latenessOfRead(sheet, zeros, read) }))
  return {
    witnesses: said.flatMap(({ read, lateness }) =>
      isSaid(lateness)
        ? [
            {
              kind: read.kind,
              entryId: read.id,
              latenessDeg: lateness.latenessDeg,
              sigmaDeg: lateness.sigmaDeg,
              ...('camId' in read ? { camId: read.camId } : {}),
              ...('durationDeg' in lateness
                ? { duration: { deg: lateness.durationDeg, sigmaDeg: lateness.durationSigmaDeg } }
                : {}),
            },
          ]
        : [],
    ),
    silent: said.flatMap(({ read, lateness }) => (isSaid(lateness) ? [] : [{ entryId: read.id, why: lateness }])),
  }
}
