import { byId } from '../byId'
import { combineTiming, COUNT_SIGMA_PITCHES, type CamTiming, type TimingWitness } from '../cams'
import {
  judgeCount,
  readMeshCount,
  sectionsCounted,
  spokenOf,
  type CountVerdict,
  type DriveLink,
  readDrive,
} from '../drive'
import type { BuildSheet, Loop } from '../model/buildSheet'
import type { EntryOf, Phase } from '../model/entry'
import { partsOf } from '../sheet'
import { camWitnesses, type CamRead } from './camWitnesses'
import { BY_THE_BOOK, readLoop, sectionCounts, withSeats, type Counted, type JobSeats } from './sectionCounts'
import type { JobState } from './state'
import type { Zeros } from './zeros'

/** What one count in the ledger says against the sheet it is read with, of the wheel at the upstream end of its section (or the other one
 *  where that is the driver); undefined where no expected count is known, or where it was counted so that it cannot tell. */
export function verdictOfCount(
  sheet: BuildSheet,
  entry: Counted,
  seats: JobSeats = BY_THE_BOOK,
): CountVerdict | undefined {
  const loop = partsOf(sheet).loop(entry.loopId)
  const section =
    loop &&
    withSeats(
      sectionsCounted(readDrive(sheet).sections(loop), [entry]),
      entry.phase === 'found' ? seats.found : seats.now,
    ).find(({ from, to }) => from.id === entry.fromMarkId && to.id === entry.toMarkId)
  const spoken = loop && section && spokenOf(sheet, section, readDrive(sheet).driverOf(loop)?.id)
  if (!section?.expected || !spoken) return undefined
  const [found] = sectionCounts([section], [entry])
  if (!found) return undefined
  const { foundPitches } = found
  const ratio = readDrive(sheet).ratioOf(spoken.shaft)
  return judgeCount({ foundPitches, expected: section.expected, run: spoken.run, drivenTeeth: spoken.teeth, ratio })
}

/** How the counts since the strip leave a loop: every wheel it drives reached by a count and none a tooth out, some out, or not counted. */
export function proofOfLoop(
  sheet: BuildSheet,
  loop: Loop,
  counts: readonly EntryOf<'count'>[],
  seats: JobSeats = BY_THE_BOOK,
): 'counted' | 'countedOut' | 'notCounted' {
  const { sections, lateness } = readLoop(
    sheet,
    loop,
    counts.filter(({ phase }) => phase !== 'found'),
    undefined,
    seats,
  )
  if (lateness.some(({ teethLate }) => teethLate !== 0)) return 'countedOut'
  const driverId = readDrive(sheet).driverOf(loop)?.id
  const toothed = new Set(sections.flatMap(({ from, to }) => [from.memberId, to.memberId]))
  const reached = [...toothed].every((id) => id === driverId || lateness.some(({ memberId }) => memberId === id))
  return reached && toothed.size > 1 ? 'counted' : 'notCounted'
}

/** Turned in the running direction since these loops, or without any the whole drive, were last touched and tight. Degrees. */
export const turnedTightDeg = (
  { loops, turnedTightDeg: whole }: Pick<JobState, 'loops' | 'turnedTightDeg'>,
  loopIds: readonly string[],
): number => (loopIds.length === 0 ? whole : Math.min(...loopIds.map((id) => loops[id]?.turnedTightDeg ?? 0)))

interface Readings {
  readonly sheet: BuildSheet
  readonly zeros: Zeros
  readonly camReads: readonly CamRead[]
  readonly counts: readonly EntryOf<'count'>[]
  readonly meshCounts: readonly EntryOf<'meshCount'>[]
  readonly seats: JobSeats
}

/** Per camshaft and phase, everything that was read of its timing, combined. */
export function readTiming(readings: Readings): Record<string, Partial<Record<Phase, CamTiming>>> {
  const shafts = readings.sheet.shafts.filter(({ kind }) => kind === 'cam')
  const phases = ['found', 'set', 'left'] as const
  return byId(
    shafts.map(({ id }) => [
      id,
      Object.fromEntries(
        phases.flatMap((phase) => {
          const count = fromCount(readings, id, phase)
          const { witnesses } = camWitnesses(readings, id, phase)
          const timing = combineTiming([...witnesses, ...(count ? [count] : [])])
          return timing ? [[phase, timing]] : []
        }),
      ),
    ]),
  )
}

/** A shaft's lateness through the counts of every loop and of every pair of gears on its way from the crank. One that was not counted, or whose count is
 *  not known, leaves it unsaid, and so does a coupling: no count sees which of its places it was put together in. */
function fromCount(readings: Readings, shaftId: string, phase: Phase): TimingWitness | undefined {
  const { sheet, counts, meshCounts } = readings
  const way = readDrive(sheet).ways[shaftId] ?? []
  const parts = way.map((link) => countedPart(readings, link, phase))
  const known = parts.flatMap((part) => part ?? [])
  const ofWay = (id: string) => way.some(({ by }) => by.id === id)
  const last =
    counts.findLast((one) => one.phase === phase && ofWay(one.loopId)) ??
    meshCounts.findLast((one) => one.phase === phase && ofWay(one.couplingId))
  if (!last || known.length === 0 || known.length < way.length) return undefined
  const latenessDeg = known.reduce((sum, part) => sum + part.latenessDeg, 0)
  const sigmaDeg = Math.hypot(...known.map((part) => part.sigmaDeg))
  return { kind: 'count', entryId: last.id, latenessDeg, sigmaDeg }
}

/** What the counts say of one step of the drive, crank degrees late; undefined where nothing was counted that tells. Two gears mesh tooth for tooth. */
function countedPart(
  { sheet, counts, seats, meshCounts }: Readings,
  { by: { kind, id }, toShaftId }: DriveLink,
  phase: Phase,
): { readonly latenessDeg: number; readonly sigmaDeg: number } | undefined {
  if (kind === 'coupling') return undefined
  if (kind === 'mesh') {
    const coupling = partsOf(sheet).coupling(id)
    const count = meshCounts.findLast((one) => one.phase === phase && one.couplingId === id)
    const read = coupling && count && readMeshCount(sheet, coupling, count.teeth)
    if (!read || read.latenessDeg === undefined) return undefined
    return { latenessDeg: read.latenessDeg, sigmaDeg: COUNT_SIGMA_PITCHES * read.toothCrankDeg }
  }
  const loop = partsOf(sheet).loop(id)
  const part = loop && readLoop(sheet, loop, counts, phase, seats).lateness.find(({ shaft }) => shaft.id === toShaftId)
  return part && { latenessDeg: part.latenessDeg, sigmaDeg: COUNT_SIGMA_PITCHES * part.toothCrankDeg }
}
