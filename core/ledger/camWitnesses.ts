import {
  asOneWitness,
  camWays,
  isSaid,
  type CamWay,
  type CamWayKind,
  type NotSaid,
  type ReadLateness,
  type ReadOf,
  type TimingWitness,
} from '../cams'
import { scaleSigmaDeg } from '../degreeWheel'
import type { BuildSheet } from '../model/buildSheet'
import type { Entry, EntryOf, Phase } from '../model/entry'
import { zeroOfEntry, type FrameZero, type Zeros, type ZerosByEntry } from './zeros'

/** A reading of how a camshaft stands. */
export type CamRead = EntryOf<CamWayKind>
/** A reading as it is about to be written. */
export type CamReadDraft = ReadOf<CamWayKind>

export const isCamRead = (entry: Entry): entry is CamRead => Object.hasOwn(camWays, entry.kind)

const wayOf = ({ kind }: CamReadDraft) => camWays[kind] as CamWay<CamWayKind>

/** The camshaft that a reading speaks of; of rocking, the one that carries both lobes. */
export const shaftOfRead = (sheet: BuildSheet, read: CamReadDraft): string | undefined =>
  wayOf(read).shaftOf(sheet, read)

/** What a reading was made on, so that a later try takes the place of an earlier one: one mark, one lobe, one cylinder's pair. */
export const thingOfRead = (read: CamReadDraft): string => `${read.kind} ${wayOf(read).thingOf(read)}`

/** Whether a reading can tell a tooth: see `CamWay`. */
export const tellsToothOf = (read: CamReadDraft) => wayOf(read).tellsTooth?.(read)

/** Lateness by one reading, on the setting of the degree wheel that it was written in; or why it says nothing. What was read with the reversing gear astern is
 *  not lateness by the sheet's figures, which are those of ahead. */
export const latenessOfRead = (sheet: BuildSheet, zeros: ZerosByEntry, read: CamRead): ReadLateness =>
  isAstern(read) ? 'astern' : latenessOn(sheet, zeroOfEntry(zeros, read.id), read)

export const isAstern = ({ conditions }: Pick<Entry, 'conditions'>) => conditions.includes('gearAstern')

/** The same on a given setting of the wheel, for what is still being typed. */
export const latenessOn = (sheet: BuildSheet, frame: FrameZero | undefined, read: CamReadDraft): ReadLateness =>
  wayOf(read).lateness(
    { sheet, zero: frame?.zero, wheelSigmaAt: (deg) => (frame ? scaleSigmaDeg(frame.scale, deg) : 0) },
    read,
  )

/** Everything that was read of a camshaft in a phase as witnesses: what was read of one thing in one way is one witness, however often it was read;
 *  those that say nothing with why. */
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
  const key = (read: CamRead) => `${thingOfRead(read)} ${wayOf(read).lookOf?.(read) ?? ''}`
  const said = own.map((read) => ({ read, lateness: latenessOfRead(sheet, zeros, read) }))
  const ofThing = new Map<string, TimingWitness[]>()
  for (const { read, lateness } of said)
    if (isSaid(lateness)) ofThing.set(key(read), [...(ofThing.get(key(read)) ?? []), witnessOf(read, lateness)])
  return {
    witnesses: [...ofThing.values()].flatMap((readings) => asOneWitness(readings) ?? []),
    silent: said.flatMap(({ read, lateness }) => (isSaid(lateness) ? [] : [{ entryId: read.id, why: lateness }])),
  }
}

const witnessOf = (
  read: CamRead,
  { latenessDeg, sigmaDeg, durationDeg, durationSigmaDeg }: Exclude<ReadLateness, NotSaid>,
): TimingWitness => ({
  kind: read.kind,
  entryId: read.id,
  latenessDeg,
  sigmaDeg,
  ...('camId' in read ? { camId: read.camId } : {}),
  ...(durationDeg === undefined || durationSigmaDeg === undefined
    ? {}
    : { duration: { deg: durationDeg, sigmaDeg: durationSigmaDeg } }),
})
