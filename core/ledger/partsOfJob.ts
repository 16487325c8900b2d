import { byId } from '../byId'
import { placeOfLink } from '../drive'
import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import { partsOf } from '../sheet'
import type { JobSoFar } from './jobSoFar'
import { allOf } from './kept'
import { alike } from './sectionCounts'
import { isLinkProved, seenAtPlace, trimOf, type Apart, type Stand } from './stand'
import type { CouplingState, JobState, LoopState, TensionerState } from './state'
import { proofOfLoop } from './timing'

/** The parts of the sheet as a job left them. */
export function partsOfJob(
  stand: Stand,
  { job, sheet, soFar }: { readonly job: Job; readonly sheet: BuildSheet; readonly soFar: JobSoFar },
): Pick<JobState, 'register' | 'loops' | 'couplings' | 'tensioners' | 'turnedTightDeg' | 'ranAsked'> {
  const proving = { ...stand, sheet }
  const undoneAt = (apart: Apart | undefined, linkId: string) => {
    const seenDeg = seenAtPlace(proving, placeOfLink(sheet, linkId))
    const atPlace = seenDeg !== undefined && Math.abs(stand.rotation.totalDeg - seenDeg) <= trimOf(sheet)
    return atPlace ? 'pose' : (apart?.at ?? 'unknown')
  }
  const loops = sheet.loops.map((loop): [string, LoopState] => {
    const { id } = loop
    const link = stand.loops.get(id)
    const touched = link?.jobId === job.id
    const untouched = link?.changes.length === 0 && link.is === 'on'
    const proof =
      untouched || (!touched && isLinkProved(proving, 'loop', id))
        ? 'asArrived'
        : touched
          ? proofOfLoop(sheet, loop, soFar.counts, alike(stand.seats))
          : 'notCounted'
    return [
      id,
      {
        on: link?.is !== 'off',
        offAt: undoneAt(link?.apart, id),
        proof,
        turnedTightDeg: link?.turnedTightDeg ?? 0,
      },
    ]
  })
  const couplings = sheet.couplings.map(({ id }): [string, CouplingState] => {
    const link = stand.couplings.get(id)
    const untouched = !link || (link.changes.length === 0 && link.is === 'on')
    const moved = allOf(soFar, 'coupling').filter((entry) => entry.couplingId === id && entry.change === 'together')
    return [
      id,
      {
        together: link?.is !== 'off',
        apartAt: undoneAt(link?.apart, id),
        proof: untouched ? 'asArrived' : isLinkProved(proving, 'coupling', id) ? 'read' : 'notRead',
        steps: moved.reduce((sum, { steps }) => sum + steps, 0),
        stepsTo: moved.reduce((sum, { stepsTo = 0 }) => sum + stepsTo, 0),
      },
    ]
  })
  const tensioners = partsOf(sheet).tensioners.map(({ id }): [string, TensionerState] => [
    id,
    stand.tensioners.get(id)?.is ?? 'asArrived',
  ])
  return {
    register: stand.register,
    loops: byId(loops),
    couplings: byId(couplings),
    tensioners: byId(tensioners),
    turnedTightDeg: stand.turnedTightDeg,
    ranAsked: stand.ranAsked,
  }
}
