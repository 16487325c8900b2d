import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'

export type StepKind =
  | 'makeSafe'
  | 'lashFound'
  | 'trueTdc'
  | 'whichTdc'
  | 'asFound'
  | 'poseChainOff'
  | 'setCam'
  | 'chainOnCount'
  | 'tensioner'
  | 'twoTurns'
  | 'lashLeft'
  | 'card'

/** A step is data: what kind of work, on what. Screens and status are looked up by kind. */
export interface Step {
  readonly id: string
  readonly kind: StepKind
  readonly targetIds: readonly string[]
}

/** The ordered steps of a job, from the build sheet: one per loop, camshaft and tensioner where the work is per part. */
export function makeRunSheet(sheet: BuildSheet, _job: Job): Step[] {
  const step = (kind: StepKind, ...targetIds: string[]): Step => ({
    id: [kind, ...targetIds].join('-'),
    kind,
    targetIds,
  })
  const camIds = sheet.cams.map(({ id }) => id)
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  const tensioners = sheet.members.filter(({ kind }) => kind === 'tensioner')
  const lash = (kind: 'lashFound' | 'lashLeft') => (camIds.length > 0 ? [{ id: kind, kind, targetIds: camIds }] : [])
  return [
    step('makeSafe'),
    ...lash('lashFound'),
    step('trueTdc', sheet.zeroCylinderId),
    // On a two-stroke every TDC is the same.
    ...(sheet.cycleDeg === 720 ? [step('whichTdc', sheet.zeroCylinderId)] : []),
    ...camshafts.map(({ id }) => step('asFound', id)),
    ...sheet.loops.map(({ id }) => step('poseChainOff', id)),
    ...camshafts.map(({ id }) => step('setCam', id)),
    ...sheet.loops.map(({ id }) => step('chainOnCount', id)),
    ...tensioners.map(({ id }) => step('tensioner', id)),
    // One proof for the whole drive: two turns, then everything is read.
    ...(sheet.loops.length + camshafts.length > 0 ? [step('twoTurns', ...sheet.loops.map(({ id }) => id))] : []),
    ...lash('lashLeft'),
    step('card'),
  ]
}
