import type { BuildSheet } from '../model/buildSheet'
import type { Job } from '../model/engine'
import type { EntryOf, Phase } from '../model/entry'
import type { CamRead } from './camWitnesses'
import { startRotation, type Rotation } from './rotation'
import type { Seats } from './sectionCounts'
import type { CouplingState, LoopState, RegisterItem, TensionerState } from './state'
import type { Zeros } from './zeros'

/** What a job's entries are folded into, one after the other. */
export interface Draft {
  sheetId: string
  ticked: Set<string>
  steps: Record<string, { outcome: 'done' | 'skipped'; reason: string }>
  register: RegisterItem[]
  loops: Record<string, LoopState>
  couplings: Record<string, CouplingState>
  turnedTightDeg: number
  tensioners: Record<string, TensionerState>
  zeros: Zeros
  rotation: Rotation
  lash: Record<Phase, Record<string, EntryOf<'lash'>>>
  shims: Record<string, EntryOf<'shim'>>
  topLifts: Record<Phase, Record<string, EntryOf<'topLift'>>>
  headHeights: Record<string, EntryOf<'headHeight'>>
  targets: Record<string, EntryOf<'target'>>
  adjusted: EntryOf<'adjusted'>[]
  seats: Seats
  walks: EntryOf<'walk'>[]
  chainLengths: EntryOf<'chainLength'>[]
  camReads: CamRead[]
  counts: EntryOf<'count'>[]
  moves: EntryOf<'moved'>[]
  camSet: Record<string, EntryOf<'camSet'>>
  deviations: EntryOf<'deviation'>[]
  closed: EntryOf<'close'> | undefined
}

export function startDraft(job: Job, sheet: BuildSheet, sheetId: string, zeros: Zeros): Draft {
  const on = job.arrival === 'chainOn'
  const loop: LoopState = {
    on,
    turnedOffDeg: 0,
    offAt: 'unknown',
    proof: on ? 'asArrived' : 'notCounted',
    turnedTightDeg: 0,
  }
  const coupling: CouplingState = {
    together: true,
    turnedApartDeg: 0,
    apartAt: 'unknown',
    proof: 'asArrived',
    steps: 0,
    stepsTo: 0,
  }
  const splits = sheet.couplings.filter(({ kind }) => kind !== 'gearMesh')
  const tensioners = sheet.members.filter(({ kind }) => kind === 'tensioner')
  return {
    sheetId,
    ticked: new Set(),
    steps: {},
    register: [],
    loops: Object.fromEntries(sheet.loops.map(({ id }) => [id, loop])),
    turnedTightDeg: 0,
    couplings: Object.fromEntries(splits.map(({ id }) => [id, coupling])),
    tensioners: Object.fromEntries(tensioners.map(({ id }) => [id, on ? 'asArrived' : 'out'])),
    zeros,
    rotation: startRotation,
    lash: { found: {}, set: {}, left: {} },
    shims: {},
    topLifts: { found: {}, set: {}, left: {} },
    headHeights: {},
    targets: {},
    adjusted: [],
    seats: {},
    walks: [],
    chainLengths: [],
    camReads: [],
    counts: [],
    moves: [],
    camSet: {},
    deviations: [],
    closed: undefined,
  }
}
